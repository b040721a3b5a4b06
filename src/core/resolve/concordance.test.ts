import { describe, expect, it } from 'vitest'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import type { Body } from '../bodies'
import { buildConcordance, concordanceTable } from './concordance'
import { conflictWords, partWords, resolve, summarise, whyWords } from './index'

const named = (body: Body, id: string): Body => ({ ...body, id, model: id })
const patient = (id: string, ...seconds: readonly number[]) =>
  named(tinyBody({ grip: seconds.map(s => [`${s} s`, { 'track.hold': s }] as const) }), id)
const mute = named(
  tinyBody(
    {
      quiet: ['on', 'off'],
      beep: [
        ['loud', { 'see.tone': true }],
        ['mute', { 'see.tone': false }],
      ],
    },
    { rules: [rule('loud', { quiet: 'on' }, { effect: 'forced', setting: 'beep', option: 'loud' })] },
  ),
  'Mute',
)

const standard = tinyStandard(
  { dimension: 'track.hold', value: 1, weight: 'must', tolerance: 0.3 },
  { dimension: 'see.tone', value: false, weight: 'should' },
)
const bodies = [patient('Brisk', 1, 2), patient('Slow', 4), mute]
const resolved = bodies.map((body, i) => ({ body, units: i, resolution: resolve(body, standard) }))

describe('the Concordance', () => {
  const table = buildConcordance(standard, resolved, [{ body: 'Torn', why: 'Its rules leave no state.' }])

  it('says what is wanted with its tolerance, and what each body does, row by row', () => {
    expect(table.rows.map(r => [r.dimension, r.wanted, r.weight, r.layer])).toEqual([
      ['track.hold', '1 s ± 30 %', 'must', 'Only layer'],
      ['see.tone', 'no', 'should', 'Only layer'],
    ])
    expect(table.cells.map(row => row.map(c => [c.main, c.grade, c.held]))).toEqual([
      [
        ['1 s', 'same', true],
        ['4 s', 'different', false],
        ['no such setting', 'missing', false],
      ],
      [
        ['—', 'same', true],
        ['—', 'same', true],
        ['mute', 'same', true],
      ],
    ])
    expect(table.columns.map(c => [c.model, c.units, c.mustsHeld])).toEqual([
      ['Brisk', 0, 1],
      ['Slow', 1, 0],
      ['Mute', 2, 0],
    ])
    expect(table.failed).toEqual([{ body: 'Torn', why: 'Its rules leave no state.' }])
  })

  it('sums up over the bodies: musts held on every one, and between which two the spread is widest', () => {
    expect(table.summary).toMatchObject({
      mustsHeldEverywhere: 0,
      musts: 1,
      brokenMusts: [{ dimension: 'track.hold', bodies: ['Slow', 'Mute'] }],
    })
    expect(table.summary.spreads[0]).toMatchObject({
      label: 'Hold when blocked',
      largest: 1,
      between: ['Brisk', 'Slow'],
      values: ['1 s', '4 s'],
    })
    const held = summarise(resolved.slice(0, 1).map(r => r.resolution))
    expect([held.mustsHeldEverywhere, held.musts, held.brokenMusts]).toEqual([1, 1, []])
  })

  it('comes as rows of text, a broken must among them', () => {
    const [head, hold] = concordanceTable(table)
    expect(head?.slice(0, 8)).toEqual([
      'Group',
      'Target',
      'Wanted',
      'Weight',
      'From',
      'Tiny Brisk',
      'Grade',
      'Distance',
    ])
    expect(hold?.slice(5, 11)).toEqual([
      '1 s (grip)',
      'same',
      '0.000',
      '4 s (grip)',
      'different, breaks a must',
      '1.000',
    ])
  })
})

describe('in words', () => {
  const hold = (body: Body) => {
    const [outcome] = resolve(body, standard).outcomes
    if (!outcome) throw new Error('no outcome')
    return outcome
  }

  it('says why a body has nothing, and how a distance comes about', () => {
    expect(whyWords(mute, hold(mute))).toContain('Mute has no such setting')
    expect(partWords(hold(mute))).toMatchObject([{ got: 'nothing', how: 'absent counts as 1', distance: 1 }])
    const two = patient('Two', 2)
    expect(partWords(hold(two))).toMatchObject([{ wanted: '1 s', got: '2 s', distance: 0.5 }])
    expect(partWords(hold(two))[0]?.how).toContain('a factor of four')
  })

  it('says which musts and rules cannot stand together', () => {
    const torn = tinyBody(
      {
        grip: [
          ['1', { 'track.hold': 1 }],
          ['4', { 'track.hold': 4 }],
        ],
        beep: [
          ['loud', { 'see.tone': true }],
          ['mute', { 'see.tone': false }],
        ],
      },
      { rules: [rule('short', { grip: '1' }, { effect: 'forced', setting: 'beep', option: 'loud' })] },
    )
    const both = tinyStandard(
      { dimension: 'track.hold', value: 1, weight: 'must' },
      { dimension: 'see.tone', value: false, weight: 'must' },
    )
    const { conflicts, mustsHeld } = resolve(torn, both)
    expect(mustsHeld).toBe(1)
    expect(conflicts).toHaveLength(1)
    expect(conflicts[0]).toMatchObject({ rules: [{ id: 'short' }], smallest: true })
    const words = conflicts[0] ? conflictWords(conflicts[0]) : ''
    expect(words).toContain('Rule short.')
    expect(words).toMatch(/Hold when blocked/)
    expect(words).toMatch(/Focus tone/)
  })
})
