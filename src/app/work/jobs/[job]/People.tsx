import type { JobFacts } from '@/core/jobs/facts'
import type { Job } from '@/core/jobs/job'
import { thumbOver } from '@/core/jobs/hands'
import type { Planned } from '@/core/jobs/replan'
import { handScenes, peopleIn, stationsOf } from '@/core/jobs/warnings'
import { TallLink } from '@/ui/links'
import { PlainList, Section } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** Everybody with their scenes, their thumb, and their own sheet. */
export const People = ({ job, facts, planned }: { job: Job; facts: JobFacts; planned: Planned }) => {
  const people = peopleIn(planned.plan)
  const idle = facts.people.filter(p => job.people.includes(p.id) && !people.some(x => x.id === p.id))
  if (people.length === 0) return null
  return (
    <Section title="People">
      <PlainList component="ul" sx={{ maxWidth: 'var(--wide)' }}>
        {people.map(p => {
          const mine = stationsOf(planned.plan, p.id)
          const load = thumbOver(handScenes(mine))
          const tags = [...new Set(mine.flatMap(s => s.unit?.tag ?? []))]
          return (
            <Box
              component="li"
              key={p.id}
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', sm: 'var(--field-short) 1fr var(--field-short)' },
                gap: { xs: 0, sm: 2 },
                py: 0.5,
                borderBottom: 1,
                borderColor: 'divider',
                alignItems: 'center',
              }}
            >
              <TallLink to={`/work/jobs/${job.id}/sheet`} more={{ person: p.id }}>
                {p.name}
              </TallLink>
              <Typography variant="body2">
                {mine.length} {mine.length === 1 ? 'scene' : 'scenes'}, {load.minutes} min, with{' '}
                {tags.join(', ') || 'nothing'}
              </Typography>
              <Typography variant="body2" color={load.isHigh ? 'error' : 'textSecondary'}>
                thumb holds {Math.round(load.heldMinutes)} min
                {load.instead && `; ${load.instead.label}: ${Math.round(load.instead.heldMinutes)}`}
              </Typography>
            </Box>
          )
        })}
      </PlainList>
      {idle.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          There without a scene: {idle.map(p => p.name).join(', ')}.
        </Typography>
      )}
    </Section>
  )
}
