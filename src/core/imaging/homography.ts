import { solve } from '../numeric/solve'

export interface Point {
  readonly x: number
  readonly y: number
}

/** A plane seen from somewhere: nine numbers, row by row. */
export type Homography = readonly number[]

/**
 * The view that brings four points of a plane to four points of a picture.
 *
 * @source Hartley and Zisserman, Multiple View Geometry, 4.1: direct linear transformation
 * @returns undefined where three of them lie on a line
 */
export const homography = (from: readonly Point[], to: readonly Point[]): Homography | undefined => {
  const rows = from.flatMap((p, i) => {
    const q = to[i] ?? p
    return [
      [p.x, p.y, 1, 0, 0, 0, -q.x * p.x, -q.x * p.y],
      [0, 0, 0, p.x, p.y, 1, -q.y * p.x, -q.y * p.y],
    ]
  })
  const found = solve(
    rows,
    to.flatMap(q => [q.x, q.y]),
  )
  return found && [...found, 1]
}

/** Where a point of the plane is in the picture. */
export const seen = (h: Homography, { x, y }: Point): Point => {
  const [a, b, c, d, e, f, g, i, j] = h as [number, number, number, number, number, number, number, number, number]
  const w = g * x + i * y + j
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w }
}
