import { answer, readChange } from '@/server/http'
import { readStandard } from '@/server/catalogue'
import { keepOptics, viewCalculations } from '@/server/optics'
import { keepCalculationSchema } from '@/server/queries'

/** What is kept in each layer, and what has changed under it. */
export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { document } = await readStandard((await params).id)
    const layers = await Promise.all(
      document.layers.map(async l => ({ layer: l.id, calculations: await viewCalculations(l.calculations ?? []) })),
    )
    return Response.json({ layers: layers.filter(l => l.calculations.length > 0) })
  })

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params
    const { sent, actor } = await readChange(request, {
      deed: 'edit-standards',
      schema: keepCalculationSchema,
      what: 'calculation',
    })
    return Response.json(await keepOptics(id, sent, actor), { status: 201 })
  })
