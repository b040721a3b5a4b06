import { type Grey, transposed } from './grey'

/** Samples a pixel that the edge is drawn with. @source ISO 12233 (edge spatial frequency response), 4 times */
const FINER = 4
/** Frequencies are told up to here, in cycles a pixel, in steps of one hundredth. */
const HIGHEST = 1
const FREQUENCY_STEP = 0.005
const LEAST_PIXELS = 12
/** Of the whole range of light; less is no edge. */
const LEAST_CONTRAST = 0.02
/** More of the region at the end of the range is cut off by exposure. */
const MOST_CLIPPED = 0.25
const CLIPPED = 0.992
/** An edge this straight hits every pixel in the same place. */
const LEAST_SHIFT = 0.9
const STEEPEST = 1

export interface EdgeResponse {
  readonly kind: 'edge'
  /** Cycles a pixel at which half of the contrast is left; undefined where it never falls so low below the highest. */
  readonly mtf50: number
  /** From the nearer side of the picture, in degrees. */
  readonly angle: number
  /** Contrast left, at frequencies from 0 in steps of `step` cycles a pixel. */
  readonly curve: readonly number[]
  readonly step: number
}

export interface NoEdge {
  readonly kind: 'none'
  readonly why: 'too small' | 'no edge' | 'over-exposed' | 'too straight' | 'too slanted' | 'not straight'
}

interface Line {
  /** The edge is at x = at + slope * y. */
  readonly at: number
  readonly slope: number
  /** How far rows lie off it, root mean square, in pixels. */
  readonly off: number
}

const hamming = (x: number, half: number): number =>
  Math.abs(x) >= half ? 0 : 0.54 + 0.46 * Math.cos((Math.PI * x) / half)

/** Where each row changes most, by the middle of its derivative under a window around where it is expected. */
const lineOf = (grey: Grey, before: Line | undefined): Line | undefined => {
  const { width, height, data } = grey
  const half = before ? Math.max(6, width / 4) : width / 2
  let [n, sy, sx, syy, sxy] = [0, 0, 0, 0, 0]
  const rows: [number, number][] = []
  for (let y = 0; y < height; y++) {
    const centre = before ? before.at + before.slope * y : (width - 1) / 2
    let [weight, moment] = [0, 0]
    for (let x = 1; x < width - 1; x++) {
      const step = ((data[y * width + x + 1] ?? 0) - (data[y * width + x - 1] ?? 0)) * hamming(x - centre, half)
      weight += step
      moment += step * x
    }
    if (Math.abs(weight) < LEAST_CONTRAST / 4) continue
    const x = moment / weight
    if (!(x > 0 && x < width)) continue
    rows.push([y, x])
    n++
    sy += y
    sx += x
    syy += y * y
    sxy += x * y
  }
  const d = n * syy - sy * sy
  if (n < height * 0.7 || d === 0) return undefined
  const slope = (n * sxy - sx * sy) / d
  const at = (sx - slope * sy) / n
  const off = Math.sqrt(rows.reduce((sum, [y, x]) => sum + (x - at - slope * y) ** 2, 0) / n)
  return { at, slope, off }
}

const gradientSums = ({ width, height, data }: Grey): readonly [number, number] => {
  let [across, down] = [0, 0]
  for (let y = 0; y < height - 1; y++)
    for (let x = 0; x < width - 1; x++) {
      const here = data[y * width + x] ?? 0
      across += (data[y * width + x + 1] ?? 0) - here
      down += (data[(y + 1) * width + x] ?? 0) - here
    }
  return [Math.abs(across), Math.abs(down)]
}

const sinc = (x: number): number => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x))

/** The edge across its slant, FINER samples a pixel; places that no pixel fell into are filled from both sides. */
const edgeSpread = (grey: Grey, { at, slope }: Line): Float64Array => {
  const { width, height, data } = grey
  const cos = 1 / Math.sqrt(1 + slope * slope)
  // As far as every row reaches on both sides.
  const ends = [at, at + slope * (height - 1)]
  const reach = Math.floor(Math.min(...ends, ...ends.map(e => width - 1 - e)) * cos)
  const bins = Math.max(0, reach * FINER * 2)
  const [sums, counts] = [new Float64Array(bins), new Float64Array(bins)]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const bin = Math.floor((x - at - slope * y) * cos * FINER + bins / 2)
      if (bin < 0 || bin >= bins) continue
      sums[bin] = (sums[bin] ?? 0) + (data[y * width + x] ?? 0)
      counts[bin] = (counts[bin] ?? 0) + 1
    }
  const spread = sums.map((s, i) => ((counts[i] ?? 0) > 0 ? s / (counts[i] ?? 1) : NaN))
  for (let i = 0; i < bins; i++) {
    if (!Number.isNaN(spread[i])) continue
    let next = i
    while (next < bins && Number.isNaN(spread[next])) next++
    const [a, b] = [spread[i - 1] ?? spread[next] ?? 0, spread[next] ?? spread[i - 1] ?? 0]
    for (let k = i; k < next; k++) spread[k] = a + ((b - a) * (k - i + 1)) / (next - i + 1)
  }
  return spread
}

/** Contrast left at each frequency: the spectrum of the derivative of the edge, without what the method itself takes. */
const responseOf = (spread: Float64Array): readonly number[] => {
  const n = spread.length
  const line = new Float64Array(n)
  for (let i = 1; i < n - 1; i++) line[i] = ((spread[i + 1] ?? 0) - (spread[i - 1] ?? 0)) / 2
  const total = line.reduce((a, b) => a + b, 0)
  // The window stands on the middle of the edge, found twice so that noise far away does not pull it.
  let middle = (n - 1) / 2
  for (let pass = 0; pass < 2; pass++) {
    let [weight, moment] = [0, 0]
    for (let i = 0; i < n; i++) {
      const w = (line[i] ?? 0) * Math.sign(total) * hamming(i - middle, n / (pass + 2))
      weight += w
      moment += w * i
    }
    if (weight > 0) middle = moment / weight
  }
  const windowed = line.map((v, i) => v * hamming(i - middle, n / 2))
  const curve: number[] = []
  let zero = 0
  for (let k = 0; k * FREQUENCY_STEP <= HIGHEST; k++) {
    const f = k * FREQUENCY_STEP
    // One turn from sample to sample, carried along instead of asked for anew.
    const turn = (2 * Math.PI * f) / FINER
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
    let [c, s, re, im] = [1, 0, 0, 0]
    for (const v of windowed) {
      re += v * c
      im += v * s
      ;[c, s] = [c * cos - s * sin, c * sin + s * cos]
    }
    const size = Math.hypot(re, im)
    if (k === 0) zero = size
    // The difference over two places, and the mean over one, each take a known part away.
    curve.push(size / zero / (sinc((2 * f) / FINER) * sinc(f / FINER)))
  }
  return curve
}

const halfOf = (curve: readonly number[]): number => {
  for (let k = 1; k < curve.length; k++) {
    const [a, b] = [curve[k - 1] ?? 1, curve[k] ?? 1]
    if (b < 0.5) return (k - 1 + (a - 0.5) / (a - b)) * FREQUENCY_STEP
  }
  return HIGHEST
}

/**
 * How sharp a straight, slightly slanted edge between dark and light is.
 *
 * @param grey a region in linear light with this one edge through its middle, upright or level
 * @source ISO 12233, edge-based spatial frequency response: line fit, four times finer edge, Hamming window, DFT
 */
export const slantedEdge = (grey: Grey): EdgeResponse | NoEdge => {
  if (grey.width < LEAST_PIXELS || grey.height < LEAST_PIXELS) return { kind: 'none', why: 'too small' }
  let [least, most, clipped] = [Infinity, -Infinity, 0]
  for (const v of grey.data) {
    if (v < least) least = v
    if (v > most) most = v
    if (v >= CLIPPED) clipped++
  }
  if (most - least < LEAST_CONTRAST) return { kind: 'none', why: 'no edge' }
  if (clipped > MOST_CLIPPED * grey.data.length) return { kind: 'none', why: 'over-exposed' }
  const [across, down] = gradientSums(grey)
  const upright = across >= down ? grey : transposed(grey)
  const first = lineOf(upright, undefined)
  const line = first && lineOf(upright, lineOf(upright, first) ?? first)
  if (!line) return { kind: 'none', why: 'no edge' }
  if (Math.abs(line.slope) * upright.height < LEAST_SHIFT) return { kind: 'none', why: 'too straight' }
  if (Math.abs(line.slope) > STEEPEST) return { kind: 'none', why: 'too slanted' }
  if (line.off > Math.max(1, upright.width / 12)) return { kind: 'none', why: 'not straight' }
  const spread = edgeSpread(upright, line)
  if (spread.length < LEAST_PIXELS * FINER) return { kind: 'none', why: 'too slanted' }
  const curve = responseOf(spread)
  return {
    kind: 'edge',
    mtf50: halfOf(curve),
    angle: (Math.atan(Math.abs(line.slope)) * 180) / Math.PI,
    curve,
    step: FREQUENCY_STEP,
  }
}

/** A Gaussian blur of so many pixels leaves half of the contrast at this over its sigma. */
export const GAUSSIAN_HALF = Math.sqrt(Math.LN2 / 2) / Math.PI
