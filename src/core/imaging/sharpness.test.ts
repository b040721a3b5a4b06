import { describe, expect, it } from 'vitest'
import { random } from '../numeric/random'
import type { Grey } from './grey'
import { BLOCKS, gistOf, sharpnessOf } from './sharpness'

const noise = (seed: number, width: number, height: number): Grey => {
  const r = random(seed)
  return { width, height, data: Float32Array.from({ length: width * height }, () => r.next()) }
}
const at = ({ width, data }: Grey, x: number, y: number): number => data[y * width + x] ?? NaN
const mean = ({ data }: Grey): number => [...data].reduce((a, b) => a + b, 0) / data.length

/** The two kernels of Sobel and Feldman (1968), set on every pixel one after the other. */
const ACROSS = [
  [-1, 0, 1],
  [-2, 0, 2],
  [-1, 0, 1],
]
const bySobel = (grey: Grey): number => {
  let sum = 0
  for (let y = 1; y < grey.height - 1; y++)
    for (let x = 1; x < grey.width - 1; x++) {
      let [gx, gy] = [0, 0]
      ACROSS.forEach((row, v) =>
        row.forEach((k, u) => {
          gx += k * at(grey, x + u - 1, y + v - 1)
          gy += k * at(grey, x + v - 1, y + u - 1)
        }),
      )
      sum += gx ** 2 + gy ** 2
    }
  return sum / ((grey.width - 2) * (grey.height - 2)) / mean(grey) ** 2
}

const SIZES = [
  [3, 3],
  [4, 7],
  [16, 16],
  [33, 21],
  [50, 9],
] as const

describe('how sharp a region is', () => {
  it('is the mean square of Sobel’s gradient over the square of the brightness, pixel by pixel', () => {
    for (const [i, [width, height]] of SIZES.entries()) {
      const grey = noise(i + 1, width, height)
      expect(sharpnessOf(grey) / bySobel(grey)).toBeCloseTo(1, 5)
    }
  })

  it('is nothing for an even surface, for darkness, and where no pixel has neighbours all round', () => {
    expect(sharpnessOf({ width: 5, height: 5, data: new Float32Array(25).fill(0.4) })).toBe(0)
    expect(sharpnessOf({ ...noise(1, 5, 5), data: noise(1, 5, 5).data.map(v => v / 1000) })).toBe(0)
    expect(sharpnessOf(noise(1, 2, 9))).toBe(0)
  })

  it('does not change with the light', () => {
    const grey = noise(3, 20, 20)
    expect(sharpnessOf({ ...grey, data: grey.data.map(v => v / 4) }) / sharpnessOf(grey)).toBeCloseTo(1, 5)
  })
})

describe('what is seen in a region', () => {
  it('is the brightness of each block over that of the whole, whether or not the blocks come out even', () => {
    for (const [i, [width, height]] of SIZES.entries()) {
      const grey = noise(i + 1, width, height)
      const blocks = Array.from({ length: BLOCKS * BLOCKS }, (): number[] => [])
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++)
          blocks[Math.floor((y * BLOCKS) / height) * BLOCKS + Math.floor((x * BLOCKS) / width)]?.push(at(grey, x, y))
      const wanted = blocks.map(b => (b.length ? b.reduce((s, v) => s + v, 0) / b.length / mean(grey) : 0))
      gistOf(grey).forEach((v, b) => expect(v).toBeCloseTo(wanted[b] ?? NaN, 4))
    }
  })
})
