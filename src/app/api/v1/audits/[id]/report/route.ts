import { auditReport } from '@/server/audit-words'
import { answer, parseQuery } from '@/server/http'
import { auditReportQuerySchema } from '@/server/queries'
import { pdfResponse } from '@/server/pdf'

/** The report for the debrief, on paper. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { paper } = parseQuery(auditReportQuerySchema, request)
    return pdfResponse(await auditReport((await params).id, paper))
  })
