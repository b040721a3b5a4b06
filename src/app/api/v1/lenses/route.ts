import { listLenses } from '@/server/catalogue'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { freeLensId, saveLens } from '@/server/lenses'
import { saveLensSchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ lenses: await listLenses() }))

/** A lens without an id gets one from its name. */
export const POST = (request: Request) =>
  answer(async () => {
    const sent = expectShape(saveLensSchema, await readJson(request, 'lens', MOST_BODY_BYTES), 'lens')
    const { maker, model, id } = sent.document
    const name = [maker, model].filter(part => typeof part === 'string').join(' ')
    const named = typeof id === 'string' && id ? id : await freeLensId(name)
    return Response.json(await saveLens({ ...sent.document, id: named }, 0, sent.person), { status: 201 })
  })
