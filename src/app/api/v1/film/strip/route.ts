import { printStrip } from '@/server/film'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { pdfResponse } from '@/server/pdf'
import { ringStripSchema } from '@/server/queries'

/** The strip for a focus ring on paper, at true scale; nothing is stored. */
export const POST = (request: Request) =>
  answer(async () =>
    pdfResponse(
      await printStrip(expectShape(ringStripSchema, await readJson(request, 'ring', MOST_BODY_BYTES), 'ring')),
    ),
  )
