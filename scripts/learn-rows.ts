import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { digestOfOptions, optionsLearnedWithout } from '../test/fixtures/known-options'
import { digestOfRows, learnedWithout, tradeLabels } from '../test/fixtures/known-rows'

/**
 * Learns what rows of menus are about, and what their options say, from all those whose meaning is known, and writes it down for the reader; and what
 * the trade calls things, for whoever looks for them.
 */

const write = (path: string, text: string) => {
  writeFileSync(join(import.meta.dirname, '..', path), `${text}\n`)
  console.log(`Written: ${path}, ${Math.round(text.length / 1024)} KB.`)
}

write('src/core/propose/row-weights.json', JSON.stringify({ learnedFrom: digestOfRows(), ...learnedWithout([]) }))
write(
  'src/core/propose/option-weights.json',
  JSON.stringify({ learnedFrom: digestOfOptions(), ...optionsLearnedWithout([]) }),
)
write('src/core/phrasebook/trade-labels.json', JSON.stringify(tradeLabels()))
