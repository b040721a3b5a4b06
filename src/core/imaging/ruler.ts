import { median } from 'simple-statistics'
import { crop, type Grey } from './grey'
import { solve } from '../numeric/solve'
import { type Homography, type Point, seen } from './homography'
import { GAUSSIAN_HALF, slantedEdge } from './slanted-edge'
import { findSheet, RULER, scaleAt } from './target'

/** Focus found on the inclined ruler. */
export interface FocusFound {
  readonly kind: 'focus'
  /** Millimetres from the focused plane, positive behind it. */
  readonly offset: number
  /** Blur along the ruler: millimetres of depth, and the width of a Gaussian edge in millimetres of the sheet. */
  readonly profile: readonly { readonly depth: number; readonly blur: number }[]
  /** How far the depths lie from the curve through them, as a share of the sharpest. */
  readonly scatter: number
}

export interface FocusTrouble {
  readonly kind: 'trouble'
  readonly why:
    | { readonly kind: 'marks'; readonly found: number; readonly isOther: boolean }
    | { readonly kind: 'small'; readonly pixelsPerMm: number }
    | { readonly kind: 'over-exposed' }
    | { readonly kind: 'edges' }
    | { readonly kind: 'beyond'; readonly side: 'front' | 'behind' }
}

/** Depth of a place on a ruler that leans back by 45 degrees: its far end is the upper one. */
const depthAt = (y: number): number => (RULER.zero - y) * Math.SQRT1_2
const STEP = 2
/** Half of a window along the ruler, in millimetres, and of one across an edge. */
const ALONG = 4
const ACROSS = 6
/** No lens is so near the ruler that it could see all of it. */
const LEAST_DISTANCE = 100
/** Below this no edge can be measured. */
const LEAST_SCALE = 2.5
const LEAST_PLACES = 10
/** Blur up to so many times the least takes part in the curve. */
const NEAR_FOCUS = 4

const trouble = (why: FocusTrouble['why']): FocusTrouble => ({ kind: 'trouble', why })

const boxOf = (points: readonly Point[]) => {
  const [xs, ys] = [points.map(p => p.x), points.map(p => p.y)]
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y }
}

/** Blur of one edge around a place of the ruler, in millimetres; undefined where none can be told. */
const blurAt = (grey: Grey, view: Homography, x: number, y: number): number | 'over-exposed' | undefined => {
  const box = boxOf(
    [
      { x: x - ACROSS, y: y - ALONG },
      { x: x + ACROSS, y: y - ALONG },
      { x: x + ACROSS, y: y + ALONG },
      { x: x - ACROSS, y: y + ALONG },
    ].map(p => seen(view, p)),
  )
  if (box.x < 0 || box.y < 0 || box.x + box.width > grey.width || box.y + box.height > grey.height) return undefined
  // Places are told by the middles of pixels, what is cut out by their edges.
  const found = slantedEdge(crop(grey, { ...box, x: box.x + 0.5, y: box.y + 0.5 }))
  if (found.kind === 'none') return found.why === 'over-exposed' ? 'over-exposed' : undefined
  return GAUSSIAN_HALF / found.mtf50 / scaleAt(view, { x, y })
}

interface Place {
  readonly depth: number
  readonly blur: number
}

/**
 * Where focus lies: away from it blur grows with depth, so that its square is a parabola.
 *
 * What is no blur of focus (the pixels, the lens itself) is the same everywhere in pixels, so that in millimetres it
 * grows with the distance d from the lens. At the depth z the square of all blur is a (z - f)^2 + k (d + z)^2, which is
 * least a little in front of the focus f: from the three coefficients of the parabola and d follow a, k and f.
 *
 * @param distance from the lens to the ruler's zero in millimetres, Infinity where it cannot be told
 */
const vertexOf = (
  places: readonly Place[],
  distance: number,
): { readonly depth: number; readonly scatter: number } | undefined => {
  const sums = new Float64Array(5)
  const right = new Float64Array(3)
  for (const { depth: z, blur } of places) {
    const value = blur * blur
    const weight = 1 / value
    for (let p = 0; p < 5; p++) sums[p] = (sums[p] ?? 0) + weight * z ** p
    for (let p = 0; p < 3; p++) right[p] = (right[p] ?? 0) + weight * value * z ** p
  }
  const s = (i: number) => sums[i] ?? 0
  const found = solve(
    [
      [s(0), s(1), s(2)],
      [s(1), s(2), s(3)],
      [s(2), s(3), s(4)],
    ],
    [...right],
  )
  if (!found) return undefined
  const [c, b, a] = found as [number, number, number]
  if (!(a > 0)) return undefined
  const scatter = median(
    places.map(p => Math.abs(Math.sqrt(Math.max(0, c + b * p.depth + a * p.depth ** 2)) / p.blur - 1)),
  )
  if (distance === Infinity) return { depth: -b / (2 * a), scatter }
  const d = distance
  const still = Math.max(0, (4 * a * c - b * b) / (4 * (a * d * d - b * d + c)))
  return { depth: (2 * still * d - b) / (2 * (a - still)), scatter }
}

/** From the lens to the ruler's zero, in millimetres: what is nearer is larger. */
const distanceOf = (view: Homography): number => {
  const [far, near] = [depthAt(RULER.from), depthAt(RULER.to)]
  const [small, large] = [RULER.from, RULER.to].map(y => scaleAt(view, { x: RULER.width / 2, y })) as [number, number]
  const distance = (small * far - large * near) / (large - small)
  return distance > LEAST_DISTANCE ? distance : Infinity
}

/**
 * How far focus lies in front of or behind the field that was focused on, from one picture of the inclined ruler.
 *
 * @param grey the whole picture in linear light
 */
export const focusOnRuler = (grey: Grey): FocusFound | FocusTrouble => {
  const sheet = findSheet(grey, RULER)
  if (sheet.kind === 'missing') return trouble({ kind: 'marks', found: sheet.marks, isOther: sheet.isOther })
  const { view } = sheet
  const pixelsPerMm = scaleAt(view, { x: RULER.width / 2, y: RULER.zero })
  if (pixelsPerMm < LEAST_SCALE) return trouble({ kind: 'small', pixelsPerMm })
  const profile: Place[] = []
  let over = 0
  let tried = 0
  for (let y = RULER.from; y <= RULER.to; y += STEP) {
    const blurs = RULER.edges.flatMap(edge => {
      const blur = blurAt(grey, view, edge + RULER.slope * (y - RULER.zero), y)
      tried++
      if (blur === 'over-exposed') over++
      return typeof blur === 'number' ? [blur] : []
    })
    if (blurs.length > 0) profile.push({ depth: depthAt(y), blur: median(blurs) })
  }
  if (over > tried / 3) return trouble({ kind: 'over-exposed' })
  if (profile.length < LEAST_PLACES) return trouble({ kind: 'edges' })
  const sharpest = profile.reduce((a, b) => (b.blur < a.blur ? b : a))
  const depths = profile.map(p => p.depth)
  const [nearest, farthest] = [Math.min(...depths), Math.max(...depths)]
  // Places around the sharpest one, as far as the curve is one of focus.
  const around = profile.filter(p => p.blur <= sharpest.blur * NEAR_FOCUS)
  const vertex = around.length < 5 ? undefined : vertexOf(around, distanceOf(view))
  const margin = (farthest - nearest) * 0.06
  if (!vertex || vertex.depth < nearest + margin || vertex.depth > farthest - margin)
    return sharpest.depth < nearest + 2 * margin || sharpest.depth > farthest - 2 * margin
      ? trouble({ kind: 'beyond', side: sharpest.depth < 0 ? 'front' : 'behind' })
      : trouble({ kind: 'edges' })
  return { kind: 'focus', offset: vertex.depth, profile, scatter: vertex.scatter }
}
