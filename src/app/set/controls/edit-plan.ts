import type { Plan } from '@/core/functions/plan'

export type EditPlan = (what: string, change: (plan: Plan) => Plan) => void
