import { expect, it } from 'vitest'
import { tinyBody } from '../../../test/fixtures/tiny-body'
import { eventWords } from './event-words'
import { knownAfter, NOTHING_KNOWN, type UnitEvent } from './known'
import { proofsOf } from './proof'
import { readinessWords } from './readiness'

const body = tinyBody({ grip: ['loose', 'tight'], beep: ['on', 'off'] })
const said = (event: object, of: typeof body | undefined = body) =>
  eventWords({ at: '2030-05-01T10:00:00Z', by: 'Mirren', ...event } as UnitEvent, of, id => `the ${id}`)

it('says of everything that can happen to a unit what happened', () => {
  const set = { kind: 'set', setting: 'grip', option: 'tight' }
  expect([
    said({ ...set, how: 'card' }),
    said({ ...set, how: 'person' }),
    said({ ...set, how: 'file' }),
    said({ ...set, how: 'card', setting: 'gone', option: 'x' }),
    said({ ...set, how: 'card', option: 'x' }),
    said({ kind: 'read', settings: { grip: 'tight' } }),
    said({ kind: 'read', settings: { grip: 'tight', beep: 'on' } }),
    said({ kind: 'reset' }),
    said({ kind: 'firmware', from: '1.0', to: '1.2' }),
    said({ kind: 'exchanged', what: 'model', from: 'A', to: 'B' }),
    said({ kind: 'exchanged', what: 'serial', from: '1', to: '2' }),
    said({ kind: 'repaired' }),
    said({ kind: 'returned' }),
    said({ kind: 'stored', slot: 'Keep 1', standard: 'ring', version: 3 }),
    said({ kind: 'signed', standard: 'ring', version: 3, minutes: null }),
    said({ kind: 'signed', standard: 'ring', version: 3, minutes: 0.2 }),
    said({ kind: 'signed', standard: 'ring', version: 3, minutes: 4.4 }),
  ]).toEqual([
    'grip set to tight',
    'grip says tight',
    'grip: tight, from a file',
    'gone set to x',
    'grip set to x',
    '1 setting read from a file',
    '2 settings read from a file',
    'reset to factory defaults',
    'firmware 1.0 became 1.2',
    'another model: A became B',
    'another serial number: 1 became 2',
    'came back from repair',
    'came back from a loan',
    'stored in Keep 1: the ring, version 3',
    'signed for the ring, version 3',
    'signed for the ring, version 3, in 1 minute',
    'signed for the ring, version 3, in 4 minutes',
  ])
  expect(said({ ...set, how: 'card' }, undefined)).toBe('grip set to tight')
})

it('says why nobody knows what a unit is set to', () => {
  const why = (kind: string, settings: number, known = NOTHING_KNOWN) =>
    readinessWords({ is: 'unknown', because: [{ why: kind, settings }] } as never, known)
  const told = knownAfter(body, '1.0', [
    { kind: 'set', at: '2030-05-01T10:00:00Z', by: null, setting: 'grip', option: 'tight', how: 'person' },
  ])
  expect(why('repaired', 2)).toContain('came back from repair: may be set to anything')
  expect(why('returned', 2)).toContain('came back from a loan: may be set to anything')
  expect(why('exchanged', 2)).toContain('another camera under this tag: nothing is known of it yet')
  expect(why('firmware', 1)).toContain('new firmware touched 1 setting that matter')
  expect(why('contradicted', 2)).toContain('2 settings cannot be what was told before')
  expect(why('never-told', 2)).toContain('nothing is known of it yet')
  expect(why('never-told', 2, told)).toContain('2 settings not known')
})

it('asks on the camera for what can be tried there, by the names of its own controls', () => {
  const keyed = tinyBody({
    shutter: [
      ['meters', { 'trigger.shutter': 'meters-only' }],
      ['both', { 'trigger.shutter': 'starts-af' }],
    ],
    key: [
      ['start', { 'trigger.start': { control: 'thumb', press: 'held' } }],
      ['second', { 'trigger.second': { control: 'gone', press: 'held' } }],
      ['stop', { 'trigger.stop': { control: 'thumb', press: 'held' } }],
      ['lock', { 'meter.lock': { control: 'thumb', press: 'toggled' } }],
    ],
  })
  const words = (state: Readonly<Record<string, string>>) => proofsOf(keyed, state).map(p => p.words)
  expect(words({ shutter: 'meters', key: 'start' })).toEqual([
    'Half-press the shutter: nothing may focus.',
    'Hold Thumb: it focuses, and follows your hand.',
  ])
  expect(words({ shutter: 'both', key: 'second' })).toEqual([
    'Half-press the shutter: it focuses.',
    'Hold gone with a face in the frame: it finds the face.',
  ])
  expect(words({ shutter: 'both', key: 'stop' })[1]).toBe('Focus, hold Thumb and swing away: focus stays.')
  expect(words({ shutter: 'both', key: 'lock' })[1]).toMatch(/press Thumb and swing away: the exposure stays/)
})
