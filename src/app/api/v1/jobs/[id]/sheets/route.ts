import { answer, parseQuery } from '@/server/http'
import { printSheets } from '@/server/jobs'
import { pdfResponse } from '@/server/pdf'
import { callSheetsQuerySchema } from '@/server/queries'

/** Call sheets on paper. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => pdfResponse(await printSheets((await params).id, parseQuery(callSheetsQuerySchema, request))))
