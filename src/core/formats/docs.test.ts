import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { parseBody } from '../bodies'
import { resolve } from '../resolve'
import { parseStandard } from '../standards'
import { parseLens } from '../lenses/schema'
import { bodyJsonSchema, bundleJsonSchema, lensJsonSchema, standardJsonSchema } from './json-schema'

const read = (file: string): unknown => JSON.parse(readFileSync(`docs/formats/${file}`, 'utf8'))

it('documents the formats as they are', () => {
  expect(read('coherion.body-1.schema.json')).toEqual(bodyJsonSchema())
  expect(read('coherion.standard-1.schema.json')).toEqual(standardJsonSchema())
  expect(read('coherion.lens-1.schema.json')).toEqual(lensJsonSchema())
  expect(read('coherion.bundle-1.schema.json')).toEqual(bundleJsonSchema())
})

it('has examples that can be read and resolved', () => {
  const body = parseBody(read('examples/body.json'), 'body.json')
  expect(parseLens(read('examples/lens.json'), 'lens.json')).toMatchObject({ ok: true })
  const standard = parseStandard(read('examples/standard.json'), 'standard.json')
  if (!body.ok || !standard.ok) throw new Error('an example is not valid')
  const { state, mustsHeld, musts } = resolve(body.value, standard.value)
  expect([mustsHeld, musts]).toEqual([2, 2])
  expect(state).toEqual({ 'half-press': 'light', rear: 'focus', patience: 'long' })
})
