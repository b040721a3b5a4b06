import { answer } from '@/server/http'
import { onNewerBelow } from '@/server/standards'

export const GET = (_: Request, { params }: { params: Promise<{ id: string; below: string }> }) =>
  answer(async () => {
    const { id, below } = await params
    return Response.json(await onNewerBelow(id, below))
  })
