import { bodyEvent } from '@/server/authoring'
import { answer } from '@/server/http'

export const GET = (_: Request, { params }: { params: Promise<{ id: string; event: string }> }) =>
  answer(async () => {
    const { id, event } = await params
    return Response.json({ differences: await bodyEvent(id, Number(event)) })
  })
