'use client'

import { Button, LinearProgress } from '@mui/material'
import { counted } from '@/core/vocabulary/words'
import type { Completeness } from '@/workers/completeness'
import { Typography } from '@/ui/elements'

const counts = ({ coverage }: Completeness) => ({
  known: coverage.filter(c => c.coverage.how !== 'unmapped').length,
  all: coverage.length,
})

/** Where the profile stands, in one line that is always in view. */
export const Standing = ({
  found,
  isFailed,
  onOpen,
}: {
  found: Completeness | undefined
  isFailed: boolean
  onOpen: () => void
}) => {
  if (!found && isFailed) return null
  if (!found) return <LinearProgress sx={{ my: 2.5 }} aria-label="Looking the profile over" />
  const { known, all } = counts(found)
  const undecided = found.gaps.find(g => g.kind === 'undecided')
  const facts = [
    `${known} of ${all} concepts covered`,
    undecided ? `${counted(undecided.settings.length, 'setting', 'settings')} undecided` : 'every setting decided',
    found.contradictions.length ? `${found.contradictions.length} contradictions` : 'nothing contradicts',
    ...(found.trial
      ? [
          `${found.trial.name}: ${found.trial.agreement.toFixed(2)} alike, ${found.trial.mustsHeld} of ${found.trial.musts} musts`,
        ]
      : []),
  ]
  return (
    <Button onClick={onOpen} sx={{ my: 0.5, px: 0, textAlign: 'left', justifyContent: 'flex-start' }}>
      <Typography variant="value" component="span" aria-label="How far the profile is">
        {facts.join(' · ')}
      </Typography>
    </Button>
  )
}
