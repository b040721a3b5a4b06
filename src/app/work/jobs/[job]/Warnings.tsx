'use client'

import type { JobFacts } from '@/core/jobs/facts'
import type { Job } from '@/core/jobs/job'
import { WARNING_KINDS, type Warning, type WarningKind } from '@/core/jobs/warnings'
import { TallLink } from '@/ui/links'
import { PlainList, Section } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** Everything to put right or to know before the day, the worst first. */
export const Warnings = ({
  warnings,
  job,
  facts,
  onScene,
}: {
  warnings: readonly Warning[]
  job: Job
  facts: JobFacts
  onScene: (id: string) => void
}) => {
  const kinds = [...new Set(warnings.map(w => w.kind))]
  const minutes = warnings.reduce((sum, w) => sum + (w.kind === 'owed' ? (w.minutes ?? 0) : 0), 0)
  if (job.scenes.length === 0) return null
  return (
    <Section title="Before the day">
      {warnings.length === 0 && <Typography>Nothing to put right.</Typography>}
      {minutes > 0 && <Typography sx={{ mb: 1 }}>Cards that are owed take {minutes} minutes together.</Typography>}
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
        {kinds.map(kind => (
          <section key={kind} aria-label={WARNING_KINDS[kind]}>
            <Typography variant="h3">{WARNING_KINDS[kind]}</Typography>
            <PlainList component="ul">
              {warnings
                .filter(w => w.kind === kind)
                .map(w => (
                  <Box component="li" key={w.words} sx={{ py: 0.5 }}>
                    <Typography variant="body2">{w.words}</Typography>
                    <WhatToDo warning={w} facts={facts} onScene={onScene} />
                  </Box>
                ))}
            </PlainList>
          </section>
        ))}
      </Box>
    </Section>
  )
}

const OPENS_SCENE: readonly WarningKind[] = [
  'two-places',
  'nobody',
  'no-unit',
  'unknown-person',
  'unknown-unit',
  'unknown-lens',
  'unknown-standard',
  'odd-time',
  'late',
]

const WhatToDo = ({
  warning: w,
  facts,
  onScene,
}: {
  warning: Warning
  facts: JobFacts
  onScene: (id: string) => void
}) => {
  const unit = facts.units.find(u => u.id === w.unit)
  const body = facts.models.find(m => m.id === unit?.model)?.body
  if (w.kind === 'owed' && unit && body !== undefined)
    return (
      <Typography variant="body2">
        <TallLink
          to={`/set/cards/${body}`}
          more={{ unit: unit.id, ...(w.standard === undefined ? {} : { standard: w.standard }) }}
        >
          Its card
        </TallLink>
      </Typography>
    )
  if (w.kind === 'hired' && body !== undefined)
    return (
      <Typography variant="body2">
        <TallLink to="/practise/drills" more={{ body }}>
          Ten minutes of drills
        </TallLink>
      </Typography>
    )
  if (w.kind === 'untested')
    return (
      <Typography variant="body2">
        <TallLink to="/prove/bench">Test it at the Bench</TallLink>
      </Typography>
    )
  const scene = w.scene
  if (scene !== undefined && OPENS_SCENE.includes(w.kind))
    return (
      <Typography variant="body2">
        <a
          href={`?scene=${scene}`}
          style={{ display: 'inline-block', paddingBlock: 6 }}
          onClick={e => {
            e.preventDefault()
            onScene(scene)
          }}
        >
          Open the scene
        </a>
      </Typography>
    )
  return null
}
