import type { Rect } from '../core/imaging/grey'

/** Side of the piece that is judged, in pixels of the picture. */
export const PIECE = 420

/** The piece of a picture around a place, as far as it lies within. @param place shares of width and height */
export const pieceAt = (
  { width, height }: { readonly width: number; readonly height: number },
  place: { readonly x: number; readonly y: number },
): Rect => {
  const [w, h] = [Math.min(PIECE, width), Math.min(PIECE, height)]
  const within = (middle: number, size: number, whole: number) =>
    Math.round(Math.min(Math.max(0, middle - size / 2), whole - size))
  return { x: within(place.x * width, w, width), y: within(place.y * height, h, height), width: w, height: h }
}
