import { type Body, COUNTS_WORDS, type Setting } from '@/core/bodies'
import { dimension } from '@/core/vocabulary/dimensions'
import type { Meaning } from '@/core/vocabulary/schema'
import { inSentence, valueWords } from '@/core/vocabulary/words'

/** What an option means, in words with the body's own names of controls. */
export const meaningWords = (body: Pick<Body, 'controls'>, means: Meaning): string =>
  Object.entries(means)
    .map(
      ([id, value]) =>
        `${inSentence(dimension(id).label)}: ${valueWords(dimension(id), value, c => body.controls.find(x => x.id === c)?.label ?? c)}`,
    )
    .join('; ')

/** What a setting is about, in a few words. */
export const settingWords = (setting: Setting): string => {
  if (setting.undecided) return 'undecided'
  if (setting.unnamed) return 'about focus; no word for it'
  const ids = [...new Set(setting.options.flatMap(o => Object.keys(o.means)))].filter(id => id !== 'track.preset')
  if (ids.length === 0) return 'nothing to do with focus'
  const labels = ids.map(id => inSentence(dimension(id).label))
  const isGuess = setting.options.some(o => o.guessed?.length)
  const words = labels.length > 3 ? `${labels.slice(0, 2).join(', ')} and ${labels.length - 2} more` : labels.join(', ')
  const more = [...(isGuess ? ['amounts guessed'] : []), ...(setting.counts ? [COUNTS_WORDS[setting.counts]] : [])]
  return more.length ? `${words} (${more.join(', ')})` : words
}
