import { describe, expect, it } from 'vitest'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import { bodyFromArchetype } from './archetypes'
import { allLookedFor, hasNone, isFoundLacking, isNotLookedFor, lookAgain, startLooking } from './looked-for'
import { meansIn } from './means'
import type { Body } from './schema'

const demo = (id: string): Body => demoBodies().find(b => b.id === id) as Body

describe('what was looked for on a body', () => {
  const whole = demo('wicket')
  const begun = startLooking(bodyFromArchetype('mirrorless', { id: 'new', maker: 'Nobody', model: 'New' }))
  const undecided: Body = {
    ...whole,
    settings: whole.settings.map((s, i) => (i === 0 ? { ...s, undecided: true as const } : s)),
  }

  it('is everything on a whole profile: what it does not speak of is not there', () => {
    expect(isFoundLacking(whole, 'see.map')).toBe(true)
    expect(isNotLookedFor(whole, 'see.map')).toBe(false)
    // What it has is not lacking.
    expect(isFoundLacking(whole, 'mode.drive')).toBe(false)
    expect(startLooking(whole)).toBe(whole)
    expect(hasNone(whole, ['see.map'])).toBe(whole)
  })

  it('is not known of a profile that has a row nobody decided, or none at all', () => {
    expect(isFoundLacking(undecided, 'see.map')).toBe(false)
    const empty: Body = { ...whole, settings: [] }
    expect(isFoundLacking(empty, 'see.map')).toBe(false)
    expect(startLooking(empty).lacking).toEqual([])
  })

  it('is kept one by one while a profile grows', () => {
    expect(isNotLookedFor(begun, 'see.map')).toBe(true)
    expect(isFoundLacking(begun, 'see.map')).toBe(false)
    const without = hasNone(hasNone(begun, ['see.map', 'see.lamp']), ['see.map'])
    expect(without.lacking).toEqual(['see.map', 'see.lamp'])
    expect([isNotLookedFor(without, 'see.map'), isFoundLacking(without, 'see.map')]).toEqual([false, true])
    expect(startLooking(without)).toBe(without)
    const again = lookAgain(without, ['see.map'])
    expect(again.lacking).toEqual(['see.lamp'])
    expect(isNotLookedFor(again, 'see.map')).toBe(true)
    expect(allLookedFor(again)).not.toHaveProperty('lacking')
  })

  it('can be looked for again on a whole profile, which then knows of everything else that it is not there', () => {
    const again = lookAgain(whole, ['see.map'])
    expect(isNotLookedFor(again, 'see.map')).toBe(true)
    expect(isFoundLacking(again, 'video.touch')).toBe(true)
    expect(again.lacking).not.toContain('mode.drive')
  })
})

describe('what holds in a state', () => {
  it('is what its options mean, without what is greyed out and what is not in the state', () => {
    const body = tinyBody(
      {
        drive: [
          ['s', { 'mode.drive': 'single' }],
          ['c', { 'mode.drive': 'continuous' }],
        ],
        hold: [
          ['short', { 'track.hold': 0.2 }],
          ['long', { 'track.hold': 4 }],
        ],
      },
      { rules: [rule('grey', { drive: 's' }, { effect: 'unavailable', setting: 'hold' })] },
    )
    expect(meansIn(body, { drive: 's', hold: 'long' })).toEqual({ 'mode.drive': 'single' })
    expect(meansIn(body, { drive: 'c', hold: 'long' })).toEqual({ 'mode.drive': 'continuous', 'track.hold': 4 })
    expect(meansIn(body, { drive: 'c' })).toEqual({ 'mode.drive': 'continuous' })
  })
})
