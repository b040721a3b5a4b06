import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { readLens, saveLens, setLensArchived } from '@/server/lenses'
import { archivedSchema, saveLensSchema } from '@/server/queries'

type Context = { params: Promise<{ id: string }> }

export const GET = (_: Request, { params }: Context) =>
  answer(async () => Response.json((await readLens((await params).id)).document))

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const { document, revision, person } = expectShape(
      saveLensSchema,
      await readJson(request, 'lens', MOST_BODY_BYTES),
      'lens',
    )
    return Response.json(await saveLens({ ...document, id: (await params).id }, revision, person))
  })

/** Puts a lens away or brings it back; history goes on referring to it. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { archived, revision, person } = expectShape(
      archivedSchema,
      await readJson(request, 'lens', MOST_BODY_BYTES),
      'lens',
    )
    await setLensArchived((await params).id, archived, revision, person)
    return Response.json({ archived })
  })
