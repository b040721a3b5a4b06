import { listAudits } from '@/server/audits'
import { AuditList } from './AuditList'

export const metadata = { title: 'Audit' }

export default async function AuditPage() {
  return <AuditList audits={await listAudits()} />
}
