import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { archiveUnit, saveUnit } from '@/server/kit'
import { archivedSchema, saveUnitSchema } from '@/server/queries'

type Context = { params: Promise<{ id: string }> }

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const { unit, revision, person } = expectShape(
      saveUnitSchema,
      await readJson(request, 'unit', MOST_BODY_BYTES),
      'unit',
    )
    return Response.json(await saveUnit(unit, (await params).id, revision, person))
  })

/** Puts a unit away or brings it back; history goes on referring to it. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { archived, revision, person } = expectShape(
      archivedSchema,
      await readJson(request, 'unit', MOST_BODY_BYTES),
      'unit',
    )
    await archiveUnit((await params).id, archived, revision, person)
    return Response.json({ archived })
  })
