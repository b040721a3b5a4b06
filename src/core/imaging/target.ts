import { marksIn } from './marks'
import type { Grey } from './grey'
import { type Homography, homography, type Point, seen } from './homography'

/**
 * The two sheets that are photographed, in millimetres as they are printed, from the upper left corner. The paper is
 * drawn from these same figures.
 */
export interface Layout {
  readonly width: number
  readonly height: number
  /** Four around, and a fifth that tells which side is up. */
  readonly marks: readonly [Point, Point, Point, Point, Point]
  /** Unit of the marks: a ring is seven of them wide. */
  readonly unit: number
}

const at = (x: number, y: number): Point => ({ x, y })

/**
 * The inclined ruler: dark stripes along it, whose edges are sharpest where focus is. Its marks stand near the zero
 * line, where even a wide opening leaves them to be seen.
 */
export const RULER: Layout & {
  /** The line that stands level with the field that is focused on. */
  readonly zero: number
  readonly from: number
  readonly to: number
  /** Edges run at x = at + slope * (y - zero). */
  readonly edges: readonly number[]
  /** How far the last stripe goes beyond its edge. */
  readonly last: number
  readonly slope: number
} = {
  width: 90,
  height: 170,
  marks: [at(11, 57), at(79, 57), at(79, 113), at(11, 113), at(11, 85)],
  unit: 2.2,
  zero: 85,
  from: 18,
  to: 152,
  edges: [30, 44, 58],
  last: 8,
  slope: 0.07,
}

/** The chart of five slanted squares: centre and corners. */
export const CHART: Layout & {
  readonly fields: readonly { readonly id: FieldId; readonly middle: Point }[]
  readonly side: number
  /** Degrees that the squares are turned by. */
  readonly turn: number
} = {
  width: 270,
  height: 180,
  marks: [at(95, 50), at(175, 50), at(175, 130), at(95, 130), at(115, 50)],
  unit: 1.6,
  fields: [
    { id: 'centre', middle: at(135, 90) },
    { id: 'upper-left', middle: at(26, 26) },
    { id: 'upper-right', middle: at(244, 26) },
    { id: 'lower-left', middle: at(26, 154) },
    { id: 'lower-right', middle: at(244, 154) },
  ],
  side: 36,
  turn: 5,
}

export type FieldId = 'centre' | 'upper-left' | 'upper-right' | 'lower-left' | 'lower-right'

export type Found =
  | { readonly kind: 'found'; readonly view: Homography; readonly turned: number }
  | { readonly kind: 'missing'; readonly marks: number; readonly isOther: boolean }

/** The fifth mark may lie off by this share of the sheet's width. */
const OFF = 0.02
/** More marks than this are not tried. */
const MOST = 9

const fours = (points: readonly Point[]): readonly (readonly Point[])[] =>
  points.flatMap((a, i) =>
    points
      .slice(i + 1)
      .flatMap((b, j) => points.slice(i + j + 2).flatMap((c, k) => points.slice(i + j + k + 3).map(d => [a, b, c, d]))),
  )

/** Four points in the order in which they go around, as they are seen. */
const around = (points: readonly Point[]): readonly Point[] => {
  const [x, y] = [points.reduce((s, p) => s + p.x, 0) / 4, points.reduce((s, p) => s + p.y, 0) / 4]
  return points.toSorted((a, b) => Math.atan2(a.y - y, a.x - x) - Math.atan2(b.y - y, b.x - x))
}

/** How the sheet lies in a picture whose marks these are: the way in which all five of its marks fit best. */
const fit = (layout: Layout, marks: readonly Point[]): Homography | undefined => {
  const fifth = layout.marks[4]
  let best: { readonly view: Homography; readonly off: number } | undefined
  for (const four of fours(marks.slice(0, MOST))) {
    const ring = around(four)
    for (let turn = 0; turn < 4; turn++) {
      const view = homography(
        layout.marks.slice(0, 4),
        ring.map((_, i) => ring[(i + turn) % 4] as Point),
      )
      if (!view) continue
      const wanted = seen(view, fifth)
      const size = Math.hypot(
        seen(view, layout.marks[1]).x - seen(view, layout.marks[0]).x,
        seen(view, layout.marks[1]).y - seen(view, layout.marks[0]).y,
      )
      const off =
        Math.min(...marks.filter(m => !four.includes(m)).map(m => Math.hypot(m.x - wanted.x, m.y - wanted.y))) / size
      if (off < (best?.off ?? OFF)) best = { view, off }
    }
  }
  return best?.view
}

/** Finds a sheet by its marks. */
export const findSheet = (grey: Grey, layout: Layout): Found => {
  let seenMost = 0
  for (const marks of marksIn(grey)) {
    const view = fit(layout, marks)
    if (view) {
      const [a, b] = [seen(view, layout.marks[0]), seen(view, layout.marks[1])]
      return { kind: 'found', view, turned: (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI }
    }
    if ([RULER, CHART].some(l => l !== layout && fit(l, marks)))
      return { kind: 'missing', marks: marks.length, isOther: true }
    seenMost = Math.max(seenMost, marks.length)
  }
  return { kind: 'missing', marks: seenMost, isOther: false }
}

/** Pixels to a millimetre around a point of the sheet, along its width. */
export const scaleAt = (view: Homography, { x, y }: Point): number => {
  const [a, b] = [seen(view, { x: x - 1, y }), seen(view, { x: x + 1, y })]
  return Math.hypot(b.x - a.x, b.y - a.y) / 2
}
