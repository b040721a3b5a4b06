import { readRunRow, removeRun, takesCsv } from '@/server/bench'
import { answer, queryOf, readChange } from '@/server/http'
import { throwAwaySchema } from '@/server/queries'

/** A run in its exchange format, or its takes as a table. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params
    if (queryOf(request)['form'] === 'csv')
      return new Response(await takesCsv(id), {
        headers: {
          'content-type': 'text/csv; charset=utf-8',
          'content-disposition': `attachment; filename="run-${id}.csv"`,
        },
      })
    return Response.json((await readRunRow(id)).run)
  })

export const PATCH = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'edit-bodies', schema: throwAwaySchema, what: 'request' })
    await removeRun((await params).id, actor)
    return Response.json({})
  })
