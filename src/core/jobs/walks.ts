import { type Body, menuPath, type State } from '../bodies'
import { planSteps } from '../steps/plan'
import { menuCursor } from '../steps/presses'
import { type Model, SECONDS_PER_ROW, type Walk } from './facts'
import type { Pair } from './needed'

/** What it takes to go from one set-up to another on a body. */

/** Set-ups as a body is set by them. */
export interface SetTo {
  readonly key: string
  readonly state: State
  /** What this set-up turns on. */
  readonly asked: readonly string[]
}

type Steps = readonly { readonly setting: string; readonly to: string }[]
type StepsTo = (from: State, target: SetTo) => { readonly steps: Steps; readonly presses: number }

/**
 * Every row as it stands in the menu, without looking for a better order or for what has to be unlocked first: quick, and
 * an estimate until the walk itself is worked out.
 */
const roughSteps = (body: Body, all: readonly SetTo[]): StepsTo => {
  const cursor = menuCursor(body)
  const turnedBy = new Map(
    all.map(({ key, asked }) => {
      const turned = new Set(asked)
      return [key, body.settings.filter(s => turned.has(s.id))] as const
    }),
  )
  return (from, { key, state: to }) => {
    const steps: { setting: string; to: string }[] = []
    let presses = 0
    let last: Body['settings'][number] | undefined
    for (const setting of turnedBy.get(key) ?? []) {
      const [a, b] = [from[setting.id], to[setting.id]]
      if (a === b || b === undefined) continue
      presses += (last ? cursor.between(last, setting) : cursor.enter(setting)) + cursor.change(setting, a ?? b, b)
      steps.push({ setting: setting.id, to: b })
      last = setting
    }
    return { steps, presses }
  }
}

/** All walks of a body, the rows they go through, and the keys that save some of them. */
export type Walks = Pick<Model, 'walks' | 'rests' | 'rows' | 'keys'>

/**
 * From one set-up to another.
 *
 * @param to what the body is set to by a set-up when it is set to something already: it then changes no more than it has to
 * @param pairs which, by their places; from every one to every other where not given
 */
export const walksBetween = (
  body: Body,
  all: readonly SetTo[],
  to: (setUp: SetTo, from: State) => State,
  pairs: readonly Pair[] = everyPair(all.length),
): Omit<Walks, 'keys'> => between(body, all, pairs, (from, target) => planSteps(body, from, to(target, from)))

/** From every one to every other. */
export const everyPair = (n: number): readonly Pair[] =>
  Array.from({ length: n * n }, (_, i) => [i % n, Math.floor(i / n)] as const).filter(([from, to]) => from !== to)

/** One walk with the rows it goes through: kept by itself, whatever job asks for it. */
export interface PairWalk {
  readonly walk: Walk | undefined
  readonly rest: Walk | undefined
  readonly rows: Model['rows']
}

/** Walks as a plan reads them, each row named once. @param keys of the set-ups that pairs name by their places */
export const joinedWalks = (
  keys: readonly string[],
  pairs: readonly Pair[],
  found: readonly PairWalk[],
): Omit<Walks, 'keys'> => {
  const rows = new Map<string, { readonly at: number; readonly row: Model['rows'][number] }>()
  const placeOf = (row: Model['rows'][number]): number => {
    const name = JSON.stringify(row)
    const there = rows.get(name) ?? { at: rows.size, row }
    rows.set(name, there)
    return there.at
  }
  const walks: Record<string, Record<string, Walk>> = {}
  const rests: Record<string, Record<string, Walk>> = {}
  found.forEach((one, i) => {
    const [from = '', to = ''] = (pairs[i] ?? []).map(place => keys[place])
    const places = one.rows.map(placeOf)
    const moved = (walk: Walk): Walk => ({
      ...walk,
      steps: walk.steps.map(([row, option]) => [places[row] ?? 0, option] as const),
    })
    if (one.walk) (walks[from] ??= {})[to] = moved(one.walk)
    if (one.rest) (rests[from] ??= {})[to] = moved(one.rest)
  })
  return { walks, rests, rows: [...rows.values()].map(({ row }) => row) }
}

/** The same without looking for the best order. */
export const roughlyBetween = (body: Body, all: readonly SetTo[]): Omit<Walks, 'keys'> =>
  between(body, all, everyPair(all.length), roughSteps(body, all))

const between = (body: Body, all: readonly SetTo[], pairs: readonly Pair[], stepsTo: StepsTo): Omit<Walks, 'keys'> => {
  const rows: Model['rows'][number][] = []
  const rowOf = new Map<string, number>()
  const settings = new Map(body.settings.map(s => [s.id, s]))
  const indexed = (steps: Steps): Walk['steps'] =>
    steps.flatMap(s => {
      const setting = settings.get(s.setting)
      if (!setting) return []
      const at = rowOf.get(s.setting) ?? rows.length
      if (at === rows.length) {
        rows.push({ path: menuPath(body, setting), label: setting.label, options: setting.options.map(o => o.label) })
        rowOf.set(s.setting, at)
      }
      return [[at, setting.options.findIndex(o => o.id === s.to)] as const]
    })
  const walk = (from: State, target: SetTo): Walk => {
    const { steps, presses } = stepsTo(from, target)
    return { presses, seconds: steps.length * SECONDS_PER_ROW, steps: indexed(steps) }
  }
  const { stores } = body.slots
  const walks: Record<string, Record<string, Walk>> = {}
  const rests: Record<string, Record<string, Walk>> = {}
  const keptOf = ({ state }: SetTo): State | undefined =>
    stores === 'everything' || body.slots.names.length === 0
      ? undefined
      : Object.fromEntries(Object.entries(state).filter(([setting]) => stores.includes(setting)))
  const kept = all.map(keptOf)
  for (const [from, to] of pairs) {
    const [a, b] = [all[from], all[to]]
    if (!a || !b || a === b) continue
    ;(walks[a.key] ??= {})[b.key] = walk(a.state, b)
    if (kept[to]) (rests[a.key] ??= {})[b.key] = walk({ ...a.state, ...kept[to] }, b)
  }
  return { walks, rests, rows }
}
