import { describe, expect, it } from 'vitest'
import { areaDistance } from './kinds/area'
import { BY_SIZE, typicalArea } from './typical'
import { PATTERNS } from './values'

const share = (pattern: (typeof PATTERNS)[number]) => {
  const { width, height } = typicalArea(pattern)
  return width * height
}

describe('areas as bodies usually have them', () => {
  it('grow from the smallest to the largest', () => {
    const shares = BY_SIZE.map(share)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    expect(new Set([...BY_SIZE, 'all-sizes'])).toEqual(new Set(PATTERNS))
  })

  it('have a pinpoint of about half a single point (common practice, no published source)', () => {
    expect(share('pinpoint') / share('point')).toBeGreaterThan(0.35)
    expect(share('pinpoint') / share('point')).toBeLessThan(0.65)
  })

  it('let the person pick in small ones and the camera in large ones', () => {
    expect(BY_SIZE.map(p => typicalArea(p).chooser)).toEqual([
      ...Array<string>(5).fill('operator'),
      ...Array<string>(3).fill('camera'),
    ])
  })

  it('are further apart the further their sizes are', () => {
    const from = typicalArea('point')
    const distances = ['cross', 'block', 'group'].map(p => areaDistance(from, typicalArea(p as 'cross')))
    expect(distances).toEqual([...distances].sort((a, b) => a - b))
  })
})
