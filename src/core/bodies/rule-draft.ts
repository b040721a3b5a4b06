import { listed, optionLabels, settingLabel } from './rule-words'
import type { Body, Condition, Rule } from './schema'

/** A rule as people say it: one setting or several, bound while something is, is not, or only while it is so. */
export interface DraftCondition extends Condition {
  /** The setting is at anything but these. */
  readonly isNot?: boolean
}

export const DRAFT_EFFECTS = ['unavailable', 'only', 'forced', 'excludes'] as const

export interface RuleDraft {
  readonly when: readonly DraftCondition[]
  /** `only`: what is bound can be used only while the conditions hold. */
  readonly effect: (typeof DRAFT_EFFECTS)[number]
  readonly targets: readonly string[]
  /** What is forced (one) or cannot be set; of the first target. */
  readonly options: readonly string[]
}

type NewRule = Omit<Rule, 'id'>

const otherOptions = (body: Body, { setting, is }: Condition): string[] =>
  (body.settings.find(s => s.id === setting)?.options ?? []).map(o => o.id).filter(o => !is.includes(o))

/** A condition by the options that meet it. */
const plain = (body: Body, c: DraftCondition): Condition => ({
  setting: c.setting,
  is: c.isNot ? otherOptions(body, c) : [...c.is],
})

/** @returns undefined where no option or every option is left to meet it */
const negated = (body: Body, c: Condition): Condition | undefined => {
  const is = otherOptions(body, c)
  return is.length ? { setting: c.setting, is } : undefined
}

const words = (body: Body, c: DraftCondition): string =>
  `${settingLabel(body, c.setting)} is ${c.isNot ? 'not ' : ''}at ${listed(optionLabels(body, c.setting, c.is), 'or')}`

/**
 * The rules of a body that a draft comes to, each with its sentence; none while the draft is not whole. “Only while A and
 * B” is two rules, since either of them is enough to forbid.
 *
 * @example "Spot link can only be used while Seek is at off."
 */
export const rulesOf = (body: Body, draft: RuleDraft): readonly NewRule[] => {
  const { effect, targets, options } = draft
  const when = draft.when.map(c => plain(body, c))
  if (targets.length === 0 || when.some((c, i) => !c.setting || !draft.when[i]?.is.length || c.is.length === 0))
    return []
  if (targets.some(t => when.some(c => c.setting === t))) return []
  const said = listed(
    draft.when.map(c => words(body, c)),
    'and',
  )
  const [target = '', ...more] = targets
  const [first] = options
  const label = (id: string) => settingLabel(body, id)
  switch (effect) {
    case 'unavailable':
      return targets.map(t => ({
        words: `While ${said}, ${label(t)} cannot be used.`,
        when,
        then: { effect, setting: t },
      }))
    case 'only': {
      const forbids = when.flatMap(c => negated(body, c) ?? [])
      return targets.flatMap(t =>
        forbids.map(c => ({
          words: `${label(t)} can only be used while ${said}.`,
          when: [c],
          then: { effect: 'unavailable' as const, setting: t },
        })),
      )
    }
    case 'forced':
      if (!first || more.length) return []
      return [
        {
          words: `While ${said}, ${label(target)} is always at ${optionLabels(body, target, [first])[0] ?? ''}.`,
          when,
          then: { effect, setting: target, option: first },
        },
      ]
    case 'excludes':
      if (!first || more.length) return []
      return [
        {
          words: `While ${said}, ${label(target)} cannot be set to ${listed(optionLabels(body, target, options), 'or')}.`,
          when,
          then: { effect, setting: target, options: [...options] },
        },
      ]
  }
}
