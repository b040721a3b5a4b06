'use client'

import { Box, Typography } from '@mui/material'
import { clockAt } from '@/core/jobs/clock'
import type { JobFacts } from '@/core/jobs/facts'
import type { Planned } from '@/core/jobs/replan'
import { gapWords } from '@/core/numeric/gap'
import { PlainList, Section } from '@/ui/pieces'

/** More than one set-up on one day. */
const isSpeaking = (d: Planned['plan']['units'][number]): boolean => d.withoutSlots > 0

/** What is stored in the slots of each camera at home, and what that saves. */
export const Cameras = ({ planned, facts }: { planned: Planned; facts: JobFacts }) => {
  const days = planned.plan.units
  if (days.length === 0) return null
  const quiet = days.filter(d => !isSpeaking(d) && !days.some(o => o.unit === d.unit && isSpeaking(o)))
  const saved = days.reduce((sum, d) => sum + d.withoutSlots - d.presses, 0)
  return (
    <Section title="Cameras and their slots">
      <Typography sx={{ mb: 1, maxWidth: 720 }}>
        Slots that are filled at home save {saved} presses between scenes.
      </Typography>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', md: '1fr 1fr 1fr' } }}>
        {days.filter(isSpeaking).map(d => {
          const filled = d.slots.filter(s => s.setUp)
          const name = facts.models.find(m => m.id === d.unit.model)?.name ?? ''
          return (
            <section key={`${d.unit.id} ${d.from}`} aria-label={`${d.unit.tag}, ${clockAt(d.from, 'UTC').day}`}>
              <Typography variant="h3">
                {d.unit.tag}{' '}
                <Typography component="span" variant="body2" color="textSecondary">
                  {name}, {clockAt(d.from, 'UTC').day}
                </Typography>
              </Typography>
              <PlainList component="ul">
                {filled.map(s => (
                  <li key={s.name}>
                    <Typography component="span" variant="value">
                      {s.name}
                    </Typography>{' '}
                    {s.setUp?.name}
                  </li>
                ))}
              </PlainList>
              <Typography variant="body2" color="textSecondary">
                {d.withoutSlots > 0 && `${d.presses} presses between scenes, ${d.withoutSlots} without slots. `}
                {d.withoutSlots > 0 && gapWords(d.gap)}
              </Typography>
              {d.areas.length > 1 && <Typography variant="body2">On the button: {d.areas.join(', ')}.</Typography>}
            </section>
          )
        })}
      </Box>
      {quiet.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          Nothing has to be stored on {[...new Set(quiet.map(d => d.unit.tag))].join(', ')}.
        </Typography>
      )}
    </Section>
  )
}
