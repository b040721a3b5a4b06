import { availability, type Body, countsOf, countsToward, isThere, type Option, type Rule } from '../bodies'
import { type Found, groupsOf, MILLIONTHS, search, stateOf } from '../bodies/search'
import type { Standard } from '../standards'
import { isForTheFingers } from '../vocabulary/fingers'
import { type Grade, gradeOf } from '../vocabulary/grade'
import { statementsOf } from '../vocabulary/parts'
import type { NeutralValue } from '../vocabulary/values'
import {
  absentDistance,
  driveAsked,
  inPlaces,
  problemOf,
  type ResolveOptions,
  type ResolveProblem,
  type TargetOnBody,
} from './problem'
import { type Outcome, outcomesOf, resolve, type Resolution } from './resolve'

/** Why an option that was considered is not what the body will be set to. */
export type WhyLost =
  | { readonly why: 'needs-firmware'; readonly version: string }
  /** No state of the body has it under the rules. */
  | { readonly why: 'blocked'; readonly rules: readonly string[] }
  /** It would break a must, or cost more on other targets than it gains here. */
  | { readonly why: 'costs-elsewhere'; readonly rules: readonly string[]; readonly worse: readonly SideEffect[] }
  | { readonly why: 'further' }
  /** Nearer, and settled otherwise for all bodies together. */
  | { readonly why: 'agreed'; readonly by: 'level' | 'control map' }
  /** As good, but further from what the body is set to now, from its default, or later in the menu. */
  | { readonly why: 'tie' }

export interface SideEffect {
  readonly dimension: string
  readonly before: { readonly grade: Grade; readonly distance: number }
  readonly after: { readonly grade: Grade; readonly distance: number }
  readonly breaksMust: boolean
}

export interface Alternative {
  readonly setting: string
  readonly option: string
  /** What it says about the target, and on which dimension it says it. */
  readonly dimension: string
  readonly value: NeutralValue
  /** The target's distance with this option. */
  readonly distance: number
  readonly grade: Grade
  readonly lost: WhyLost
}

export interface Explanation {
  readonly outcome: Outcome
  /** Everything else the body could do about the target, nearest first. */
  readonly alternatives: readonly Alternative[]
}

/**
 * Why a body gets the setting it gets for one target, and why each other option lost: every alternative is resolved
 * again with that option required.
 *
 * @throws RangeError where the standard has no target for the dimension
 */
export const explain = (
  body: Body,
  standard: Standard,
  dimensionId: string,
  options: ResolveOptions = {},
): Explanation => {
  const problem = problemOf(body, standard, options)
  const resolution = resolve(body, standard, options)
  const outcome = resolution.outcomes.find(o => o.target.dimension === dimensionId)
  const onBody = problem.targets.find(t => t.target.dimension === dimensionId)
  if (!outcome || !onBody) throw new RangeError(`the standard ${standard.name} has no target for ${dimensionId}`)
  const channels = new Set(onBody.parts.map(p => p.part.channel))
  const drive = driveAsked(problem.targets.map(t => t.target))
  const alternatives = problem.settings.flatMap((setting, i) =>
    setting.options.flatMap((option, o): Alternative[] => {
      if (isInEffect(resolution, setting.id, option.id)) return []
      const [id, value] =
        Object.entries(option.means).find(
          ([d, meant]) =>
            countsToward(problem.body, countsOf(setting, option), { dimension: d, drive }) &&
            statementsOf(d, meant).some(s => channels.has(s.channel)),
        ) ?? []
      if (id === undefined || value === undefined) return []
      const since = [setting.since, option.since].find(s => !isThere(s, problem.firmware))
      const rest = { setting: setting.id, option: option.id, dimension: id, value }
      const said = judgedAlone(problem.body, onBody, option)
      if (since !== undefined) return [{ ...rest, ...said, lost: { why: 'needs-firmware', version: since } }]
      return [{ ...rest, ...withOption(problem, resolution, said, dimensionId, i, o) }]
    }),
  )
  return { outcome, alternatives: alternatives.sort((a, b) => a.distance - b.distance) }
}

const isInEffect = (resolution: Resolution, settingId: string, optionId: string): boolean =>
  resolution.state[settingId] === optionId && !resolution.unavailable.includes(settingId)

type Judged = Pick<Alternative, 'distance' | 'grade'>

/** The target's distance when only this option speaks, whatever the rules say. */
const judgedAlone = (body: Body, { parts }: TargetOnBody, option: Option): Judged => {
  const said = Object.entries(inPlaces(body, option.means)).flatMap(([d, meant]) => statementsOf(d, meant))
  const sum = parts.reduce((total, { part }) => {
    const value = said.find(s => s.channel === part.channel)?.value
    return total + part.weight * (value === undefined ? absentDistance(part) / MILLIONTHS : part.measure(value))
  }, 0)
  return { distance: sum, grade: gradeOf(sum) }
}

const withOption = (
  problem: ResolveProblem,
  resolution: Resolution,
  said: Judged,
  dimensionId: string,
  i: number,
  o: number,
): Pick<Alternative, 'distance' | 'grade' | 'lost'> => {
  const rules = blockers(problem, resolution, i, o)
  const found = searchWith(problem, i, o)
  if (!found) return { ...said, lost: { why: 'blocked', rules } }
  const state = stateOf(problem.input, found.choice)
  const outcomes = outcomesOf(problem, found.choice, availability(problem.body, state).unavailable)
  const mine = outcomes.find(x => x.target.dimension === dimensionId)
  const before = resolution.outcomes.find(x => x.target.dimension === dimensionId)
  const distance = mine?.distance ?? 1
  const grade = mine?.grade ?? 'missing'
  const worse = outcomes.flatMap((after, k): SideEffect[] => {
    const was = resolution.outcomes[k]
    if (!was || after.target.dimension === dimensionId || after.distance <= was.distance) return []
    return [
      {
        dimension: after.target.dimension,
        before: { grade: was.grade, distance: was.distance },
        after: { grade: after.grade, distance: after.distance },
        breaksMust: after.target.weight === 'must' && was.held && !after.held,
      },
    ]
  })
  const further = distance > (before?.distance ?? 1)
  const lost: WhyLost = further
    ? { why: 'further' }
    : worse.length
      ? { why: 'costs-elsewhere', rules, worse }
      : distance < (before?.distance ?? 1)
        ? { why: 'agreed', by: isForTheFingers(dimensionId) && problem.hasPlan ? 'control map' : 'level' }
        : { why: 'tie' }
  return { distance, grade, lost }
}

/** The rules that stand in the way when only this option is changed in the resolved state. */
const blockers = (problem: ResolveProblem, resolution: Resolution, i: number, o: number): readonly string[] => {
  const setting = problem.settings[i]
  const option = setting?.options[o]
  if (!setting || !option) return []
  const after = availability(problem.body, { ...resolution.state, [setting.id]: option.id })
  const before = new Set(resolution.unavailable)
  const greyed = [...after.unavailable]
    .filter(([id]) => id === setting.id || !before.has(id))
    .flatMap(([, rules]) => rules)
  const named: readonly Rule[] = [...new Set([...greyed, ...after.broken])]
  return named.map(r => r.words)
}

const searchWith = (problem: ResolveProblem, i: number, o: number): Found | undefined => {
  const { input } = problem
  const domains = input.domains.map((d, k) => (k === i ? [o] : d))
  return search({ ...input, domains, usable: [i] }, groupsOf(input))
}
