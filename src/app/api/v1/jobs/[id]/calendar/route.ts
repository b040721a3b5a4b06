import { addressOf, answer, parseQuery } from '@/server/http'
import { jobCalendar } from '@/server/jobs'
import { jobCalendarQuerySchema } from '@/server/queries'

/** A job as a calendar. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params
    const { person } = parseQuery(jobCalendarQuerySchema, request)
    return new Response(await jobCalendar(id, person, addressOf(request)), {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': `inline; filename="${id}.ics"`,
      },
    })
  })
