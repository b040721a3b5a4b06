import { describe, expect, it } from 'vitest'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { resolve } from '../resolve'
import { DIMENSIONS } from './dimensions'
import { distance } from './distance'
import { partsOf, statementsOf } from './parts'
import type { Area } from './values'

const block: Area = { pattern: 'block', width: 0.15, height: 0.16, chooser: 'operator', follow: 'off' }
const wanted = tinyStandard({ dimension: 'area.pattern', value: block, weight: 'should' })

it('judges every dimension on parts whose weights add up to one', () => {
  for (const d of DIMENSIONS) {
    const target =
      d.kind === 'area'
        ? block
        : d.kind === 'choice'
          ? (d.values[0] ?? 'x')
          : d.kind === 'assign'
            ? { place: 'lens' as const }
            : 1
    const weights = partsOf(d.id, target).map(p => p.weight)
    expect(weights.reduce((sum, w) => sum + w, 0)).toBeCloseTo(1, 12)
  }
})

describe('an area', () => {
  it('says its size, and who chooses and whether it follows only where it names them', () => {
    expect(statementsOf('area.pattern', block).map(s => s.channel)).toEqual([
      'area.size',
      'area.chooser',
      'area.follow',
    ])
    expect(statementsOf('area.pattern', { pattern: 'zone', width: 0.3, height: 0.3 }).map(s => s.channel)).toEqual([
      'area.size',
    ])
  })

  it('comes to the same whether one choice sets it or three settings do', () => {
    const other: Area = { pattern: 'zone', width: 0.3, height: 0.32, chooser: 'camera', follow: 'automatic' }
    const whole = tinyBody({ area: [['zone', { 'area.pattern': other }]] })
    const split = tinyBody({
      area: [['zone', { 'area.pattern': { pattern: 'zone', width: 0.3, height: 0.32 } }]],
      chooser: [['camera', { 'area.chooser': 'camera' }]],
      follow: [['always', { 'area.follow': 'automatic' }]],
    })
    const off = (body: typeof whole) => resolve(body, wanted).outcomes[0]?.distance
    expect(off(split)).toBe(off(whole))
    expect(off(whole)).toBeCloseTo(
      distance({ id: 'area.pattern', group: 'where', label: '', about: '', kind: 'area' }, block, other),
      5,
    )
  })

  it('is missing altogether where nothing says how large it is', () => {
    const body = tinyBody({ chooser: [['me', { 'area.chooser': 'operator' }]] })
    expect(resolve(body, wanted).outcomes[0]).toMatchObject({
      grade: 'missing',
      distance: 1,
      missing: { why: 'no-setting' },
    })
  })
})

describe('several settings that speak about one thing', () => {
  it('count by the furthest, because nobody can tell which prevails', () => {
    const body = tinyBody({ one: [['a', { 'track.hold': 1 }]], two: [['b', { 'track.hold': 2 }]] })
    const { outcomes } = resolve(body, tinyStandard({ dimension: 'track.hold', value: 1, weight: 'should' }))
    expect(outcomes[0]?.distance).toBeCloseTo(0.5, 6)
  })

  it('count by the nearest for a function on two controls', () => {
    const start = (control: string) => ({ 'trigger.start': { control } })
    const body = tinyBody({ one: [['a', start('thumb')]], two: [['b', start('far')]] })
    const far = { ...(body.controls[0] as (typeof body.controls)[number]), id: 'far', place: 'left-hand' as const }
    const standard = tinyStandard({ dimension: 'trigger.start', value: { place: 'thumb-upper-right' }, weight: 'must' })
    expect(resolve({ ...body, controls: [...body.controls, far] }, standard).outcomes[0]?.distance).toBe(0)
  })

  it('add up for a list', () => {
    const dot: Area = { pattern: 'pinpoint', width: 0.02, height: 0.02 }
    const body = tinyBody({
      one: [['in', { 'area.offered': [block] }]],
      two: [
        ['in', { 'area.offered': [dot] }],
        ['out', {}],
      ],
    })
    const { state, outcomes } = resolve(
      body,
      tinyStandard({ dimension: 'area.offered', value: [block], weight: 'nice' }),
    )
    expect(state['two']).toBe('out')
    expect(outcomes[0]?.distance).toBe(0)
  })

  it('leave to the rules which of them is in effect', () => {
    const body = tinyBody(
      {
        bundle: [
          ['calm', { 'track.hold': 2.1 }],
          ['own', {}],
        ],
        figure: [
          ['short', { 'track.hold': 0.3 }],
          ['right', { 'track.hold': 1.2 }],
        ],
      },
      { rules: [rule('own', { bundle: 'calm' }, { effect: 'unavailable', setting: 'figure' })] },
    )
    const { state } = resolve(body, tinyStandard({ dimension: 'track.hold', value: 1.2, weight: 'should' }))
    expect(state).toEqual({ bundle: 'own', figure: 'right' })
  })
})

it('takes what a body always does for what it does', () => {
  const body = tinyBody(
    { date: ['a', 'b'] },
    { fixed: [{ means: { 'release.first': 'release' }, words: 'Always at once.' }] },
  )
  const first = (value: string) =>
    resolve(body, tinyStandard({ dimension: 'release.first', value, weight: 'must' })).outcomes[0]
  expect(first('release')).toMatchObject({ distance: 0, held: true })
  expect(first('balanced')).toMatchObject({ distance: 0.5, held: false, missing: undefined })
  expect(first('balanced')?.parts[0]?.fixed).toBe('Always at once.')
})
