import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { stateSchema } from '@/server/queries'
import { moveVersion } from '@/server/standards'

export const POST = (request: Request, { params }: { params: Promise<{ id: string; version: string }> }) =>
  answer(async () => {
    const { id, version } = await params
    const wanted = expectShape(stateSchema, await readJson(request, 'state', MOST_BODY_BYTES), 'state')
    await moveVersion(id, Number(version), wanted)
    return Response.json({ state: wanted.state })
  })
