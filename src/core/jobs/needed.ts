import type { JobFacts, Model } from './facts'
import type { JobPlan } from './station'

/**
 * How much is asked for: what a plan comes to depend on as it stands, or whatever it may once a scene is moved or dropped
 * where there is no network to ask again.
 */
export type Scope = 'as planned' | 'whatever comes'

/** Walks that a plan needs on a model: from one to another of these set-ups, by their places in the list. */
export interface Needed {
  readonly model: string
  readonly setUps: readonly string[]
  readonly pairs: readonly Pair[]
}

export type Pair = readonly [from: number, to: number]

/**
 * Between which scenes of a camera something may be walked: from one to the next. From what came earlier as well, where a
 * key is held or on in between; from anything at all, where a slot that keeps everything may be walked on from.
 */
const mayFollow = ({ isWhole, slots, keys = [] }: Model, i: number, j: number): boolean =>
  (isWhole && slots.length > 0) || i + 1 === j || (keys.length > 0 && i < j)

/** The walks between what each camera is set to on one day; the most first, as those worked on together take about as long. */
export const neededWalks = (
  { units, stations }: JobPlan,
  { models }: Pick<JobFacts, 'models'>,
  scope: Scope,
): readonly Needed[] => {
  const all = new Map<string, Map<string, readonly [from: string, to: string]>>()
  for (const day of units) {
    const model = models.find(m => m.id === day.unit.model)
    if (!model) continue
    const asked = stations
      .filter(s => s.unit?.id === day.unit.id && s.scene.from >= day.from && s.scene.until <= day.until)
      .toSorted((a, b) => a.scene.from - b.scene.from)
      .flatMap(s => s.setUp?.key ?? [])
    const mine = all.get(model.id) ?? new Map<string, readonly [from: string, to: string]>()
    all.set(model.id, mine)
    asked.forEach((from, i) =>
      asked.forEach((to, j) => {
        if (from !== to && (scope === 'whatever comes' || mayFollow(model, i, j)))
          mine.set(JSON.stringify([from, to]), [from, to])
      }),
    )
  }
  return [...all]
    .flatMap(([model, walks]): Needed[] => {
      const setUps = [...new Set([...walks.values()].flat())].sort()
      const pairs = [...walks.values()].map(([from, to]) => [setUps.indexOf(from), setUps.indexOf(to)] as const)
      return pairs.length ? [{ model, setUps, pairs: pairs.sort(([a, b], [c, d]) => a - c || b - d) }] : []
    })
    .toSorted((a, b) => b.pairs.length - a.pairs.length)
}

/** As an address says it: `0-1 1-2`. */
export const pairsText = (pairs: readonly Pair[]): string => pairs.map(pair => pair.join('-')).join(' ')

/** From what {@link pairsText} wrote. */
export const pairsFrom = (text: string): readonly Pair[] =>
  text.split(' ').map(pair => {
    const [from, to] = pair.split('-')
    return [Number(from), Number(to)]
  })
