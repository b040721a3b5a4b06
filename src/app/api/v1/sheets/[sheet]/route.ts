import { answer, queryOf } from '@/server/http'
import { pdfResponse } from '@/server/pdf'
import { printedSheet } from '@/server/sheets'

/** A sheet to print and photograph. */
export const GET = (request: Request, { params }: { params: Promise<{ sheet: string }> }) =>
  answer(async () => {
    return pdfResponse(await printedSheet((await params).sheet, queryOf(request)))
  })
