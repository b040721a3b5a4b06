import { param, type SearchParams } from '@/app/search-params'
import { readAuditable } from '@/server/audits'
import { listStandards } from '@/server/catalogue'
import { NewAudit } from './NewAudit'

export const metadata = { title: 'Audit pictures' }

export default async function NewAuditPage({ searchParams }: { searchParams: SearchParams }) {
  const [auditable, standards, asked] = await Promise.all([
    readAuditable(),
    listStandards(),
    param(searchParams, 'standard'),
  ])
  const choices = standards.map(({ id, name, scopes }) => ({ id, name, scopes }))
  const first = standards.find(s => s.id === asked?.split('@')[0]) ?? standards.find(s => s.isUsual)
  return <NewAudit auditable={auditable} standards={choices} first={first?.id ?? ''} />
}
