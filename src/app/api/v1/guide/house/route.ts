import { readHouseGuide, saveHouseGuide } from '@/server/guide'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { saveGuideSchema } from '@/server/queries'

/** What the house makes of the guide: schools it holds, rules off, replaced and added. */
export const GET = () => answer(async () => Response.json(await readHouseGuide()))

export const PUT = (request: Request) =>
  answer(async () => {
    const sent = expectShape(saveGuideSchema, await readJson(request, 'rules', MOST_BODY_BYTES), 'rules')
    return Response.json(await saveHouseGuide(sent.document, sent.revision, sent.what, sent.person))
  })
