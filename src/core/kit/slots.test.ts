import { describe, expect, it } from 'vitest'
import { slotOfKey, slotsFrom, slotsText, storeKey } from './slots'

const NAMES = ['Keep 1', 'Keep 2', 'Menu, of the day: late']

describe('what goes into which slot', () => {
  it('is the same read from an address as it was written', () => {
    const wishes = [
      { slot: 'Menu, of the day: late', standard: 'ring-action' },
      { slot: 'Keep 2', standard: 'high-rope' },
    ]
    expect(slotsFrom(slotsText(wishes), NAMES, 6)).toEqual(wishes)
    expect(slotsFrom(undefined, NAMES, 6)).toEqual([])
  })

  it('leaves out what the body has not, and more than one walk fills', () => {
    expect(slotsFrom('Keep 9:ring-action,Keep 1:,:x,%E0%A4%A:y', NAMES, 6)).toEqual([])
    expect(slotsFrom('Keep 1:a,Keep 2:b', NAMES, 1)).toEqual([{ slot: 'Keep 1', standard: 'a' }])
    expect(slotsFrom('Keep 1:a,Keep 1:b', NAMES, 6)).toEqual([{ slot: 'Keep 1', standard: 'b' }])
  })

  it('is a step of its own', () => {
    expect(slotOfKey(storeKey('Keep 1'))).toBe('Keep 1')
    expect(slotOfKey('kin=kin-off')).toBeUndefined()
  })
})
