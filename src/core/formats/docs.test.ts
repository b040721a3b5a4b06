import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { parseBody } from '../bodies'
import { parseHouseGuide } from '../guide/house'
import { resolve } from '../resolve'
import { parseStandard } from '../standards'
import { parseState } from '../kit/state-file'
import { parseLens } from '../lenses/schema'
import {
  bodyJsonSchema,
  bundleJsonSchema,
  guideJsonSchema,
  lensJsonSchema,
  standardJsonSchema,
  stateJsonSchema,
} from './json-schema'

const read = (file: string): unknown => JSON.parse(readFileSync(`docs/formats/${file}`, 'utf8'))

it('documents the formats as they are', () => {
  expect(read('coherion.body-1.schema.json')).toEqual(bodyJsonSchema())
  expect(read('coherion.standard-1.schema.json')).toEqual(standardJsonSchema())
  expect(read('coherion.lens-1.schema.json')).toEqual(lensJsonSchema())
  expect(read('coherion.state-1.schema.json')).toEqual(stateJsonSchema())
  expect(read('coherion.guide-1.schema.json')).toEqual(guideJsonSchema())
  expect(read('coherion.bundle-1.schema.json')).toEqual(bundleJsonSchema())
})

it('has examples that can be read and resolved', () => {
  const body = parseBody(read('examples/body.json'), 'body.json')
  if (!body.ok) throw new Error('the body is not valid')
  const of = { body: body.value, firmware: '1.0', tag: 'A-1' }
  expect(parseState(read('examples/state.json'), 'state.json', of)).toMatchObject({ ok: true })
  expect(parseLens(read('examples/lens.json'), 'lens.json')).toMatchObject({ ok: true })
  expect(parseHouseGuide(read('examples/guide.json'), 'guide.json')).toMatchObject({ ok: true })
  const standard = parseStandard(read('examples/standard.json'), 'standard.json')
  if (!standard.ok) throw new Error('an example is not valid')
  const { state, mustsHeld, musts } = resolve(body.value, standard.value)
  expect([mustsHeld, musts]).toEqual([2, 2])
  expect(state).toEqual({ 'half-press': 'light', rear: 'focus', patience: 'long' })
})
