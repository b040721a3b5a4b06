import { answer, readChange } from '@/server/http'
import { archiveUnit, saveUnit } from '@/server/kit'
import { archivedSchema, saveUnitSchema } from '@/server/queries'

type Context = { params: Promise<{ id: string }> }

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-kit', schema: saveUnitSchema, what: 'unit' })
    return Response.json(await saveUnit(sent.unit, (await params).id, sent.revision, actor))
  })

/** Puts a unit away or brings it back; history goes on referring to it. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-kit', schema: archivedSchema, what: 'unit' })
    await archiveUnit((await params).id, sent.archived, sent.revision, actor)
    return Response.json({ archived: sent.archived })
  })
