import type { CostParts, MappedBody } from '@/core/controls/fleet'
import type { FunctionId } from '@/core/functions/functions'
import type { Plan } from '@/core/functions/plan'
import { dimension } from '@/core/vocabulary/dimensions'
import { type Place, PLACES } from '@/core/vocabulary/places'
import { Facts } from '@/ui/pieces'
import { presses } from './BodyMap'
import { Typography } from '@/ui/elements'

const PART_WORDS: Readonly<Record<keyof CostParts, string>> = {
  effort: 'reaching and holding',
  binding: 'another area or subject than wanted',
  relearning: 'learnt anew',
  away: 'away from its home',
  leftOut: 'left out',
}

/** What one body's map costs the hand, function by function. */
export const CostPanel = ({
  mapped: { body, placed, sliding, cost },
  plan,
  house,
}: {
  mapped: MappedBody
  plan: Plan
  house: Readonly<Record<FunctionId, Place>>
}) => (
  <>
    <Typography variant="h2">
      {body.model} {presses(cost)}
    </Typography>
    <Typography sx={{ mt: 1 }}>
      What the hand does in an hour, counted in presses of the easiest thumb button. Each use costs the reach of its
      place and the time it is held; the rest is what confuses or slows the hand.
    </Typography>
    {placed.map(p => {
      const home = house[p.function]
      const use = plan.uses.find(u => u.function === p.function)
      const facts = (Object.entries(p.parts) as [keyof CostParts, number][])
        .filter(([, n]) => n > 0)
        .map(([part, n]) => ({ name: PART_WORDS[part], value: presses(n) }))
      return (
        <section key={p.function} aria-label={dimension(p.function).label}>
          <Typography variant="h3" sx={{ mt: 2 }}>
            {dimension(p.function).label}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {use?.perHour ?? 0} uses an hour, {use?.secondsEach ? `${use.secondsEach} s each` : 'tapped'}
            {home ? `; at home ${PLACES[home].label}` : ''}
          </Typography>
          <Facts facts={facts} />
        </section>
      )
    })}
    {sliding > 0 && <Facts facts={[{ name: 'sliding from one to the next', value: presses(sliding) }]} />}
  </>
)
