import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { parseBody } from '../bodies'
import { resolve } from '../resolve'
import { parseStandard } from '../standards'
import { ALL_FORMATS, formatsTable, jsonSchemaOf, schemaFileOf } from './formats'

const text = (file: string): string => readFileSync(`docs/formats/${file}`, 'utf8')
const read = (file: string): unknown => JSON.parse(text(file))

it.each(ALL_FORMATS)('documents $name as it is', format => {
  expect(read(schemaFileOf(format))).toEqual(jsonSchemaOf(format))
  expect(text('README.md')).toContain(formatsTable())
})

it.each(ALL_FORMATS.filter(f => f.example.endsWith('.json')))('has an example of $name that can be read', format => {
  const body = parseBody(read('examples/body.json'), 'body.json')
  if (!body.ok) throw new Error('the body is not valid')
  const of = { body: body.value, firmware: '1.0', tag: 'A-1' }
  expect(format.read(read(`examples/${format.example}`), format.example, of)).toMatchObject({ ok: true })
})

it.each(ALL_FORMATS)('reads nothing else as $name', format => {
  const of = { body: {} as never, firmware: '1.0', tag: 'A-1' }
  for (const value of [null, [], 7, {}, { format: 'coherion.other/1' }])
    expect(format.read(value, 'file.json', of).ok).toBe(false)
})

it('resolves the example of a standard on the example of a body', () => {
  const body = parseBody(read('examples/body.json'), 'body.json')
  const standard = parseStandard(read('examples/standard.json'), 'standard.json')
  if (!body.ok || !standard.ok) throw new Error('an example is not valid')
  const { state, mustsHeld, musts } = resolve(body.value, standard.value)
  expect([mustsHeld, musts]).toEqual([2, 2])
  expect(state).toEqual({ 'half-press': 'light', rear: 'focus', patience: 'long' })
})
