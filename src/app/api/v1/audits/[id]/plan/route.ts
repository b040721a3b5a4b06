import { saveAuditPlan } from '@/server/audits'
import { answer, readChange } from '@/server/http'
import { saveAuditPlanSchema } from '@/server/queries'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'prove', schema: saveAuditPlanSchema, what: 'plan' })
    await saveAuditPlan((await params).id, sent, actor)
    return Response.json({})
  })
