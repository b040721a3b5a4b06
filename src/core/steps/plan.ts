import { type Body, inMenuOrder, type State } from '../bodies'
import {
  type SettingChange,
  improved,
  inOrder,
  nearestFirst,
  type OrderProblem,
  orderProblem,
  walked,
  weigh,
} from './order'
import { bestOrder, fewestPresses, MOST_IN_CIRCLES } from './order-exact'
import { type Closeness, isFocusSmall, type Part, partsOf } from './parts'
import { menuCursor } from './presses'
import { type Step, stepsOf, type Unseen } from './walk'

/** The steps of a card in the order that takes the fewest presses, and what they would take in other orders. */
export interface StepPlan {
  readonly steps: readonly Step[]
  readonly presses: number
  /** No walk takes fewer, whatever it touches and in whatever order. */
  readonly fewest: number
  readonly isBest: boolean
  /** In the order of the menu, and in the order in which the standard lists what it wants. */
  readonly pressesInMenuOrder: number
  readonly pressesAsListed: number
  /** What no order of changes brings about, and the rules that hold it up; it stands last among the steps. */
  readonly stuck: readonly { readonly setting: string; readonly to: string; readonly rules: readonly string[] }[]
}

export interface StepOptions {
  /** Settings in the order in which the standard asks for what they bring about. */
  readonly listed?: readonly string[] | undefined
  /** Settings that have to be looked at, whatever they are assumed to be at. */
  readonly unseen?: Unseen | undefined
}

const NONE_UNSEEN: Unseen = new Set()

/**
 * The walk through the menus of a body from one state to another: which settings to touch, in which order. What the body
 * pulls along by its rules is not touched again, a setting that frees another comes before it, and the body is not left
 * without a press that focuses where an order avoids that. Every plan is walked to its end before it is given out.
 *
 * Exact where there are few enough situations; beyond, improved from several beginnings, with a bound below.
 *
 * @param body at the firmware that runs
 */
export const planSteps = (
  body: Body,
  from: State,
  to: State,
  { listed = [], unseen = NONE_UNSEEN }: StepOptions = {},
): StepPlan => {
  const walk = menuCursor(body)
  const menu = inMenuOrder(body)
  const menuRank = new Map(menu.map((s, i) => [s.id, i]))
  const listRank = new Map(listed.map((id, i) => [id, i - listed.length]))
  const rankOf = (id: string) => menuRank.get(id) ?? 0
  const attempt = (closeness: Closeness): Attempt => {
    const parts = partsOf(body, from, to, unseen, walk, closeness)
    const problem = orderProblem(parts, menu, walk)
    const byMenu = inOrder(problem, rankOf)
    const asListed = listed.length ? inOrder(problem, id => listRank.get(id) ?? rankOf(id)) : byMenu
    const exact = bestOrder(problem)
    const others = () => [byMenu, asListed, nearestFirst(problem)].map(o => improved(problem, o))
    const best = exact ?? others().reduce((a, b) => (costOf(problem, b) < costOf(problem, a) ? b : a))
    const { presses } = walked(problem, best)
    const { steps, dark } = stepsOf(body, from, best)
    const stuck = parts.flatMap(p => p.stuck)
    const isProven = exact !== undefined && dark === 0 && stuck.length === 0 && parts.every(p => p.isWhole)
    return {
      steps,
      stuck,
      dark,
      presses,
      isExact: exact !== undefined,
      isSmall: parts.reduce((n, p) => n * p.combinations, problem.settings.length + 1) <= MOST_IN_CIRCLES,
      fewest: isProven ? presses : Math.min(presses, fewestPresses(problem)),
      pressesInMenuOrder: walked(problem, byMenu).presses,
      pressesAsListed: walked(problem, asListed).presses,
    }
  }
  let chosen = attempt({ changes: 'direct', focus: 'used' })
  const instead = (closeness: Closeness) => {
    const other = attempt(closeness)
    const isLess = other.dark < chosen.dark || (other.dark === chosen.dark && other.presses < chosen.presses)
    const fewest = other.isExact ? other.fewest : Math.min(chosen.fewest, other.fewest)
    if (isLess) chosen = { ...other, fewest }
    else if (other.dark === chosen.dark && other.fewest <= chosen.presses)
      chosen = { ...chosen, fewest: Math.max(chosen.fewest, other.fewest) }
  }
  if (chosen.fewest < chosen.presses && chosen.isSmall) instead({ changes: 'any', focus: 'used' })
  if (chosen.dark > 0 && isFocusSmall(body, from, to)) instead({ changes: 'any', focus: 'any' })
  const { steps, stuck, presses, fewest, pressesInMenuOrder, pressesAsListed } = chosen
  return {
    steps: [...steps, ...stuckSteps(from, stuck)],
    presses,
    fewest,
    isBest: fewest === presses,
    pressesInMenuOrder,
    pressesAsListed,
    stuck: stuck.map(s => ({ setting: s.setting, to: s.option, rules: s.rules })),
  }
}

const costOf = (problem: OrderProblem, changes: readonly SettingChange[]): number => weigh(walked(problem, changes))

interface Attempt extends Pick<StepPlan, 'presses' | 'fewest' | 'pressesInMenuOrder' | 'pressesAsListed'> {
  readonly steps: readonly Step[]
  readonly stuck: Part['stuck']
  readonly dark: number
  readonly isExact: boolean
  /** Every change that the body allows can be looked at. */
  readonly isSmall: boolean
}

/** What stays undone is still told, with what holds it up. */
const stuckSteps = (
  from: State,
  stuck: readonly (Omit<SettingChange, 'part'> & { rules: readonly string[] })[],
): Step[] =>
  stuck.map(({ setting, option, rules }) => ({
    setting,
    from: from[setting] ?? option,
    to: option,
    unlocks: [],
    follows: [],
    nth: 0,
    isPassing: false,
    against: [`No order of changes was found that brings this about. ${rules.join(' ')}`.trim()],
  }))

/** One stop of a walk that fills several memory slots. */
export interface SlotPlan {
  readonly slot: string
  readonly plan: StepPlan
}

/** Slots that one walk fills are few, so that every order of them can be tried. */
export const MOST_SLOTS = 6

/**
 * Several memory slots in one walk: each is stored once everything that belongs in it is set, and the next begins from
 * there. The order of the slots is the one with the fewest presses.
 *
 * @param slots what belongs in each, as it comes out for a body that is set to something already
 * @param unseen settings that nobody has seen; the first stop looks at them
 * @throws RangeError for more slots than six
 */
export const planSlots = (
  body: Body,
  from: State,
  slots: readonly { readonly slot: string; readonly to: (from: State) => State }[],
  unseen?: Unseen,
): readonly SlotPlan[] => {
  if (slots.length > MOST_SLOTS) throw new RangeError(`${slots.length} slots in one walk; at most ${MOST_SLOTS}`)
  const wanted = slots.map(s => s.to(from))
  const plans = new Map<string, number>()
  /** Presses from one stop to another; -1 is where the walk begins. */
  const leg = (before: number, next: number): number => {
    const key = `${before} ${next}`
    const known = plans.get(key)
    if (known !== undefined) return known
    const options = before < 0 ? { unseen } : {}
    const { presses } = planSteps(body, wanted[before] ?? from, wanted[next] ?? from, options)
    plans.set(key, presses)
    return presses
  }
  let best: readonly number[] = []
  let least = Infinity
  const tryAll = (made: readonly number[], presses: number): void => {
    if (presses >= least) return
    const left = slots.flatMap((_, i) => (made.includes(i) ? [] : [i]))
    if (left.length === 0) {
      best = made
      least = presses
    }
    for (const next of left) tryAll([...made, next], presses + leg(made.at(-1) ?? -1, next))
  }
  tryAll([], 0)
  let now = from
  return best.flatMap((i, at): SlotPlan[] => {
    const stop = slots[i]
    if (!stop) return []
    // What a standard leaves open stays as the stop before has it.
    const to = at === 0 ? (wanted[i] ?? from) : stop.to(now)
    const plan = planSteps(body, now, to, at === 0 ? { unseen } : {})
    now = to
    return [{ slot: stop.slot, plan }]
  })
}
