import { availability, type Body, type Setting, type State } from '../bodies'
import type { MenuCursor } from './presses'
import { changed, goesDark, rulesAgainst, type Unseen, unseenAfter } from './moves'

/**
 * What has to be set falls into parts that no rule connects. Each is a small map of its own: the places are what its
 * settings are at, the ways from one to the next are the changes a person can make there, the body's own changes
 * included. A walk through the menus takes a way through every part at once; only the presses between settings depend
 * on how these are interleaved.
 */

export interface Move {
  /** The setting that is changed, and the option that is taken. */
  readonly setting: string
  readonly option: string
  /** The place it leads to. */
  readonly next: number
  /** Presses once there. */
  readonly presses: number
  /** It leaves the body without a press that focuses. */
  readonly isDark: boolean
}

export interface Place {
  readonly moves: readonly Move[]
  /** What it takes from here at least, see `wayOf`; Infinity where nothing leads on. */
  readonly left: number
}

export interface Part {
  /** The first place is where it begins, the last one where everything is as wanted. */
  readonly places: readonly Place[]
  readonly goal: number
  /** Settings that have to be touched on every way, each with the least presses that takes. */
  readonly needed: readonly { readonly setting: string; readonly presses: number }[]
  /** How many ways there are to set its settings; 2 for one that nothing is tied to. */
  readonly combinations: number
  /** Every change that the body allows was looked at, so that no other way exists. */
  readonly isWhole: boolean
  /** What cannot be brought about at all, and the rules that hold it up. */
  readonly stuck: readonly { readonly setting: string; readonly option: string; readonly rules: readonly string[] }[]
}

/** A moment without focus weighs more than any number of changes. */
export const DARK = 1000

/** What a move costs where presses do not count. */
export const wayOf = (m: Move): number => 1 + (m.isDark ? DARK : 0)

/**
 * A part with more places than this is not looked at as a whole; one that leads nowhere is looked at more closely. Beyond
 * so many places a search goes on only until it has found one way, and no search spends more than so much work, in rules
 * looked at: a profile that ties everything to everything must not hold up everybody else.
 */
const MOST = { whole: 600, direct: 3000, desperate: 20_000, work: 4_000_000 } as const

const startsFocus = (s: Setting, options: readonly (string | undefined)[]): boolean =>
  s.options.some(
    o =>
      options.includes(o.id) &&
      (o.means['trigger.shutter'] === 'starts-af' ||
        o.means['trigger.start'] !== undefined ||
        o.means['trigger.second'] !== undefined),
  )

export interface Closeness {
  /** Every change that the body allows is looked at where there are few, or only those that lead straight on. */
  readonly changes: 'any' | 'direct'
  /** Focusing hangs on what starts it here or there, or on all that could be given that work on the way. */
  readonly focus: 'used' | 'any'
}

const focusing = (s: Setting, from: State, to: State, { focus }: Closeness): boolean =>
  startsFocus(s, focus === 'any' ? s.options.map(o => o.id) : [from[s.id], to[s.id]])

/** Whether all that could be given the work of starting focus can be looked at as a whole. */
export const isFocusSmall = (body: Body, from: State, to: State): boolean =>
  linked(body, from, to, { changes: 'any', focus: 'any' })
    .filter(group =>
      group.some(s =>
        startsFocus(
          s,
          s.options.map(o => o.id),
        ),
      ),
    )
    .every(group => combinations(group) <= MOST.whole)

/** Settings that stand in one rule, directly or through others, and those that focusing hangs on. */
const linked = (body: Body, from: State, to: State, closeness: Closeness): readonly (readonly Setting[])[] => {
  const parent = new Map(body.settings.map(s => [s.id, s.id]))
  const find = (id: string): string => {
    const up = parent.get(id) ?? id
    return up === id ? id : find(up)
  }
  const join = (ids: readonly string[]) => ids.forEach(id => parent.set(find(id), find(ids[0] ?? id)))
  for (const r of body.rules) join([r.then.setting, ...r.when.map(c => c.setting)])
  join(body.settings.filter(s => focusing(s, from, to, closeness)).map(s => s.id))
  const groups = new Map<string, Setting[]>()
  for (const s of body.settings) {
    const group = groups.get(find(s.id))
    if (group) group.push(s)
    else groups.set(find(s.id), [s])
  }
  return [...groups.values()]
}

interface Draft {
  readonly state: State
  readonly unseen: Unseen
  moves: Move[] | undefined
  /** What it took to get here. */
  cost: number
}

interface Task {
  /** The body with nothing but this part's settings and rules. */
  readonly body: Body
  readonly settings: readonly Setting[]
  readonly from: State
  readonly to: State
  readonly unseen: Unseen
  readonly walk: MenuCursor
  /** Settings that are greyed out in the end do nothing, whatever they are at. */
  readonly idle: ReadonlySet<string>
}

/** What is still to be done at a place: settings that are otherwise than wanted or that nobody has seen. */
const undone = ({ settings, to, idle }: Task, state: State, unseen: Unseen): readonly Setting[] =>
  settings.filter(s => (state[s.id] !== to[s.id] && !idle.has(s.id)) || unseen.has(s.id))

/** Places in the order in which they are looked at: the least cost so far and the least still to be done first. */
class Frontier {
  private readonly byRank = new Map<number, number[]>()
  private least = 0

  add(place: number, rank: number): void {
    const list = this.byRank.get(rank)
    if (list) list.push(place)
    else this.byRank.set(rank, [place])
    this.least = Math.min(this.least, rank)
  }

  next(): number | undefined {
    while (this.byRank.size) {
      const list = this.byRank.get(this.least)
      const place = list?.pop()
      if (place !== undefined) return place
      this.byRank.delete(this.least)
      if (this.byRank.size) this.least = Math.min(...this.byRank.keys())
    }
    return undefined
  }
}

interface Grown {
  readonly drafts: readonly Draft[]
  readonly goals: ReadonlySet<number>
  readonly isComplete: boolean
}

/** Looks at places from the beginning on, up to so many. */
const grow = (task: Task, which: 'direct' | 'any', most: number): Grown => {
  const { body, from, to, settings, walk } = task
  const drafts: Draft[] = [{ state: from, unseen: task.unseen, moves: undefined, cost: 0 }]
  const keyOf = (state: State, unseen: Unseen) =>
    `${settings.map(s => state[s.id]).join('|')}#${unseen.size ? [...unseen].sort().join() : ''}`
  const known = new Map([[keyOf(from, task.unseen), 0]])
  const frontier = new Frontier()
  const goals = new Set<number>()
  frontier.add(0, 0)
  let work = 0
  for (let at = frontier.next(); at !== undefined; at = frontier.next()) {
    const here = drafts[at]
    if (!here || here.moves) continue
    here.moves = []
    const left = undone(task, here.state, here.unseen)
    if (left.length === 0) {
      goals.add(at)
      continue
    }
    const isEnough = drafts.length >= most && (goals.size > 0 || which === 'any')
    if (isEnough || work > MOST.work) return { drafts, goals, isComplete: false }
    const tried = which === 'any' ? settings : left
    for (const setting of tried) {
      const wanted = to[setting.id] ?? setting.default
      const options = which === 'any' ? setting.options.map(o => o.id) : [wanted]
      for (const option of options) {
        const now = here.state[setting.id] ?? setting.default
        const isLook = option === now && here.unseen.has(setting.id)
        if (option === now && !isLook) continue
        work += body.rules.length + settings.length
        const { after, against } = changed(body, here.state, setting.id, option)
        if (against.length) continue
        const unseen = unseenAfter(body, after, here.unseen, setting.id)
        const key = keyOf(after, unseen)
        let next = known.get(key)
        if (next === at) continue
        if (next === undefined) {
          next = drafts.push({ state: after, unseen, moves: undefined, cost: Infinity }) - 1
          known.set(key, next)
        }
        const presses = walk.change(setting, now, option)
        const move = { setting: setting.id, option, next, presses, isDark: goesDark(body, here.state, after) }
        here.moves.push(move)
        const draft = drafts[next]
        const cost = here.cost + wayOf(move)
        if (draft && cost < draft.cost && !draft.moves) {
          draft.cost = cost
          frontier.add(next, cost + undone(task, after, unseen).length)
        }
      }
    }
  }
  return { drafts, goals, isComplete: true }
}

/** The places that lead to the end, with the end as one place, the last. */
const placesOf = ({ drafts, goals }: Grown): { places: readonly Place[]; goal: number } => {
  const left = drafts.map((_, i) => (goals.has(i) ? 0 : Infinity))
  const arrivals = drafts.map((): { from: number; way: number }[] => [])
  drafts.forEach((d, from) => d.moves?.forEach(m => arrivals[m.next]?.push({ from, way: wayOf(m) })))
  const frontier = new Frontier()
  for (const g of goals) frontier.add(g, 0)
  const done = new Set<number>()
  for (let at = frontier.next(); at !== undefined; at = frontier.next()) {
    // Stryker disable next-line ConditionalExpression: it only takes longer
    if (done.has(at)) continue
    done.add(at)
    for (const { from, way } of arrivals[at] ?? []) {
      const sum = (left[at] ?? 0) + way
      if (sum >= (left[from] ?? 0)) continue
      left[from] = sum
      frontier.add(from, sum)
    }
  }
  const kept = drafts.flatMap((_, i) => (i === 0 || (left[i] !== Infinity && !goals.has(i)) ? [i] : []))
  const position = new Map(kept.map((i, at) => [i, at]))
  const goal = kept.length
  const at = (i: number) => (goals.has(i) ? goal : position.get(i))
  const places = kept.map((i): Place => {
    const moves = drafts[i]?.moves ?? []
    return {
      left: left[i] ?? Infinity,
      moves: moves.flatMap(m => {
        const next = at(m.next)
        return next === undefined ? [] : [{ ...m, next }]
      }),
    }
  })
  return { places: [...places, { left: 0, moves: [] }], goal }
}

/** Settings that no rule can bring to what is wanted: a person has to. */
const neededIn = (task: Task): Part['needed'] => {
  const { body, from, to, unseen, walk } = task
  return undone(task, from, unseen).flatMap(s => {
    const wanted = to[s.id] ?? s.default
    const now = from[s.id] ?? s.default
    const pulls = body.rules.filter(r => r.then.effect === 'forced' && r.then.setting === s.id)
    if (pulls.some(r => r.then.effect === 'forced' && r.then.option === wanted)) return []
    // Where rules pull it about, the last change may be a shorter one than from where it is now.
    const others = s.options.filter(o => o.id !== wanted).map(o => walk.change(s, o.id, wanted))
    const presses = pulls.length ? Math.min(...others, walk.change(s, now, wanted)) : walk.change(s, now, wanted)
    return [{ setting: s.id, presses }]
  })
}

/** What is left where the end is out of reach: the place that comes nearest, and why it goes no further. */
const stuckIn = (task: Task, { drafts }: Grown): { readonly nearest: number; readonly stuck: Part['stuck'] } => {
  const left = drafts.map(d => undone(task, d.state, d.unseen))
  const nearest = left.reduce((best, l, i) => (l.length < (left[best]?.length ?? 0) ? i : best), 0)
  const state = drafts[nearest]?.state ?? task.from
  const stuck = (left[nearest] ?? []).map(s => {
    const option = task.to[s.id] ?? s.default
    const rules = rulesAgainst(task.body, state, s.id, option)
    // Where it could be set and something else then moves away, the rules that pull are what holds it up.
    const pulling = task.body.rules.filter(r => r.then.effect === 'forced' && r.when.some(c => c.setting === s.id))
    return { setting: s.id, option, rules: [...new Set((rules.length ? rules : pulling).map(r => r.words))] }
  })
  return { nearest, stuck }
}

const combinations = (settings: readonly Setting[]): number => settings.reduce((n, s) => n * s.options.length, 1)

const partOf = (task: Task, { changes }: Closeness): Part => {
  const needed = neededIn(task)
  // A setting that nothing is tied to is touched once: touching it twice never makes a way shorter.
  const isAlone = task.settings.length === 1 && task.body.rules.length === 0
  const all = isAlone ? 2 : combinations(task.settings)
  const result = (grown: Grown, isWhole: boolean): Part => ({
    ...placesOf(grown),
    needed,
    combinations: all,
    isWhole,
    stuck: [],
  })
  if (changes === 'any' && !isAlone && all <= MOST.whole) {
    const grown = grow(task, 'any', 2 * MOST.whole)
    if (grown.goals.size) return result(grown, grown.isComplete)
  }
  const direct = grow(task, 'direct', MOST.direct)
  if (direct.goals.size) return result(direct, isAlone)
  const any = grow(task, 'any', MOST.desperate)
  if (any.goals.size) return result(any, any.isComplete)
  const { nearest, stuck } = stuckIn(task, any)
  if (nearest === 0)
    return { places: [{ left: 0, moves: [] }], goal: 0, needed: [], combinations: all, isWhole: false, stuck }
  return { ...placesOf({ ...any, goals: new Set([nearest]) }), needed: [], combinations: all, isWhole: false, stuck }
}

/**
 * The parts of a walk from one state of a body to another; only those in which something has to be done.
 *
 * @param unseen settings that have to be looked at, whatever they are assumed to be at
 */
export const partsOf = (
  body: Body,
  from: State,
  to: State,
  unseen: Unseen,
  walk: MenuCursor,
  closeness: Closeness,
): readonly Part[] =>
  linked(body, from, to, closeness).flatMap(settings => {
    const ids = new Set(settings.map(s => s.id))
    const mine = new Set([...unseen].filter(id => ids.has(id)))
    if (settings.every(s => from[s.id] === to[s.id]) && mine.size === 0) return []
    const startsHere = settings.some(s => focusing(s, from, to, closeness))
    const part: Body = {
      ...body,
      // What is not of this part stays as it is; what the body always does may focus as well.
      settings: startsHere ? [...settings] : [],
      fixed: startsHere ? body.fixed : [],
      rules: body.rules.filter(r => ids.has(r.then.setting)),
    }
    const of = (state: State): State => Object.fromEntries(settings.map(s => [s.id, state[s.id] ?? s.default]))
    const idle = new Set(availability(part, of(to)).unavailable.keys())
    const task: Task = { body: part, settings, from: of(from), to: of(to), unseen: mine, walk, idle }
    return undone(task, task.from, task.unseen).length ? [partOf(task, closeness)] : []
  })
