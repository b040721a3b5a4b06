import { answer, readChange } from '@/server/http'
import { saveStandardSchema } from '@/server/queries'
import { saveStandardDraft } from '@/server/standards'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string; version: string }> }) =>
  answer(async () => {
    const { id, version } = await params
    const { sent, actor } = await readChange(request, {
      deed: 'edit-standards',
      schema: saveStandardSchema,
      what: 'standard',
    })
    return Response.json(await saveStandardDraft(id, Number(version), { ...sent, document: sent.document }, actor))
  })
