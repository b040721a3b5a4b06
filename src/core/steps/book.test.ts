import { describe, it } from 'vitest'
import { expectBook, sure } from '../../../test/fixtures/book'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt, choiceWordsById, factoryState, type State } from '../bodies'
import { listedBy, resolve } from '../resolve'
import type { Standard } from '../standards'
import { planSlots, planSteps, type StepPlan } from './plan'

/** The walks of the cards of the demo, step by step, as they are printed. */

const newest = demoBodies().map(b => bodyAt(b, b.firmware.to))
const standard = (id: string): Standard => sure(demoStandards().find(s => s.id === id))

const planned = (b: Body, plan: StepPlan): readonly string[] => [
  `${plan.presses} presses of at least ${plan.fewest}, ${plan.pressesInMenuOrder} in menu order, ${plan.pressesAsListed} as listed, best: ${plan.isBest}`,
  ...plan.stuck.map(s => `stuck: ${choiceWordsById(b, s.setting, s.to)}: ${s.rules.join(' ')}`),
  ...plan.steps.map(
    s =>
      `${s.setting}: ${s.from} > ${s.to}${s.nth ? ` again ${s.nth}` : ''}${s.isPassing ? ' on the way' : ''}; unlocks ${s.unlocks.join(', ')}; follows ${s.follows.map(f => `${f.setting} ${f.to}`).join(', ')}; ${s.against.join(' ')}`,
  ),
]

describe('the book of walks', () => {
  it('goes from the factory to a standard, from there to another, and looks at what nobody has seen', () =>
    expectBook(
      'walks',
      newest.slice(0, 7).flatMap(b => {
        const [ring, rope] = ['ring-action', 'high-rope'].map(id => resolve(b, standard(id)))
        const unseen = new Set(b.settings.filter((_, i) => i % 3 === 0).map(s => s.id))
        return [
          `# ${b.model}`,
          ...planned(b, planSteps(b, factoryState(b), sure(ring).state, { listed: listedBy(sure(ring)) })),
          '- and on',
          ...planned(b, planSteps(b, sure(ring).state, sure(rope).state)),
          '- unseen',
          ...planned(b, planSteps(b, sure(ring).state, sure(ring).state, { unseen })),
        ]
      }),
    ))

  it('fills memory slots in one walk', () =>
    expectBook(
      'slots',
      newest.slice(0, 5).flatMap(b => {
        const slots = ['ring-action', 'high-rope', 'talk-on-camera'].map(id => ({
          slot: id,
          to: (known: State) => resolve(b, standard(id), { known }).state,
        }))
        return planSlots(b, factoryState(b), slots).flatMap(({ slot, plan }) => [
          `# ${b.model}, ${slot}`,
          ...planned(b, plan),
        ])
      }),
    ))

  it('finds its way on bodies that chance has made', () =>
    expectBook(
      'made-walks',
      Array.from({ length: 30 }, (_, i) => i + 1).flatMap(seed => {
        const b = generateBody(seed, { settings: 8, rules: 7 })
        const [to, from] = [seed, seed + 1000].map(n => resolve(b, generateStandard(n, 12)).state)
        return [`# ${seed}`, ...planned(b, planSteps(b, sure(from), sure(to)))]
      }),
    ))
})
