import { availability, type Body, inMenuOrder, type State } from '../bodies'
import { goesDark, rulesAgainst, settled } from './moves'

export { settled, type Unseen } from './moves'

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
  /** How often the same change was made before on this walk; nearly always 0. */
  readonly nth: number
  /** It is only on the way: a later step, or the body itself, sets it otherwise. */
  readonly isPassing: boolean
  /** What stands in the way of this step, where no order of the steps avoids it; usually empty. */
  readonly against: readonly string[]
}

const NO_FOCUS = 'After this step nothing starts focusing until another press is given that work: go straight on.'

/** Changes made one after the other, each with what the body makes of it, and in how many moments nothing focuses. */
export const stepsOf = (
  body: Body,
  from: State,
  changes: readonly { readonly setting: string; readonly option: string }[],
): { readonly steps: readonly Step[]; readonly dark: number } => {
  const menu = inMenuOrder(body)
  const steps: Step[] = []
  let now = from
  let dark = 0
  changes.forEach(({ setting, option }, i) => {
    const later = changes.slice(i + 1)
    const before = availability(body, now).unavailable
    const after = settled(body, { ...now, [setting]: option })
    const greyed = availability(body, after).unavailable
    const isDark = goesDark(body, now, after)
    dark += Number(isDark)
    const isLater = (id: string) => later.some(c => c.setting === id)
    steps.push({
      setting,
      from: now[setting] ?? option,
      to: option,
      unlocks: menu.filter(s => before.has(s.id) && !greyed.has(s.id) && isLater(s.id)).map(s => s.id),
      follows: menu
        .filter(s => s.id !== setting && after[s.id] !== now[s.id])
        .map(s => ({ setting: s.id, to: after[s.id] ?? s.default })),
      nth: changes.slice(0, i).filter(c => c.setting === setting && c.option === option).length,
      isPassing: isLater(setting),
      against: [...rulesAgainst(body, now, setting, option).map(r => r.words), ...(isDark ? [NO_FOCUS] : [])],
    })
    now = after
  })
  return { steps, dark }
}
