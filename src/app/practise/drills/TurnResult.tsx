import { FAULT_WORDS, type JudgedTurn } from '@/core/drills/recompose'
import { Typography } from '@/ui/elements'
import { Section } from '@/ui/pieces'
import { Lines } from './DrillFrame'

/** What a turn came to, and what was not right about it. */
export const TurnResult = ({ judged }: { judged: JudgedTurn }) => {
  const cm = (metres: number) => `${(metres * 100).toFixed(1)} cm`
  return (
    <Section title="This try">
      <Typography role="status" variant="strong">
        {judged.faults.length === 0 ? 'Right.' : 'Not yet.'} Turned {judged.angle.toFixed(1)}° of{' '}
        {judged.wanted.toFixed(1)}°, swayed by {judged.sway.toFixed(1)}°.
      </Typography>
      <Typography sx={{ maxWidth: 'var(--line)' }}>
        The plane moved {cm(judged.shift)} behind the subject; {cm(judged.front)} are sharp in front of it. Leaning
        toward or away would add to that directly; it is not measured here.
      </Typography>
      <Lines lines={judged.faults.map(f => ({ key: f, isRight: false, words: FAULT_WORDS[f] }))} />
    </Section>
  )
}
