import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { saveStandardSchema } from '@/server/queries'
import { saveStandardDraft } from '@/server/standards'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string; version: string }> }) =>
  answer(async () => {
    const { id, version } = await params
    const change = expectShape(saveStandardSchema, await readJson(request, 'standard', MOST_BODY_BYTES), 'standard')
    return Response.json(await saveStandardDraft(id, Number(version), { ...change, document: change.document }))
  })
