import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { signedSchema } from '@/server/queries'
import { makeUsual } from '@/server/standards'

/** The standard that is in hand where nobody chose another. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params
    const { person } = expectShape(signedSchema, await readJson(request, 'usual', MOST_BODY_BYTES), 'usual')
    await makeUsual(id, person)
    return Response.json({ standard: id })
  })
