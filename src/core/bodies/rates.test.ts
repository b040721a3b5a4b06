import { describe, expect, it } from 'vitest'
import { tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { resolve } from '../resolve'
import type { Body } from './schema'

const rates: Body['frameRates'] = [
  { label: 'Low', framesPerSecond: 6, focusBetweenFrames: true, exposureBetweenFrames: true, shutter: 'mechanical' },
  { label: 'High', framesPerSecond: 15, focusBetweenFrames: false, shutter: 'electronic' },
]
const body: Body = {
  ...tinyBody({
    drive: [
      ['once', { 'mode.drive': 'single' }],
      ['on', { 'mode.drive': 'continuous' }],
    ],
    pace: [
      ['low', { 'release.rate': 6 }],
      ['high', { 'release.rate': 15 }],
    ],
  }),
  frameRates: rates,
}
const continuous = { dimension: 'mode.drive', value: 'continuous', weight: 'must' } as const
const fifteen = { dimension: 'release.rate', value: 15, weight: 'should' } as const

describe('what a frame rate implies', () => {
  it('keeps continuous AF from a rate that does not focus between the frames', () => {
    const { state, outcomes } = resolve(body, tinyStandard(continuous, fifteen))
    expect(state).toEqual({ drive: 'on', pace: 'low' })
    const rate = outcomes.find(o => o.target.dimension === 'release.rate')
    expect(rate?.grade).not.toBe('same')
    expect(outcomes.find(o => o.target.dimension === 'release.refocus')).toMatchObject({ held: true, grade: 'same' })
  })

  it('lets the fast rate through where that is asked for, or where focus is taken once', () => {
    const once = { dimension: 'mode.drive', value: 'single', weight: 'must' } as const
    expect(resolve(body, tinyStandard(once, fifteen)).state['pace']).toBe('high')
    const without = { dimension: 'release.refocus', value: false, weight: 'nice' } as const
    expect(resolve(body, tinyStandard(continuous, fifteen, without)).state['pace']).toBe('high')
  })

  it('is asked for by itself too: exposure, and what shuts', () => {
    const shutter = { dimension: 'release.shutter', value: 'mechanical', weight: 'must' } as const
    expect(resolve(body, tinyStandard(shutter)).state['pace']).toBe('low')
    const remeter = { dimension: 'release.remeter', value: true, weight: 'should' } as const
    const { outcomes } = resolve(body, tinyStandard(fifteen, remeter))
    // Nobody said what the high rate does about exposure, so that it is not taken for granted.
    expect(outcomes.find(o => o.target.dimension === 'release.remeter')?.distance).toBe(0)
    expect(resolve(body, tinyStandard({ ...fifteen, weight: 'must' }, remeter)).outcomes[1]?.missing).toBeDefined()
  })

  it('goes by the option where that says it, and by the only rate where there is nothing to choose', () => {
    const said = tinyBody({ pace: [['high', { 'release.rate': 15, 'release.refocus': true }]] })
    const wanted = tinyStandard({ dimension: 'release.refocus', value: true, weight: 'must' })
    expect(resolve({ ...said, frameRates: rates }, wanted).mustsHeld).toBe(1)
    const none = { ...tinyBody({ other: ['a'] }), frameRates: rates.slice(1) }
    expect(resolve(none, wanted).outcomes[0]).toMatchObject({ distance: 1, held: false })
    const slow = { ...none, frameRates: rates.slice(0, 1) }
    expect(resolve(slow, wanted).outcomes[0]).toMatchObject({ distance: 0, held: true })
    // A body that offers rates says it by the rate, not by another one that focuses.
    const offered = { ...tinyBody({ pace: [['high', { 'release.rate': 15 }]] }), frameRates: rates }
    expect(resolve(offered, wanted).outcomes[0]).toMatchObject({ distance: 1, held: false })
    const unclear = { ...none, frameRates: rates }
    expect(resolve(unclear, wanted).outcomes[0]?.missing).toEqual({ why: 'no-setting' })
  })
})
