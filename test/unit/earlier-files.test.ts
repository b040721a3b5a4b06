import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { parseBody } from '../../src/core/bodies'
import { resolve } from '../../src/core/resolve'
import { parseStandard } from '../../src/core/standards'

/**
 * Files as they were written before rows counted only in film or live view, before guesses, pins and what was looked for:
 * read as before, kept as they are, and answered as the program of that day answered them (`answers.json`).
 */
const file = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`../fixtures/earlier/${name}`, import.meta.url), 'utf8'))

interface Answer {
  readonly state: Readonly<Record<string, string>>
  readonly mustsHeld: number
  readonly grades: Readonly<Record<string, string>>
}
const answers = file('answers.json') as Readonly<Record<string, Answer>>

describe.each(Object.keys(answers))('an earlier profile: %s', id => {
  const document = file(`${id}.body.json`)
  const body = parseBody(document, id)
  const standard = parseStandard(file('ring-action.standard.json'), 'ring-action')

  it('is read, and written as it was', () => {
    expect(body.ok && JSON.parse(JSON.stringify(body.value))).toEqual(document)
    expect(standard.ok && JSON.parse(JSON.stringify(standard.value))).toEqual(file('ring-action.standard.json'))
  })

  it('is answered as before', () => {
    if (!body.ok || !standard.ok) throw new Error('not read')
    const { state, mustsHeld, outcomes } = resolve(body.value, standard.value)
    const grades = Object.fromEntries(outcomes.map(o => [o.target.dimension, o.grade]))
    expect({ state, mustsHeld, grades }).toEqual(answers[id])
  })
})
