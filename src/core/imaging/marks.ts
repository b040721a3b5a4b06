import { type Grey, shrunk, softened } from './grey'
import type { Point } from './homography'

/**
 * Marks are rings around a dot. Along any line through the middle, dark and light have lengths of 1, 1, 3, 1, 1: so they
 * are found however the sheet is turned.
 */
export const MARK = { dot: 1.5, gap: 2.5, ring: 3.5 } as const

const RATIOS = [1, 1, 3, 1, 1] as const
const UNITS = 7
/** Lengths may differ from what they should be by this share of a unit. */
const SLACK = 0.65
/** Marks are looked for in a picture of about this width. */
const LOOK_WIDTH = 1500
/**
 * How a picture is looked at: smoothed so many times, and dark is what is darker than this share of its surroundings. The
 * first is quick and enough for most pictures; grain breaks the lengths up and needs smoothing, and what is not sharp is
 * not dark.
 */
const LOOKS = [
  { smooth: 0, darker: 0.72 },
  { smooth: 1, darker: 0.72 },
  { smooth: 1, darker: 0.84 },
  { smooth: 3, darker: 0.84 },
] as const
/** The dot reaches no farther than this, in units: beyond it is the ring, even of a sheet seen at a slant. */
const DOT_REACH = 2.4
/** A mark is seen in so many rows at least. */
const LEAST_ROWS = 2

/** Dark places, against the mean of a square around each. */
const darkOf = ({ width, height, data }: Grey, darker: number): Uint8Array => {
  const sums = new Float64Array((width + 1) * (height + 1))
  for (let y = 0; y < height; y++) {
    let row = 0
    for (let x = 0; x < width; x++) {
      row += data[y * width + x] ?? 0
      sums[(y + 1) * (width + 1) + x + 1] = (sums[y * (width + 1) + x + 1] ?? 0) + row
    }
  }
  const half = Math.max(8, Math.round(Math.max(width, height) / 24))
  const dark = new Uint8Array(width * height)
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - half), Math.min(height, y + half)]
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - half), Math.min(width, x + half)]
      const at = (v: number, u: number) => sums[v * (width + 1) + u] ?? 0
      const mean =
        (at(bottom, right) - at(top, right) - at(bottom, left) + at(top, left)) / ((bottom - top) * (right - left))
      dark[y * width + x] = (data[y * width + x] ?? 0) < darker * mean ? 1 : 0
    }
  }
  return dark
}

/** The unit of a mark whose five lengths these are; undefined where they are none. */
const unitOf = (lengths: readonly number[]): number | undefined => {
  const unit = lengths.reduce((a, b) => a + b, 0) / UNITS
  return unit >= 1 && RATIOS.every((r, i) => Math.abs((lengths[i] ?? 0) - r * unit) <= SLACK * unit * (r === 3 ? 2 : 1))
    ? unit
    : undefined
}

interface Sighting extends Point {
  readonly unit: number
}

/** Where a line of dark and light has the lengths of a mark. */
const alongLine = (isDark: (i: number) => boolean, length: number): readonly { middle: number; unit: number }[] => {
  const edges: number[] = [0]
  for (let i = 1; i < length; i++) if (isDark(i) !== isDark(i - 1)) edges.push(i)
  edges.push(length)
  return edges.flatMap((start, k) => {
    const ends = edges.slice(k, k + 6)
    if (ends.length < 6 || !isDark(start)) return []
    const lengths = ends.slice(1).map((e, i) => e - (ends[i] ?? 0))
    const unit = unitOf(lengths)
    return unit === undefined ? [] : [{ middle: ((ends[2] ?? 0) + (ends[3] ?? 0)) / 2, unit }]
  })
}

const sightings = (dark: Uint8Array, width: number, height: number): readonly Sighting[] => {
  const found: Sighting[] = []
  for (let y = 0; y < height; y++)
    for (const { middle, unit } of alongLine(x => dark[y * width + x] === 1, width)) {
      const x = Math.round(middle)
      // The same lengths again, straight down through the middle, perhaps drawn together by a slant.
      const reach = Math.ceil(unit * 6)
      const top = Math.max(0, y - reach)
      const down = alongLine(v => dark[(top + v) * width + x] === 1, Math.min(height, y + reach) - top)
      const here = down.find(d => Math.abs(top + d.middle - y) < unit * 1.5 && d.unit > unit / 3 && d.unit < unit * 3)
      if (here) found.push({ x: middle, y: top + here.middle, unit })
    }
  return found
}

/**
 * The middle of the dot: of the dark pixels that hang together around the place, by how dark each is.
 *
 * A round window would do for a sheet seen straight on. One that leans shows its ring nearer to the dot on two sides;
 * whatever of it came into the window would pull the middle its way.
 */
const refined = (grey: Grey, { x, y, unit }: Sighting): Point => {
  const { width, height, data } = grey
  const r = unit * DOT_REACH
  const [left, top] = [Math.max(0, Math.ceil(x - r)), Math.max(0, Math.ceil(y - r))]
  const [right, bottom] = [Math.min(width - 1, Math.floor(x + r)), Math.min(height - 1, Math.floor(y + r))]
  let [least, most, first] = [Infinity, -Infinity, -1]
  for (let v = top; v <= bottom; v++)
    for (let u = left; u <= right; u++) {
      const away = Math.hypot(u - x, v - y)
      if (away > r) continue
      const value = data[v * width + u] ?? 0
      most = Math.max(most, value)
      // The ring may be as dark as the dot, so the darkest place is looked for near the middle.
      if (away > unit || value >= least) continue
      least = value
      first = v * width + u
    }
  if (first < 0) return { x, y }
  const middle = (least + most) / 2
  const seen = new Set([first])
  const waiting = [first]
  let [weight, mx, my] = [0, 0, 0]
  for (let i = waiting.pop(); i !== undefined; i = waiting.pop()) {
    const [u, v] = [i % width, Math.floor(i / width)]
    // Where dot and ring run into each other the place that was sighted is as good as any.
    if (u <= left || u >= right || v <= top || v >= bottom) return { x, y }
    const w = middle - (data[i] ?? 0)
    weight += w
    mx += w * u
    my += w * v
    for (const next of [i - 1, i + 1, i - width, i + width])
      if (!seen.has(next) && (data[next] ?? 1) < middle) {
        seen.add(next)
        waiting.push(next)
      }
  }
  return weight > 0 ? { x: mx / weight, y: my / weight } : { x, y }
}

interface Cluster extends Sighting {
  readonly rows: number
}

/** Sightings of the same mark, row by row, as one. */
const gathered = (all: readonly Sighting[]): readonly Cluster[] => {
  const clusters: Cluster[] = []
  for (const s of all) {
    const at = clusters.findIndex(c => Math.hypot(c.x - s.x, c.y - s.y) < Math.max(3, c.unit * 2))
    const near = clusters[at]
    if (!near) clusters.push({ ...s, rows: 1 })
    else {
      const mean = (of: 'x' | 'y' | 'unit') => (near[of] * near.rows + s[of]) / (near.rows + 1)
      clusters[at] = { x: mean('x'), y: mean('y'), unit: mean('unit'), rows: near.rows + 1 }
    }
  }
  return clusters.filter(c => c.rows >= LEAST_ROWS)
}

/**
 * The marks of a picture, the best seen first, in pixels of it: once for each way of looking, and each time with those
 * that were seen before. Whoever is content takes no more.
 */
export function* marksIn(grey: Grey): Generator<readonly Point[], void> {
  const by = Math.max(1, Math.round(Math.max(grey.width, grey.height) / LOOK_WIDTH))
  const half = (by - 1) / 2
  let small = shrunk(grey, by)
  let smoothed = 0
  let all: readonly Sighting[] = []
  for (const { smooth, darker } of LOOKS) {
    for (; smoothed < smooth; smoothed++) small = softened(small)
    all = [...all, ...sightings(darkOf(small, darker), small.width, small.height)]
    yield gathered(all)
      .toSorted((a, b) => b.rows / b.unit - a.rows / a.unit)
      .map(c => refined(grey, { x: c.x * by + half, y: c.y * by + half, unit: c.unit * by }))
  }
}
