import { availability, type State } from '../bodies'
import { GREYED } from '../bodies/search'
import { WEIGHT_FACTORS } from '../standards'
import type { ResolveProblem } from './problem'
import type { Resolution } from './resolve'

/** What a change on a body is for. */
export interface Purpose {
  /** Dimensions of the targets that would be missed without it, what matters most first. */
  readonly targets: readonly string[]
  /** Settings that could not be as they are without it, and the rules that say so. */
  readonly frees: readonly { readonly setting: string; readonly rule: string }[]
}

const choiceOf = ({ settings }: ResolveProblem, state: State, greyed: ReadonlySet<string>): Int32Array =>
  Int32Array.from(settings, s => (greyed.has(s.id) ? GREYED : s.options.findIndex(o => o.id === state[s.id])))

/**
 * What it is for that a setting is at what it was resolved to: the targets that would be further off if it had been left
 * as it was, everything else being as resolved; and where no target is, the settings that it lets be as they are.
 *
 * @param before the option that it was at
 */
export const purposeOf = (
  problem: ResolveProblem,
  resolution: Resolution,
  settingId: string,
  before: string,
): Purpose => {
  const { body, targets } = problem
  const left = { ...resolution.state, [settingId]: before }
  const now = availability(body, resolution.state)
  const then = availability(body, left)
  const withIt = choiceOf(problem, resolution.state, new Set(now.unavailable.keys()))
  const without = choiceOf(problem, left, new Set(then.unavailable.keys()))
  const missed = targets
    .map(({ target, term }) => ({
      id: target.dimension,
      loss: WEIGHT_FACTORS[target.weight] * (term.bound(without) - term.bound(withIt)),
    }))
    .filter(m => m.loss > 0)
    .sort((a, b) => b.loss - a.loss)
  const wasBroken = new Set(now.broken.map(r => r.id))
  const frees = [
    ...then.broken.filter(r => !wasBroken.has(r.id)),
    ...[...then.unavailable].flatMap(([id, rules]) => (now.unavailable.has(id) ? [] : rules)),
  ]
  return {
    targets: missed.map(m => m.id),
    frees: frees.map(r => ({
      setting: r.then.setting === settingId ? (r.when[0]?.setting ?? settingId) : r.then.setting,
      rule: r.words,
    })),
  }
}
