import { expect, it } from 'vitest'
import { factsFor, house, jobWith, KEYS } from '../../../test/fixtures/job-facts'
import { random } from '../numeric/random'
import type { JobFacts, Model } from './facts'
import { neededWalks, pairsFrom, pairsText } from './needed'
import { planThrough } from './replan'

const RECALLS = {
  name: 'Heel',
  isToggled: true,
  row: ['Heel does', 'Other set'] as const,
  reaches: { ring: ['rope'], rope: ['ring', 'night'], night: ['ring'] },
}
const KINDS: readonly Partial<Model>[] = [
  { isWhole: true },
  { isWhole: true, slots: [] },
  { isWhole: false },
  { isWhole: false, keys: [RECALLS] },
  { isWhole: false, slots: [], keys: [{ ...RECALLS, isToggled: false }] },
]

/** A day of one camera, with walks of any length. */
const made = (seed: number, kind: Partial<Model>) => {
  const r = random(seed)
  const scenes = Array.from({ length: 7 }, (_, i) => ({
    [`s${i}`]: {
      at: `${12 + i}:00`,
      minutes: r.pick([5, 58]),
      standard: r.pick(KEYS),
      who: [['ottoline-marsh', 's1']] as const,
    },
  }))
  const job = jobWith(Object.assign({}, ...scenes) as Parameters<typeof jobWith>[0])
  const table = (): Model['walks'] =>
    Object.fromEntries(
      KEYS.map(from => [
        from,
        Object.fromEntries(KEYS.map(to => [to, { presses: 5 + Math.floor(40 * r.next()), seconds: 20, steps: [] }])),
      ]),
    )
  const models = house().models.map(m => ({ ...m, ...kind, walks: table(), rests: kind.isWhole ? {} : table() }))
  return { job, facts: factsFor(job, { models }) }
}

/** Whatever is not needed costs nothing, or very much: a plan that looked at it would be another. */
const spoilt = (facts: JobFacts, needed: ReturnType<typeof neededWalks>, presses: number): JobFacts => ({
  ...facts,
  models: facts.models.map(m => {
    const asked = needed.find(n => n.model === m.id)
    const isNeeded = (from: string, to: string) =>
      asked?.pairs.some(([a, b]) => asked.setUps[a] === from && asked.setUps[b] === to) === true
    const spoil = (walks: Model['walks']): Model['walks'] =>
      Object.fromEntries(
        Object.entries(walks).map(([from, row]) => [
          from,
          Object.fromEntries(Object.entries(row).map(([to, w]) => [to, isNeeded(from, to) ? w : { ...w, presses }])),
        ]),
      )
    return { ...m, walks: spoil(m.walks), rests: spoil(m.rests) }
  }),
})

it('names every walk that a plan may come to depend on', () => {
  let spared = 0
  KINDS.forEach((kind, k) => {
    for (let seed = 1; seed <= 30; seed++) {
      const { job, facts } = made(100 * k + seed, kind)
      const { plan } = planThrough(job, facts, [])
      const needed = neededWalks(plan, facts, 'as planned')
      const all = needed.reduce((n, { setUps }) => n + setUps.length * (setUps.length - 1), 0)
      // On the way, where nobody can ask, whatever may come is there.
      const carried = neededWalks(plan, facts, 'whatever comes')
      expect(carried.reduce((n, { pairs }) => n + pairs.length, 0)).toBe(all)
      spared += all - needed.reduce((n, { pairs }) => n + pairs.length, 0)
      for (const presses of [0, 9999]) {
        const other = planThrough(job, spoilt(facts, needed, presses), []).plan
        expect(other.units[0]?.presses, `kind ${k}, day ${seed}`).toBe(plan.units[0]?.presses)
        expect(other.stations.map(s => s.change)).toEqual(plan.stations.map(s => s.change))
      }
    }
  })
  expect(spared).toBeGreaterThan(30)
})

it('comes out of an address as it went in', () => {
  expect(
    pairsFrom(
      pairsText([
        [0, 1],
        [12, 3],
      ]),
    ),
  ).toEqual([
    [0, 1],
    [12, 3],
  ])
})
