import type { Option } from '@/core/bodies'
import type { Reading } from '@/core/propose/propose'
import { dimension } from '@/core/vocabulary/dimensions'
import type { Area, ControlAssignment } from '@/core/vocabulary/values'
import { inSentence, valueWords } from '@/core/vocabulary/words'

/** Readings of a row in words, the same wherever they are shown. */

export const NOTHING_WORDS = 'Nothing to do with focus'
export const UNNAMED_WORDS = 'About focus; no word for it here'

/** Dimensions told by name before it is simply the work of a key. */
const MOST_NAMES = 3

export const readingName = (reading: Reading): string => {
  const { dimensions } = reading
  if (dimensions.length === 0) return reading.about === 'unnamed' ? UNNAMED_WORDS : NOTHING_WORDS
  if (dimensions.some(id => dimension(id).kind === 'assign'))
    return `Work of a key: ${dimensions
      .slice(0, MOST_NAMES)
      .map(id => inSentence(dimension(id).label))
      .join(', ')}${dimensions.length > MOST_NAMES ? ' …' : ''}`
  return dimensions.map(id => dimension(id).label).join(' + ')
}

/** An area without its figures, which stand where it is looked at alone. */
const areaInShort = ({ pattern, chooser, follow }: Area): string =>
  [
    pattern.replace('-', ' '),
    ...(chooser === 'camera' ? ['camera picks'] : []),
    ...(follow && follow !== 'off' ? ['follows'] : []),
  ].join(', ')

/** What a reading says of one option; empty where it leaves it open. */
export const optionReading = (reading: Reading, i: number): string =>
  Object.entries(reading.means[i] ?? {})
    .map(([id, v]) => {
      const d = dimension(id)
      if (d.kind === 'assign')
        return inSentence(d.label) + ((v as ControlAssignment).press === 'toggled' ? ', stays' : '')
      if (d.kind === 'area') return areaInShort(v as Area)
      return valueWords(d, v, c => (reading.control?.id === c ? reading.control.label : c))
    })
    .join(' + ')

/** Which way a scale runs, as a question with its two ends. */
export const endsOf = (options: readonly Option[]): readonly [string, string] => [
  options[0]?.label ?? '',
  options.at(-1)?.label ?? '',
]
