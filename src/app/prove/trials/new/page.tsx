import { listStandards, units } from '@/server/catalogue'
import { PlanForm } from './PlanForm'

export const metadata = { title: 'Plan a trial' }

export default async function NewTrialPage() {
  const [owned, standards] = await Promise.all([units(), listStandards()])
  return <PlanForm units={owned.map(u => u.tag)} standards={standards.map(s => ({ id: s.id, name: s.name }))} />
}
