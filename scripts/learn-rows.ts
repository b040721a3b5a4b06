import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { digestOfRows, learnedWithout } from '../test/fixtures/known-rows'

/** Learns what rows of menus are about from all those whose meaning is known, and writes it down for the reader. */

const text = JSON.stringify({ learnedFrom: digestOfRows(), ...learnedWithout([]) })
writeFileSync(join(import.meta.dirname, '../src/core/propose/row-weights.json'), `${text}\n`)
console.log(`Written: src/core/propose/row-weights.json, ${Math.round(text.length / 1024)} KB.`)
