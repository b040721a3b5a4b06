import { concordanceTable } from '@/core/resolve'
import { contextFrom } from '@/core/standards'
import { writeCsv } from '@/core/reading/csv'
import { listBodies } from '@/server/catalogue'
import { readConcordance } from '@/server/concordance'
import { answer, parseQuery } from '@/server/http'
import { concordanceQuerySchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => {
    const { standard, bodies, for: forWhom, as } = parseQuery(concordanceQuerySchema, request)
    const chosen = bodies?.split(',').map(id => ({ id })) ?? (await listBodies())
    const concordance = await readConcordance(standard, chosen, contextFrom(forWhom))
    if (as === 'json') return Response.json(concordance)
    const { id, version } = concordance.standard
    return new Response(writeCsv(concordanceTable(concordance)), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="concordance-${id}-${version}.csv"`,
      },
    })
  })
