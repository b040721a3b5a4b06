import { handout } from '@/server/classes'
import { answer, parseQuery } from '@/server/http'
import { pdfResponse } from '@/server/pdf'
import { handoutQuerySchema } from '@/server/queries'

/** The course on paper for one body. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => pdfResponse(await handout((await params).id, parseQuery(handoutQuerySchema, request))))
