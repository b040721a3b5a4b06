import { describe, expect, it } from 'vitest'
import { storedPart } from './films'

/** Where a pixel of the stored picture is shown, as shares: turned clockwise by the rotation, by hand. */
const shown = (u: number, v: number, rotation: number): readonly [number, number] => {
  switch (rotation) {
    case 90:
      return [1 - v, u]
    case 180:
      return [1 - u, 1 - v]
    case 270:
      return [v, 1 - u]
    default:
      return [u, v]
  }
}

describe('a place that was marked on a picture as it is shown', () => {
  it.each([0, 90, 180, 270])('is found in the stored one, turned by %d degrees', rotation => {
    const [width, height] = [480, 270]
    const share = { x: 0.1, y: 0.25, width: 0.2, height: 0.3 }
    const part = storedPart(share, width, height, rotation)
    const corners = [
      shown(part.x / width, part.y / height, rotation),
      shown((part.x + part.width) / width, (part.y + part.height) / height, rotation),
    ]
    const [xs, ys] = [corners.map(c => c[0]), corners.map(c => c[1])]
    // Films store whole pairs of pixels: two of 270 are not quite a hundredth.
    expect(Math.abs(Math.min(...xs) - 0.1)).toBeLessThan(0.012)
    expect(Math.abs(Math.max(...xs) - 0.3)).toBeLessThan(0.012)
    expect(Math.abs(Math.min(...ys) - 0.25)).toBeLessThan(0.012)
    expect(Math.abs(Math.max(...ys) - 0.55)).toBeLessThan(0.012)
  })

  it('stays inside the picture and large enough to be looked at', () => {
    const part = storedPart({ x: 0.99, y: 0.99, width: 0.001, height: 0.001 }, 480, 270, 0)
    expect(part.width).toBeGreaterThanOrEqual(16)
    expect(part.x + part.width).toBeLessThanOrEqual(480)
    expect(part.y + part.height).toBeLessThanOrEqual(270)
  })
})
