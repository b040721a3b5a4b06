import { expect, it } from 'vitest'
import { tinyBody } from '../../../test/fixtures/tiny-body'
import { knownAfter, NOTHING_KNOWN } from './known'
import { doneAt } from './late'
import { neighboursOf } from './proof'
import { dueAfter, readinessOf, readinessWords } from './readiness'

const NOON = '2026-03-01T12:00:00.000Z'
const DAY_MS = 24 * 3600 * 1000
const later = (ms: number): string => new Date(Date.parse(NOON) + ms).toISOString()
const asked = { standard: 'one', version: 2, steps: 0, settings: ['a', 'b', 'c'], recheckWeeks: 2, now: later(0) }

it('gives the reason that most settings have before the others', () => {
  const lost = { at: NOON } as const
  const known = {
    ...NOTHING_KNOWN,
    lost: new Map([
      ['a', { ...lost, kind: 'contradicted' as const }],
      ['b', { ...lost, kind: 'firmware' as const }],
      ['c', { ...lost, kind: 'firmware' as const }],
    ]),
  }
  const readiness = readinessOf(known, asked)
  expect(readiness).toEqual({
    is: 'unknown',
    settings: 3,
    because: [
      { why: 'firmware', settings: 2 },
      { why: 'contradicted', settings: 1 },
    ],
  })
  expect(readinessWords(readiness, known)).toMatch(/^new firmware touched 2 settings that matter; 1 setting cannot be/)
})

it('is ready to the very end of its weeks, and not a moment longer', () => {
  const facts = new Map(asked.settings.map(s => [s, { option: 'x', how: 'card' as const, at: NOON, by: null }]))
  const known = { ...NOTHING_KNOWN, facts, signed: { standard: 'one', version: 2, at: NOON, by: null } }
  const due = dueAfter(NOON, 2)
  expect(due).toBe('2026-03-15T12:00:00.000Z')
  expect(readinessOf(known, { ...asked, now: due })).toEqual({ is: 'ready', until: due })
  expect(readinessOf(known, { ...asked, now: later(14 * DAY_MS + 1) })).toMatchObject({ is: 'out-of-date', why: 'age' })
})

it('was done when it came in where it did not wait, and where it says that it waited for longer than devices do', () => {
  const longest = 60 * DAY_MS
  expect(doneAt(NOON, later(-longest), NOON)).toBe(later(-longest))
  expect(doneAt(NOON, later(-longest - 1), NOON)).toBe(NOON)
  expect(doneAt('now', NOON, NOON)).toBe('now')
})

it('shows the rows around a setting as they stand in the menu, wherever they stand in the file', () => {
  const body = tinyBody({ a: ['x'], b: ['x'], c: ['x'] })
  const turned = { ...body, settings: [...body.settings].reverse() }
  expect(neighboursOf(turned, 'b')).toEqual([
    { label: 'a', row: 1, isIt: false },
    { label: 'b', row: 2, isIt: true },
    { label: 'c', row: 3, isIt: false },
  ])
})

it('says when an update that nobody wrote down took something away: with the last that was written down', () => {
  const body = {
    ...tinyBody({ a: ['x', 'y'] }),
    updates: [{ id: '2.0', changes: [{ at: ['settings', 'a', 'options', 'y', 'means', 'track.hold'], after: 1 }] }],
  }
  const known = knownAfter(body, '2.0', [
    { kind: 'set', setting: 'a', option: 'y', how: 'card', at: later(0), by: null },
    { kind: 'firmware', from: '0.9', to: '1.0', at: later(1), by: null },
    { kind: 'set', setting: 'a', option: 'y', how: 'card', at: later(2), by: null },
  ])
  expect([...known.lost.values()].every(l => l.at === later(2))).toBe(true)
  expect(known.lost.size).toBe(1)
})
