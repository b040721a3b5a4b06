import { answer } from '@/server/http'
import { standardPdf } from '@/server/standard-pdf'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { bytes, name } = await standardPdf((await params).id)
    return new Response(bytes.slice().buffer, {
      headers: { 'content-type': 'application/pdf', 'content-disposition': `inline; filename="${name}"` },
    })
  })
