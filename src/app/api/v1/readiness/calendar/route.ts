import { contextFrom } from '@/core/standards'
import { addressOf, answer, expectShape, queryOf } from '@/server/http'
import { readinessQuerySchema } from '@/server/queries'
import { readCalendar } from '@/server/readiness'

/** When each unit is to be looked at again, for a calendar. */
export const GET = (request: Request) =>
  answer(async () => {
    const { standard, for: forWhom } = expectShape(readinessQuerySchema, queryOf(request), 'query')
    const calendar = await readCalendar(standard, contextFrom(forWhom), addressOf(request))
    return new Response(calendar, {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': 'attachment; filename="readiness.ics"',
      },
    })
  })
