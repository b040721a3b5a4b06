import { answer } from '@/server/http'
import { pdfResponse } from '@/server/pdf'
import { standardPdf } from '@/server/standard-pdf'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => pdfResponse(await standardPdf((await params).id)))
