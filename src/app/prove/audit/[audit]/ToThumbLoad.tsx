'use client'

import { Alert, Button } from '@mui/material'
import { useState } from 'react'
import { percent } from '@/core/vocabulary/words'
import type { AuditView, SessionWritten } from '@/server/audits'
import { Choice } from '@/ui/Choice'
import { KeptLink } from '@/ui/links'
import { Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { Typography } from '@/ui/elements'

/** How long focus followed in fact, and a way to have thumb load go by it. */
export const ToThumbLoad = ({ view }: { view: AuditView }) => {
  const { send, isBusy, problem } = useSend()
  const followed = view.audit.units.flatMap(u => (u.followed ? [{ unit: u.unit, ...u.followed }] : []))
  const standards = [...new Map(view.standards.map(s => [s.id, s])).values()]
  const [unit, setUnit] = useState(followed[0]?.unit ?? '')
  const [standard, setStandard] = useState(standards[0]?.id ?? '')
  const [written, setWritten] = useState<SessionWritten>()
  const write = async () => {
    const sent = await send<SessionWritten>('POST', `/api/v1/audits/${view.id}/session`, { standard, unit })
    if (sent.ok) setWritten(sent.value)
  }
  const chosen = followed.find(f => f.unit === unit)
  return (
    <Section title="How long focus followed">
      <Typography sx={{ maxWidth: 'var(--line)' }}>
        Three frames or more with no second between them count as followed. What was held before the first frame is in
        no picture, so these are the least.
      </Typography>
      <Wrap sx={{ mt: 1.5 }}>
        <Choice
          label="Camera"
          value={unit}
          onChange={setUnit}
          sx={{ minWidth: 'var(--field-short)' }}
          options={followed.map(f => ({ id: f.unit, name: view.names[f.unit]?.tag ?? f.unit }))}
        />
        <Choice
          label="Thumb load of"
          value={standard}
          onChange={setStandard}
          sx={{ minWidth: 'var(--field-short)' }}
          options={standards}
        />
        <Button variant="outlined" disabled={isBusy || !chosen} onClick={() => void write()}>
          Write it into the draft
        </Button>
      </Wrap>
      {chosen && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          {Math.round(chosen.minutes)} minutes, {percent(chosen.shootingShare)} of them shooting,{' '}
          {percent(chosen.followingShare)} of that following; the longest {chosen.longestFollowSeconds.toFixed(1)} s, in
          the middle {chosen.usualSeconds.toFixed(1)} s.
        </Typography>
      )}
      <Trouble words={problem} sx={{ mt: 1 }} />
      {written && (
        <Alert severity="success" sx={{ mt: 1, maxWidth: 'var(--line)' }}>
          It is {written.person ? `${written.person}’s` : 'the team’s'} session in version {written.version} of{' '}
          {written.name} (draft).{' '}
          <KeptLink to="/set/controls" more={{ standard: `${written.standard}@${written.version}` }}>
            See what the thumb holds
          </KeptLink>
        </Alert>
      )}
    </Section>
  )
}
