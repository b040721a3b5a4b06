import { type Grey, meanOf } from './grey'

/** Darker than this, as a share of white, nothing is seen. */
const DARK = 0.002

/**
 * How sharp a region is: the mean square of its gradient (Sobel), over the square of its brightness, so that light that
 * flickers does not count as focus.
 *
 * @returns 0 for an even surface; only values of one region can be compared with each other
 * @source Tenenbaum's gradient measure, as in Pertuz, Puig and Garcia (2013), Pattern Recognition 46:1415-1432
 */
export const sharpnessOf = (grey: Grey): number => {
  const { width, height, data } = grey
  const mean = meanOf(data)
  if (width < 3 || height < 3 || mean < DARK) return 0
  let sum = 0
  for (let y = 1; y < height - 1; y++) {
    const [above, here, below] = [(y - 1) * width, y * width, (y + 1) * width]
    for (let x = 1; x < width - 1; x++) {
      const nw = data[above + x - 1] ?? 0
      const ne = data[above + x + 1] ?? 0
      const sw = data[below + x - 1] ?? 0
      const se = data[below + x + 1] ?? 0
      const across = ne + 2 * (data[here + x + 1] ?? 0) + se - nw - 2 * (data[here + x - 1] ?? 0) - sw
      const down = sw + 2 * (data[below + x] ?? 0) + se - nw - 2 * (data[above + x] ?? 0) - ne
      sum += across * across + down * down
    }
  }
  return sum / ((width - 2) * (height - 2)) / (mean * mean)
}

/** Blocks across and down that what is seen in a region is told by. */
export const BLOCKS = 8

/**
 * What is seen in a region, told coarsely: the brightness of its blocks over that of the whole. Focus and flicker hardly
 * change it; something that comes in front does.
 */
export const gistOf = ({ width, height, data }: Grey): Float32Array => {
  const sums = new Float32Array(BLOCKS * BLOCKS)
  const counts = new Float32Array(BLOCKS * BLOCKS)
  for (let y = 0; y < height; y++) {
    const row = Math.min(BLOCKS - 1, Math.floor((y * BLOCKS) / height)) * BLOCKS
    for (let x = 0; x < width; x++) {
      const block = row + Math.min(BLOCKS - 1, Math.floor((x * BLOCKS) / width))
      sums[block] = (sums[block] ?? 0) + (data[y * width + x] ?? 0)
      counts[block] = (counts[block] ?? 0) + 1
    }
  }
  const mean = Math.max(DARK, meanOf(data))
  return sums.map((sum, i) => sum / Math.max(1, counts[i] ?? 1) / mean)
}
