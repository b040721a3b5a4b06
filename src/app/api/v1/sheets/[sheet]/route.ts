import { answer, queryOf } from '@/server/http'
import { printedSheet } from '@/server/sheets'

/** A sheet to print and photograph. */
export const GET = (request: Request, { params }: { params: Promise<{ sheet: string }> }) =>
  answer(async () => {
    const { bytes, name } = await printedSheet((await params).sheet, queryOf(request))
    return new Response(new Blob([bytes as BlobPart]), {
      headers: { 'content-type': 'application/pdf', 'content-disposition': `inline; filename="${name}"` },
    })
  })
