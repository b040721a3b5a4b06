'use client'

import { Alert, Button } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import type { Finding } from '@/core/audit/findings'
import type { AuditView } from '@/server/audits'
import { linkTo } from '@/ui/address'
import { KeptLink } from '@/ui/links'
import { Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { Against } from './Against'
import { EditPlan } from './EditPlan'
import { Learn } from './Learn'
import type { StandardChoice } from '../Scenes'
import { UsedSection } from './UsedSection'
import { Box, Typography } from '@/ui/elements'

/** Everything of an audit that is told in sentences. */
export interface AuditWords {
  readonly about: string
  readonly differences: readonly string[]
  readonly leftOut: readonly string[]
  readonly used: readonly string[]
}

/** What pictures of a job say: what to talk about, what was set otherwise, what is known now, what was used. */
export const AuditResult = ({
  view,
  words,
  standards,
}: {
  view: AuditView
  words: AuditWords
  standards: readonly StandardChoice[]
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const [isChanging, setChanging] = useState(false)
  const throwAway = async () => {
    const sent = await send('PATCH', `/api/v1/audits/${view.id}`, { thrownAway: true })
    if (sent.ok) router.push(linkTo('/prove/audit', params))
  }
  const unknown = view.audit.cameras.filter(c => c.whose.is !== 'unit')
  const later = view.standards.find(s => s.isLater)
  return (
    <Page>
      <Typography color="textSecondary">Audit{view.person && ` by ${view.person}`}</Typography>
      <Typography variant="h1">{view.plan.name}</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>{words.about}</Typography>
      <Wrap sx={{ mb: 2 }}>
        {(['a4', 'letter'] as const).map(paper => (
          <Button
            key={paper}
            component="a"
            variant="outlined"
            href={`/api/v1/audits/${view.id}/report?paper=${paper}`}
            target="_blank"
          >
            Report as PDF, {paper === 'a4' ? 'A4' : 'Letter'}
          </Button>
        ))}
        <Button variant="outlined" aria-expanded={isChanging} onClick={() => setChanging(!isChanging)}>
          Scenes, clocks, cameras
        </Button>
      </Wrap>
      {isChanging && (
        <EditPlan key={view.revision} view={view} standards={standards} onDone={() => setChanging(false)} />
      )}
      {unknown.length > 0 && (
        <Alert severity="warning" sx={{ mb: 1, maxWidth: 'var(--line)' }}>
          {unknown.length === 1 ? 'One camera is' : `${unknown.length} cameras are`} nobody’s here; what its pictures
          say is left out until you tell whose it was, under “Scenes, clocks, cameras”.
        </Alert>
      )}
      {view.failed.length > 0 && (
        <Alert severity="warning" sx={{ mb: 1, maxWidth: 'var(--line)' }}>
          What {view.failed.join(', ')} should have been set to cannot be reckoned now; what is said here is without
          them. Load the page again, or look at their bodies’ rules.
        </Alert>
      )}
      {later && (
        <Alert severity="info" sx={{ mb: 1, maxWidth: 'var(--line)' }}>
          Version {later.version} of {later.name} was approved after these pictures were taken, and there was none
          before: they are held against it all the same.
        </Alert>
      )}
      <Section title={view.findings.length > 0 ? 'To talk about' : 'Nothing to talk about'}>
        {view.findings.length === 0 && (
          <Typography sx={{ maxWidth: 'var(--line)' }}>
            As far as the pictures tell, everything was as the standard wanted it.
          </Typography>
        )}
        <PlainList component="ol" sx={{ maxWidth: 'var(--line)' }}>
          {view.findings.map((f, i) => (
            <FindingItem key={f.title} finding={f} number={i + 1} view={view} />
          ))}
        </PlainList>
      </Section>
      <Learn view={view} />
      <Against view={view} words={words.differences} />
      <UsedSection view={view} words={words.used} />
      {words.leftOut.length > 0 && (
        <Section title="Left out">
          <PlainList component="ul">
            {words.leftOut.map(w => (
              <Typography component="li" key={w} sx={{ py: 0.5, overflowWrap: 'anywhere' }}>
                {w}
              </Typography>
            ))}
          </PlainList>
        </Section>
      )}
      <Trouble words={problem} sx={{ mt: 2 }} />
      <Box sx={{ mt: 4 }}>
        <Button color="inherit" disabled={isBusy} onClick={() => void throwAway()}>
          Throw this audit away
        </Button>
        <Typography variant="body2" color="textSecondary">
          What was written into the lives of the cameras stays there.
        </Typography>
      </Box>
    </Page>
  )
}

const FindingItem = ({ finding, number, view }: { finding: Finding; number: number; view: AuditView }) => {
  const link = linkOf(finding, view)
  return (
    <Box
      component="li"
      sx={{ display: 'grid', gridTemplateColumns: '32px 1fr', py: 1.25, borderBottom: 1, borderColor: 'divider' }}
    >
      <Typography variant="h3" component="span" color="textSecondary" aria-hidden>
        {number}
      </Typography>
      <div>
        <Typography variant="h3">{finding.title}</Typography>
        <Typography sx={{ overflowWrap: 'anywhere' }}>{finding.evidence}</Typography>
        <Typography sx={{ mt: 0.5 }}>
          {finding.change}{' '}
          {link && (
            <KeptLink to={link.to} {...(link.more ? { more: link.more } : {})}>
              {link.words}
            </KeptLink>
          )}
        </Typography>
      </div>
    </Box>
  )
}

interface Leading {
  readonly to: string
  readonly words: string
  readonly more?: Readonly<Record<string, string>>
}

/** Where the change that a finding asks for is made. */
const linkOf = ({ does, unit, setting }: Finding, view: AuditView): Leading | undefined => {
  const names = unit === undefined ? undefined : view.names[unit]
  const standard =
    view.standards[view.audit.differences.find(d => d.unit === unit && d.setting === setting)?.scenes[0] ?? 0]
  const inHand = standard && { standard: standard.id }
  switch (does) {
    case 'card':
      return names && unit !== undefined
        ? { to: `/set/cards/${names.body}`, words: 'Its card', more: { ...inHand, unit } }
        : undefined
    case 'standard':
      return standard && { to: `/decide/standards/${standard.id}`, words: 'The standard' }
    case 'evidence':
      return names && { to: `/name/bodies/${names.body}/evidence`, words: 'What its pictures tell' }
    case 'optics':
      return { to: '/decide/optics', words: 'The Optics desk' }
    case 'controls':
      return { to: '/set/controls', words: 'Controls and thumb load', ...(inHand ? { more: inHand } : {}) }
    case 'trial':
      return { to: '/prove/trials/new', words: 'Plan a trial' }
    case 'clock':
      return { to: '/prove/audit/clock', words: 'The clock page' }
  }
}
