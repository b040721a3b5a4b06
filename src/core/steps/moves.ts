import { availability, type Body, type Rule, type State } from '../bodies'
import { canFocus } from '../bodies/can-focus'

/** One change a person makes in the menus, and what the body makes of it. */

/** A state after the body has pulled along what its rules force. */
export const settled = (body: Body, state: State): State => {
  let now = state
  // Stryker disable next-line EqualityOperator: one look more finds nothing
  for (let i = 0; i < body.rules.length; i++) {
    const forced = availability(body, now).broken.find(r => r.then.effect === 'forced')
    if (forced?.then.effect !== 'forced') return now
    now = { ...now, [forced.then.setting]: forced.then.option }
  }
  return now
}

/** What becomes of a change: the state after it, and the rules that keep it from being made; none where nothing does. */
export const changed = (
  body: Body,
  now: State,
  settingId: string,
  option: string,
): { readonly after: State; readonly against: readonly Rule[] } => {
  const before = availability(body, now)
  const greying = before.unavailable.get(settingId)
  if (greying) return { after: now, against: greying }
  const after = settled(body, { ...now, [settingId]: option })
  // Pulled back at once; or what it pulls along does not make good what may not stand together.
  if (after[settingId] !== option)
    return { after, against: body.rules.filter(r => r.then.effect === 'forced' && r.then.setting === settingId) }
  const wasBroken = new Set(before.broken)
  return { after, against: availability(body, after).broken.filter(r => !wasBroken.has(r)) }
}

/** Rules that keep a change from being made; none where nothing does. */
export const rulesAgainst = (body: Body, now: State, settingId: string, option: string): readonly Rule[] =>
  changed(body, now, settingId, option).against

/** Whether a change leaves the body without a press that focuses, which it had before. */
export const goesDark = (body: Body, now: State, after: State): boolean => canFocus(body, now) && !canFocus(body, after)

/** Settings that nobody has seen: what they are at is only assumed, and a step looks at each. */
export type Unseen = ReadonlySet<string>

/** What is still unseen after a change: neither what was set, nor what rules about seen settings force. */
export const unseenAfter = (body: Body, after: State, unseen: Unseen, settingId: string): Unseen => {
  if (unseen.size === 0) return unseen
  const left = new Set(unseen)
  left.delete(settingId)
  const { fired } = availability(body, after)
  for (let size = -1; size !== left.size;) {
    size = left.size
    for (const { when, then } of fired)
      if (then.effect === 'forced' && when.every(c => !left.has(c.setting))) left.delete(then.setting)
  }
  return left
}
