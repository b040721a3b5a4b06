import { expect, it } from 'vitest'
import { parseJson, problemWords } from './problem'

const said = (text: string) => {
  const parsed = parseJson(text, 'x.json')
  return parsed.ok ? parsed.value : parsed.problems.map(problemWords).join()
}

it('tells the first place where a text is no JSON, and reads no further', () => {
  expect(said('{"a": 1,\n "b": }')).toBe('x.json, line 2, column 7: this is not JSON: value expected')
  expect(said('[1, 2')).toMatch(/^x.json, line 1, column 6: this is not JSON: /)
  // Whatever comes after it.
  expect(said(`{"a": x}${'}x{'.repeat(100_000)}`)).toBe('x.json, line 1, column 7: this is not JSON: invalid symbol')
})

it('refuses what nests deeper than any document, before it is built', () => {
  expect(said('['.repeat(10_000))).toBe(
    'x.json, line 1, column 65: expected at most 64 lists and objects within each other',
  )
  expect(said('{"a":'.repeat(70) + '1' + '}'.repeat(70))).toContain('at most 64')
  // Brackets in a text are letters.
  expect(said(JSON.stringify(`${'['.repeat(100)}"\\`))).toBe(`${'['.repeat(100)}"\\`)
})

it('refuses half letters, which no database can hold, and keeps whole ones', () => {
  expect(said('{"a": "\\ud800"}')).toContain('expected whole letters')
  expect(said('{"\\udc00": 1}')).toContain('expected whole letters')
  expect(said('"\\ud83d\\ude00"')).toBe('\u{1f600}')
  expect(said(String.raw`"\\ud800 written out"`)).toBe(String.raw`\ud800 written out`)
})
