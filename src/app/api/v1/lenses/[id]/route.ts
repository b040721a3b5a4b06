import { answer, readChange } from '@/server/http'
import { readLens, saveLens, setLensArchived } from '@/server/lenses'
import { archivedSchema, saveLensSchema } from '@/server/queries'

type Context = { params: Promise<{ id: string }> }

export const GET = (_: Request, { params }: Context) =>
  answer(async () => Response.json((await readLens((await params).id)).document))

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-lenses', schema: saveLensSchema, what: 'lens' })
    return Response.json(await saveLens({ ...sent.document, id: (await params).id }, sent.revision, actor))
  })

/** Puts a lens away or brings it back; history goes on referring to it. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-lenses', schema: archivedSchema, what: 'lens' })
    await setLensArchived((await params).id, sent.archived, sent.revision, actor)
    return Response.json({ archived: sent.archived })
  })
