import { expect, it } from 'vitest'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { demoBodies, demoStandards } from '../../demo/world'
import { parseBody } from '../bodies'
import { parseStandard } from '../standards'
import { ALL_FORMATS, jsonSchemaOf } from './formats'
import { parseJson, problemWords } from '../reading/problem'

const throughText = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

it('reads back what it writes, on demo and generated files', () => {
  for (const body of demoBodies()) expect(parseBody(throughText(body), 'b')).toEqual({ ok: true, value: body })
  for (const standard of demoStandards())
    expect(parseStandard(throughText(standard), 's')).toEqual({ ok: true, value: standard })
  for (let seed = 1; seed <= 60; seed++) {
    const standard = generateStandard(seed, 30)
    expect(parseStandard(throughText(standard), 's')).toEqual({ ok: true, value: standard })
    const body = generateBody(seed, { settings: 12, rules: 0 })
    expect(parseBody(throughText(body), 'b')).toEqual({ ok: true, value: body })
  }
})

it('tells the line where a file stops being JSON', () => {
  const parsed = parseJson('{\n  "format": "coherion.body/1",\n  "id": \n}', 'sorrel.json')
  expect(parsed.ok ? '' : parsed.problems.map(problemWords).join()).toMatch(
    /^sorrel\.json, line 4, column 1: this is not JSON: value expected/,
  )
})

it('describes every format as JSON Schema 2020-12', () => {
  for (const schema of ALL_FORMATS.map(jsonSchemaOf)) {
    expect(schema['$schema']).toBe('https://json-schema.org/draft/2020-12/schema')
    // A format of several kinds says it in each of them.
    const kinds = (schema['anyOf'] ?? schema['oneOf'] ?? [schema]) as readonly Record<string, unknown>[]
    for (const kind of kinds) expect(kind['required']).toContain('format')
  }
})
