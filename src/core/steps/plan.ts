import { type Body, inMenuOrder, type State } from '../bodies'
import {
  bestOrder,
  costOfOrder,
  fewestPresses,
  improved,
  isSmall,
  nearestFirst,
  orderProblem,
  pressesOfOrder,
} from './order'
import { type Step, stepsBetween, stepsInOrder, type Unseen } from './walk'

/** The steps of a card in the order that takes the fewest presses, and what they would take in other orders. */
export interface WalkPlan {
  readonly steps: readonly Step[]
  readonly presses: number
  /** No order takes fewer. */
  readonly fewest: number
  readonly isBest: boolean
  /** In the order of the menu, and in the order in which the standard lists what it wants. */
  readonly pressesInMenuOrder: number
  readonly pressesAsListed: number
}

export interface WalkOptions {
  /** Settings in the order in which the standard asks for what they bring about. */
  readonly listed?: readonly string[] | undefined
  /** Settings that have to be looked at, whatever they are assumed to be at. */
  readonly unseen?: Unseen | undefined
}

/**
 * The walk through the menus of a body from one state to another. Exact by dynamic programming up to some fifteen
 * steps; beyond, improved from several beginnings, with a bound below. Never takes more presses than menu order or the
 * standard's own order, unless fewer of its steps are in the way of each other.
 *
 * @param body at the firmware that runs
 */
export const planWalk = (body: Body, from: State, to: State, { listed = [], unseen }: WalkOptions = {}): WalkPlan => {
  const inMenu = stepsBetween(body, from, to, undefined, unseen)
  const rank = new Map(listed.map((id, i) => [id, i]))
  const byStandard = [...inMenuOrder(body)].sort((a, b) => (rank.get(a.id) ?? Infinity) - (rank.get(b.id) ?? Infinity))
  const asListed = rank.size ? stepsBetween(body, from, to, byStandard, unseen) : inMenu
  const problem = orderProblem(body, from, inMenu)
  const positions = (steps: readonly Step[]) => steps.map(s => inMenu.findIndex(x => x.setting === s.setting))
  const menuOrder = positions(inMenu)
  const listedOrder = positions(asListed)
  const isSame = asListed.length === inMenu.length && listedOrder.every(i => i >= 0)
  const result = (steps: readonly Step[], order: readonly number[], isExact: boolean): WalkPlan => {
    const presses = pressesOfOrder(problem, order)
    const fewest = isExact ? presses : Math.min(presses, fewestPresses(problem))
    return {
      steps,
      presses,
      fewest,
      isBest: fewest === presses,
      pressesInMenuOrder: pressesOfOrder(problem, menuOrder),
      pressesAsListed: isSame ? pressesOfOrder(problem, listedOrder) : pressesOfOrder(problem, menuOrder),
    }
  }
  // A setting that has to be set twice, because the body pulls it away in between, stays where the rules put it.
  const isPlain = new Set(inMenu.map(s => s.setting)).size === inMenu.length
  if (inMenu.length < 2 || !isPlain) return result(inMenu, menuOrder, inMenu.length < 2)
  const isExact = isSmall(problem)
  const candidates = isExact
    ? [bestOrder(problem)]
    : [menuOrder, ...(isSame ? [listedOrder] : []), nearestFirst(problem)].map(o => improved(problem, o))
  const order = candidates.reduce((a, b) => (costOfOrder(problem, b) < costOfOrder(problem, a) ? b : a))
  const settings = order.flatMap(i => body.settings.find(s => s.id === inMenu[i]?.setting) ?? [])
  const steps = stepsInOrder(body, from, to, settings, unseen)
  const isWalked = steps.length === order.length && steps.every((s, i) => s.setting === settings[i]?.id)
  return isWalked ? result(steps, order, isExact) : result(inMenu, menuOrder, false)
}

/** One stop of a walk that fills several memory slots. */
export interface SlotWalk {
  readonly slot: string
  readonly plan: WalkPlan
}

/** Slots that one walk fills are few, so that every order of them can be tried. */
export const MOST_SLOTS = 6

/**
 * Several memory slots in one walk: each is stored once everything that belongs in it is set, and the next begins from
 * there. The order of the slots is the one with the fewest presses.
 *
 * @param unseen settings that nobody has seen; the first stop looks at them
 * @throws RangeError for more slots than six
 */
export const planSlots = (
  body: Body,
  from: State,
  slots: readonly { readonly slot: string; readonly to: State }[],
  unseen?: Unseen,
): readonly SlotWalk[] => {
  if (slots.length > MOST_SLOTS) throw new RangeError(`${slots.length} slots in one walk; at most ${MOST_SLOTS}`)
  const plans = new Map<string, WalkPlan>()
  /** From one stop to another; -1 is where the walk begins. */
  const leg = (before: number, next: number): WalkPlan => {
    const key = `${before} ${next}`
    const known = plans.get(key)
    if (known) return known
    const plan = planWalk(body, slots[before]?.to ?? from, slots[next]?.to ?? from, before < 0 ? { unseen } : {})
    plans.set(key, plan)
    return plan
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
    for (const next of left) tryAll([...made, next], presses + leg(made.at(-1) ?? -1, next).presses)
  }
  tryAll([], 0)
  return best.flatMap((i, at) => {
    const slot = slots[i]?.slot
    return slot === undefined ? [] : [{ slot, plan: leg(best[at - 1] ?? -1, i) }]
  })
}
