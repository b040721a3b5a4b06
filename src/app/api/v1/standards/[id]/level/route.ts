import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { keepLevelSchema } from '@/server/queries'
import { keepLevel } from '@/server/standards'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { level, person } = expectShape(keepLevelSchema, await readJson(request, 'level', MOST_BODY_BYTES), 'level')
    return Response.json(await keepLevel((await params).id, level, person))
  })
