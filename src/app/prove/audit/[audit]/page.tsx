import { aboutWords, differenceWords, leftOutWords, usedWords } from '@/server/audit-words'
import { readAudit } from '@/server/audits'
import { listStandards } from '@/server/catalogue'
import { orNotFound } from '@/server/or-not-found'
import { AuditResult } from './AuditResult'

export const metadata = { title: 'Audit' }

export default async function AuditResultPage({ params }: { params: Promise<{ audit: string }> }) {
  const [view, standards] = await Promise.all([orNotFound(readAudit((await params).audit)), listStandards()])
  return (
    <AuditResult
      view={view}
      words={{
        about: aboutWords(view),
        differences: differenceWords(view),
        leftOut: leftOutWords(view),
        used: usedWords(view),
      }}
      standards={standards.map(({ id, name, scopes }) => ({ id, name, scopes }))}
    />
  )
}
