import { refText } from '@/core/standards'
import { answer } from '@/server/http'
import { effectOf } from '@/server/standard-effect'

export const GET = (_: Request, { params }: { params: Promise<{ id: string; version: string }> }) =>
  answer(async () => {
    const { id, version } = await params
    return Response.json(await effectOf(refText({ id, version: Number(version) })))
  })
