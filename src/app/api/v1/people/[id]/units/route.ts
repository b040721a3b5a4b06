import { saveCarried } from '@/server/hands'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { carriedSchema } from '@/server/queries'

/** Says which units a person usually carries together. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { units, seen, person } = expectShape(
      carriedSchema,
      await readJson(request, 'units', MOST_BODY_BYTES),
      'units',
    )
    await saveCarried((await params).id, { units, seen }, person)
    return Response.json({ units })
  })
