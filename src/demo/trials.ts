import {
  blocksOf,
  type Count,
  JUDGEMENTS,
  REASONS,
  type Trial,
  TRIAL_FORMAT,
  type TrialPlan,
} from '../core/evidence/trial'
import { type Random, random } from '../core/numeric/random'

/** Made-up trials, counted by chance from shares that are known: one finished by two people, one half done. */

interface Truth {
  /** The share that each way keeps in each situation, ways outside. */
  readonly kept: readonly (readonly number[])[]
  /** Seconds to acquire, in the middle, of each way. */
  readonly seconds: readonly number[]
}

const FINISHED: TrialPlan = {
  name: 'Thumb start or shutter start for tumblers?',
  ways: [
    { id: 'thumb', name: 'Thumb start', standard: 'ring-action' },
    { id: 'shutter', name: 'Shutter start', standard: 'house-baseline' },
  ],
  situations: [
    { id: 'towards', name: 'Tumbler towards the camera' },
    { id: 'across', name: 'Riders across, others between' },
  ],
  unit: 'TSP-S1',
  about: 'trigger.start',
  expected: 0.75,
  matters: 0.15,
  passes: 30,
  rounds: 2,
  secondsAPass: 12,
  seed: 12,
}
const FINISHED_TRUTH: Truth = {
  kept: [
    [0.92, 0.84],
    [0.74, 0.56],
  ],
  seconds: [0.4, 0.5],
}

const HALF: TrialPlan = {
  name: 'How large an area for the high rope?',
  ways: [
    { id: 'point', name: 'Single point', how: 'Area: the smallest.' },
    { id: 'small', name: 'Small cluster', how: 'Area: a few points.' },
    { id: 'wide', name: 'Whole frame', how: 'Area: everything, people found.' },
  ],
  situations: [{ id: 'rope', name: 'Walker against the lamps' }],
  unit: 'TSP-L1',
  about: 'area.pattern',
  expected: 0.8,
  matters: 0.1,
  passes: 20,
  rounds: 2,
  secondsAPass: 15,
  seed: 30,
}
const HALF_TRUTH: Truth = { kept: [[0.7], [0.84], [0.78]], seconds: [0.7, 0.5, 0.6] }

const judgementOf = (kept: number, chance: Random): Count['judgement'] =>
  chance.chance(kept) ? 'sharp' : chance.chance(0.7) ? 'soft' : 'missed'

/** Passes of all blocks up to one, a pass every so many seconds; a second counter sees most of them the same. */
const counted = (plan: TrialPlan, truth: Truth, from: string, until: number, by: readonly string[]): Trial => {
  const chance = random(plan.seed + 1)
  let at = Date.parse(from)
  const counts = blocksOf(plan).flatMap(({ way, situation }, block): Count[] => {
    if (block >= until) return []
    const kept = truth.kept[plan.ways.indexOf(way)]?.[plan.situations.indexOf(situation)] ?? 0
    const middle = truth.seconds[plan.ways.indexOf(way)] ?? 0.5
    at += 60_000
    return Array.from({ length: plan.passes }, (_, pass) => {
      at += plan.secondsAPass * 1000
      const judgement = judgementOf(kept, chance)
      const seconds = Number((middle * (0.6 + 1.1 * chance.next() ** 2)).toFixed(2))
      return by.map((counter, i): Count => {
        const seen = i === 0 || chance.chance(0.92) ? judgement : chance.pick(JUDGEMENTS)
        return {
          id: `demo-${plan.seed}-${block}-${pass}-${i}`,
          block,
          counter,
          judgement: seen,
          ...(seen === 'sharp' ? {} : { reason: chance.pick(REASONS) }),
          ...(seen === 'sharp' && i === 0 ? { seconds } : {}),
          made: new Date(at + i).toISOString(),
        }
      })
    }).flat()
  })
  return { format: TRIAL_FORMAT, ...plan, counts, notes: [] }
}

export const demoTrials = (): readonly { readonly by: string; readonly trial: Trial }[] => [
  {
    by: 'Imelda Frost',
    trial: counted(FINISHED, FINISHED_TRUTH, '2026-10-12T14:00:00.000Z', 8, ['Imelda Frost', 'Tobiah Lark']),
  },
  { by: 'Tobiah Lark', trial: counted(HALF, HALF_TRUTH, '2026-11-18T10:00:00.000Z', 3, ['Tobiah Lark']) },
]
