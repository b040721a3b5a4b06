import type { Body, Condition, Rule } from './schema'

/** Rules in words made from the labels they speak of, for those who build a rule by choosing. */

export const listed = (items: readonly string[], last: string): string =>
  items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} ${last} ${items.at(-1) ?? ''}`

export const settingLabel = (body: Body, id: string) => body.settings.find(s => s.id === id)?.label ?? id

export const optionLabels = (body: Body, settingId: string, ids: readonly string[]) =>
  ids.map(id => body.settings.find(s => s.id === settingId)?.options.find(o => o.id === id)?.label ?? id)

const conditionWords = (body: Body, c: Condition): string =>
  `${settingLabel(body, c.setting)} is at ${listed(optionLabels(body, c.setting, c.is), 'or')}`

/**
 * A rule as a sentence.
 *
 * @example "While Seek is at on, Spot link cannot be used."
 */
export const ruleWords = (body: Body, rule: Pick<Rule, 'when' | 'then'>): string => {
  const when = `While ${listed(
    rule.when.map(c => conditionWords(body, c)),
    'and',
  )}, `
  const { then } = rule
  const target = settingLabel(body, then.setting)
  switch (then.effect) {
    case 'unavailable':
      return `${when}${target} cannot be used.`
    case 'forced':
      return `${when}${target} is always at ${optionLabels(body, then.setting, [then.option])[0] ?? ''}.`
    case 'excludes':
      return `${when}${target} cannot be set to ${listed(optionLabels(body, then.setting, then.options), 'or')}.`
  }
}
