import { readRunRow, takesCsv } from '@/server/bench'
import { answer, queryOf } from '@/server/http'

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
