import type { Body, Option, Setting } from './schema'

const wordsOf = (text: string): readonly string[] => text.toLowerCase().match(/[\p{L}\p{N}]{3,}/gu) ?? []

/**
 * An option in the body's own words, with its setting where the option alone says too little.
 *
 * @example choiceWords({ label: 'Grip' }, { label: 'Grip 5 of 7' }) // 'Grip 5 of 7'
 * @example choiceWords({ label: 'Friends first' }, { label: 'Yes' }) // 'Friends first: Yes'
 */
export const choiceWords = (setting: Pick<Setting, 'label'>, option: Pick<Option, 'label'>): string => {
  const said = new Set(wordsOf(option.label))
  return wordsOf(setting.label).some(w => said.has(w)) ? option.label : `${setting.label}: ${option.label}`
}

/** The setting and option with these ids, in words; the ids themselves where the profile has no such pair. */
export const choiceWordsById = (body: Body, settingId: string, optionId: string): string => {
  const setting = body.settings.find(s => s.id === settingId)
  const option = setting?.options.find(o => o.id === optionId)
  return setting && option ? choiceWords(setting, option) : `${settingId}: ${optionId}`
}
