import { answer, fileNameOf, MOST_BODY_BYTES, readFileChange, readJson } from '@/server/http'
import { stateQuerySchema } from '@/server/queries'
import { readStateFile, writeStateFile } from '@/server/unit-state'

type Params = { params: Promise<{ id: string }> }

/** What the unit is known to be set to. */
export const GET = (_: Request, { params }: Params) =>
  answer(async () => {
    const { state, name } = await writeStateFile((await params).id)
    return Response.json(state, { headers: { 'content-disposition': `attachment; filename="${name}"` } })
  })

/** Says what the unit is set to, from a file. */
export const POST = (request: Request, { params }: Params) =>
  answer(async () => {
    const { actor } = await readFileChange(request, 'tell-units', stateQuerySchema)
    const file = fileNameOf(request, 'state.json')
    const value = await readJson(request, file, MOST_BODY_BYTES)
    return Response.json(await readStateFile((await params).id, value, file, actor), { status: 201 })
  })
