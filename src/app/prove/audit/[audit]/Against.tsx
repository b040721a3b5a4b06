'use client'

import { styled } from '@mui/material/styles'
import type { Difference } from '@/core/audit/runs'
import type { AuditView } from '@/server/audits'
import { PlainList, Section } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const Strip = styled('div')(({ theme }) => ({
  position: 'relative',
  height: 10,
  borderRadius: theme.shape.borderRadius,
  background: theme.vars?.palette.own.grade.same,
  '& span': { position: 'absolute', top: 0, bottom: 0, right: 0, background: theme.vars?.palette.own.grade.different },
}))

/** A difference over the pictures of its camera: as wanted until it drifted, and otherwise from then on. */
const DriftStrip = ({ difference, view }: { difference: Difference; view: AuditView }) => {
  const unit = view.audit.units.find(u => u.unit === difference.unit)
  if (!unit || !difference.isStill) return null
  const [from, until, since] = [unit.from, unit.until, difference.since].map(Date.parse) as [number, number, number]
  const left = until > from ? (since - from) / (until - from) : 0
  return (
    <Strip aria-hidden>
      <span style={{ left: `${(100 * left).toFixed(1)}%` }} />
    </Strip>
  )
}

/** Where the cameras were not set as the standard of that time wanted, and since when. */
export const Against = ({ view, words }: { view: AuditView; words: readonly string[] }) => {
  const told = view.audit.units.some(u => u.told.length > 0)
  if (!told) return null
  return (
    <Section title="Against the standard">
      {words.length === 0 && <Typography>No picture shows anything set otherwise.</Typography>}
      <PlainList component="ul" sx={{ maxWidth: 'var(--wide)' }}>
        {view.audit.differences.map((d, i) => (
          <Box component="li" key={words[i]} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
            <Typography sx={{ overflowWrap: 'anywhere' }}>{words[i]}</Typography>
            <DriftStrip difference={d} view={view} />
          </Box>
        ))}
      </PlainList>
      {view.audit.differences.some(d => d.isStill) && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          Each strip runs from the first picture of its camera to the last; the darker end is where it had drifted.
        </Typography>
      )}
    </Section>
  )
}
