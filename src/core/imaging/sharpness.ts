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
export const sharpnessOf = (grey: Grey, mean = meanOf(grey.data)): number => {
  const { width, height, data } = grey
  if (width < 3 || height < 3 || mean < DARK) return 0
  let sum = 0
  for (let y = 1; y < height - 1; y++) {
    let above = (y - 1) * width
    let here = above + width
    let below = here + width
    const end = above + width - 2
    // Three columns at a time, of which each is read once: their sums and differences from above to below.
    let [leftDown, leftSum] = slope(data, above, here, below)
    let [middleDown, middleSum] = slope(data, ++above, ++here, ++below)
    while (above <= end) {
      const a = data[++above] as number
      const h = data[++here] as number
      const b = data[++below] as number
      const rightSum = a + 2 * h + b
      const rightDown = b - a
      const across = rightSum - leftSum
      const down = leftDown + 2 * middleDown + rightDown
      sum += across * across + down * down
      leftSum = middleSum
      middleSum = rightSum
      leftDown = middleDown
      middleDown = rightDown
    }
  }
  return sum / ((width - 2) * (height - 2)) / (mean * mean)
}

/** Of one column of three pixels: how much lighter it is below than above, and its weighted sum. */
const slope = (data: Float32Array, above: number, here: number, below: number): [number, number] => {
  const [a, h, b] = [data[above] as number, data[here] as number, data[below] as number]
  return [b - a, a + 2 * h + b]
}

/** Blocks across and down that what is seen in a region is told by. */
export const BLOCKS = 8

/**
 * What is seen in a region, told coarsely: the brightness of its blocks over that of the whole. Focus and flicker hardly
 * change it; something that comes in front does.
 */
export const gistOf = ({ width, height, data }: Grey, mean = meanOf(data)): Float32Array => {
  const sums = new Float32Array(BLOCKS * BLOCKS)
  const counts = new Float32Array(BLOCKS * BLOCKS)
  const columns = Array.from({ length: BLOCKS + 1 }, (_, i) => Math.ceil((i * width) / BLOCKS))
  for (let y = 0; y < height; y++) {
    const row = Math.floor((y * BLOCKS) / height) * BLOCKS
    for (let block = 0; block < BLOCKS; block++) {
      const [from, to] = [columns[block] as number, columns[block + 1] as number]
      let sum = 0
      for (let x = y * width + from; x < y * width + to; x++) sum += data[x] as number
      sums[row + block] = (sums[row + block] ?? 0) + sum
      counts[row + block] = (counts[row + block] ?? 0) + to - from
    }
  }
  const light = Math.max(DARK, mean)
  return sums.map((sum, i) => sum / Math.max(1, counts[i] ?? 1) / light)
}
