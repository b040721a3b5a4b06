import { readHouseGuide, saveHouseGuide } from '@/server/guide'
import { answer, readChange } from '@/server/http'
import { saveGuideSchema } from '@/server/queries'

/** What the house makes of the guide: schools it holds, rules off, replaced and added. */
export const GET = () => answer(async () => Response.json(await readHouseGuide()))

export const PUT = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-guide', schema: saveGuideSchema, what: 'rules' })
    return Response.json(await saveHouseGuide(sent.document, sent.revision, sent.what, actor))
  })
