import { clockAt } from '@/core/jobs/clock'
import { type JobFacts, setUpWords } from '@/core/jobs/facts'
import type { Job } from '@/core/jobs/job'
import type { Planned } from '@/core/jobs/replan'
import type { UnitDay } from '@/core/jobs/station'
import { keyLasts } from '@/core/jobs/sheet'
import { slotsText } from '@/core/kit/slots'
import { gapWords } from '@/core/numeric/gap'
import { TallLink } from '@/ui/links'
import { PlainList, Section } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** More than one set-up on one day. */
const isSpeaking = (d: UnitDay): boolean => d.withoutSlots > 0

/** What is stored in the slots of each camera at home, and what that saves. */
export const Cameras = ({ job, planned, facts }: { job: Job; planned: Planned; facts: JobFacts }) => {
  const days = planned.plan.units
  if (days.length === 0) return null
  const quiet = days.filter(d => !isSpeaking(d) && !days.some(o => o.unit === d.unit && isSpeaking(o)))
  const saved = days.reduce((sum, d) => sum + d.withoutSlots - d.presses, 0)
  return (
    <Section title="Cameras, their slots and keys">
      <Typography sx={{ mb: 1, maxWidth: 'var(--line)' }}>
        Slots and keys that are filled at home save {saved} presses between scenes.
      </Typography>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', md: '1fr 1fr 1fr' } }}>
        {days.filter(isSpeaking).map(d => {
          const filled = d.slots.filter(s => s.setUp)
          const onKeys = (d.keys ?? []).filter(k => k.setUp)
          const name = facts.models.find(m => m.id === d.unit.model)?.name ?? ''
          return (
            <section key={`${d.unit.id} ${d.from}`} aria-label={`${d.unit.tag}, ${clockAt(d.from, job.timeZone).day}`}>
              <Typography variant="h3">
                {d.unit.tag}{' '}
                <Typography component="span" variant="body2" color="textSecondary">
                  {name}, {clockAt(d.from, job.timeZone).day}
                </Typography>
              </Typography>
              <PlainList component="ul">
                {filled.map(s => (
                  <li key={s.name}>
                    <Typography component="span" variant="value">
                      {s.name}
                    </Typography>{' '}
                    {s.setUp && setUpWords(s.setUp, facts.people)}
                  </li>
                ))}
                {onKeys.map(k => (
                  <li key={k.name}>
                    <Typography component="span" variant="value">
                      {k.name}
                    </Typography>{' '}
                    {k.setUp && setUpWords(k.setUp, facts.people)}, {keyLasts(k)}
                    <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
                      Set {k.row.join(' to ')}, and store the settings for it.
                    </Typography>
                  </li>
                ))}
              </PlainList>
              <Typography variant="body2" color="textSecondary">
                {d.withoutSlots > 0 && `${d.presses} presses between scenes, ${d.withoutSlots} with nothing stored. `}
                {d.withoutSlots > 0 && gapWords(d.gap)}
              </Typography>
              <OneWalk day={d} facts={facts} />
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

/** The card that fills the slots as they are planned, in one walk; what the guide answered has no card. */
const OneWalk = ({ day, facts }: { day: UnitDay; facts: JobFacts }) => {
  const body = facts.models.find(m => m.id === day.unit.model)?.body
  const wishes = day.slots.flatMap(({ name, setUp }) =>
    setUp && !setUp.isGuided ? [{ slot: name, standard: setUp.standard }] : [],
  )
  const [first] = wishes
  if (body === undefined || !first) return null
  return (
    <Typography variant="body2">
      <TallLink
        to={`/set/cards/${body}`}
        more={{ unit: day.unit.id, standard: first.standard, slots: slotsText(wishes) }}
      >
        Fill them in one walk
      </TallLink>
    </Typography>
  )
}
