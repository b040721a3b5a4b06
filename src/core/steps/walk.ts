import { availability, type Body, inMenuOrder, type Setting, type State } from '../bodies'
import { canFocus } from '../bodies/can-focus'

/** One change a person makes in the menus of a body. */
export interface Step {
  readonly setting: string
  /** What it is assumed to be at; `to` itself where that is not known and has to be looked at. */
  readonly from: string
  readonly to: string
  /** Settings that can be used only after this step and are changed later. */
  readonly unlocks: readonly string[]
  /** What the body changes by itself because of this step. */
  readonly follows: readonly { readonly setting: string; readonly to: string }[]
  /** Rules that stand in the way of this step where no order of the steps avoids them; usually empty. */
  readonly against: readonly string[]
}

/** A state after the body has pulled along what its rules force. */
export const settled = (body: Body, state: State): State => {
  let now = state
  for (let i = 0; i < body.rules.length; i++) {
    const forced = availability(body, now).broken.find(r => r.then.effect === 'forced')
    if (forced?.then.effect !== 'forced') return now
    now = { ...now, [forced.then.setting]: forced.then.option }
  }
  return now
}

/** Settings that nobody has seen: what they are at is only assumed, and a step looks at each. */
export type Unseen = ReadonlySet<string>
const ALL_SEEN: Unseen = new Set()

/**
 * The steps from one state of a body to another: in menu order or the one that is given, except that a setting which unlocks another comes
 * before it, and that the body never stands without a press that focuses in between.
 */
export const stepsBetween = (
  body: Body,
  from: State,
  to: State,
  order: readonly Setting[] = inMenuOrder(body),
  unseen: Unseen = ALL_SEEN,
): readonly Step[] =>
  walkBy(
    body,
    from,
    to,
    order,
    unseen,
    all => all.find(c => !c.obstacle) ?? all.toSorted((a, b) => severity(a) - severity(b))[0],
  )

/** The steps in exactly this order of settings, whatever stands in the way; it is said at the step. */
export const stepsInOrder = (
  body: Body,
  from: State,
  to: State,
  order: readonly Setting[],
  unseen: Unseen = ALL_SEEN,
): readonly Step[] =>
  walkBy(body, from, to, [...order, ...inMenuOrder(body).filter(s => !order.includes(s))], unseen, all => all[0])

interface Candidate {
  readonly setting: Setting
  readonly option: string
  readonly after: State
  readonly unlocks: readonly string[]
  readonly obstacle: Obstacle | undefined
}

const walkBy = (
  body: Body,
  from: State,
  to: State,
  order: readonly Setting[],
  unseen: Unseen,
  pick: (candidates: readonly Candidate[]) => Candidate | undefined,
): readonly Step[] => {
  const steps: Step[] = []
  let now = from
  const looked = new Set<string>()
  const toChange = () => order.filter(s => now[s.id] !== to[s.id] || (unseen.has(s.id) && !looked.has(s.id)))
  // A rule may pull a setting away that then has to be set again; nothing needs more than a few rounds.
  for (let left = toChange(); left.length && steps.length < 3 * order.length; left = toChange()) {
    const before = availability(body, now).unavailable
    const candidates = left.map((setting): Candidate => {
      const option = to[setting.id] ?? setting.default
      const after = settled(body, { ...now, [setting.id]: option })
      const greyed = availability(body, after).unavailable
      const unlocks = left.filter(s => before.has(s.id) && !greyed.has(s.id) && after[s.id] !== to[s.id]).map(s => s.id)
      return { setting, option, after, unlocks, obstacle: obstacleTo(body, now, setting.id, option) }
    })
    const next = pick(candidates)
    if (!next) break
    looked.add(next.setting.id)
    const pulled = order.filter(s => s.id !== next.setting.id && next.after[s.id] !== now[s.id])
    steps.push({
      setting: next.setting.id,
      from: now[next.setting.id] ?? next.setting.default,
      to: next.option,
      unlocks: next.unlocks,
      follows: pulled.map(s => ({ setting: s.id, to: next.after[s.id] ?? s.default })),
      against: next.obstacle?.words ?? [],
    })
    now = next.after
  }
  return steps
}

export interface Obstacle {
  readonly kind: 'rule' | 'no-focus'
  readonly words: readonly string[]
}

/** Where every step left meets an obstacle: a moment without focus is better than a refusal, and opening the way helps. */
const severity = (c: { readonly obstacle: Obstacle | undefined; readonly unlocks: readonly string[] }): number =>
  (c.obstacle?.kind === 'rule' ? 1000 : 0) - c.unlocks.length

const NO_FOCUS = 'After this step nothing starts focusing until another press is given that work: go straight on.'

/** What keeps a change from being made now; undefined where nothing does. */
export const obstacleTo = (body: Body, now: State, settingId: string, option: string): Obstacle | undefined => {
  const before = availability(body, now)
  const greying = before.unavailable.get(settingId)
  if (greying) return { kind: 'rule', words: greying.map(r => r.words) }
  const changed = { ...now, [settingId]: option }
  const wasBroken = new Set(before.broken)
  const broken = availability(body, changed).broken.filter(
    r => !wasBroken.has(r) && (r.then.effect === 'excludes' || r.then.setting === settingId),
  )
  if (broken.length) return { kind: 'rule', words: broken.map(r => r.words) }
  if (canFocus(body, now) && !canFocus(body, settled(body, changed))) return { kind: 'no-focus', words: [NO_FOCUS] }
  return undefined
}
