import { listLenses } from '@/server/catalogue'
import { answer, readChange } from '@/server/http'
import { freeLensId, saveLens } from '@/server/lenses'
import { saveLensSchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ lenses: await listLenses() }))

/** A lens without an id gets one from its name. */
export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-lenses', schema: saveLensSchema, what: 'lens' })
    const { maker, model, id } = sent.document
    const name = [maker, model].filter(part => typeof part === 'string').join(' ')
    const named = typeof id === 'string' && id ? id : await freeLensId(name)
    return Response.json(await saveLens({ ...sent.document, id: named }, 0, actor), { status: 201 })
  })
