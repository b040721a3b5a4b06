import * as v from 'valibot'
import { percent } from '../plain-words'
import type { Size } from '../values'
import type { ValueKind } from './kind'

const share = v.pipe(v.number(), v.gtValue(0), v.maxValue(1))
export const SIZE_ENTRIES = { width: share, height: share }

/**
 * Distance of two area sizes by the share of the frame they cover and by their shape: sixteen times the share is another
 * behaviour, and so is one that is sixteen times as long for its height.
 *
 * @example sizeDistance({ width: 0.1, height: 0.1 }, { width: 0.2, height: 0.2 }) // 0.5
 * @example sizeDistance({ width: 1, height: 0.04 }, { width: 0.2, height: 0.2 }) // 1
 */
export const sizeDistance = (a: Size, b: Size): number =>
  Math.min(1, (Math.abs(Math.log(a.width / b.width)) + Math.abs(Math.log(a.height / b.height))) / Math.log(16))

/** How much of the frame. */
export const size: ValueKind<'size'> = {
  schema: () => v.strictObject(SIZE_ENTRIES),
  distance: (_, target, got) => sizeDistance(target, got),
  words: (_, s) => `${percent(s.width)} × ${percent(s.height)} of the frame`,
  reason: (_, w, g) =>
    `covers ${percent(g.width * g.height)} of the frame against ${percent(w.width * w.height)}: (|ln of their widths’ ratio| + |ln of their heights’ ratio|) ÷ ln 16`,
  start: () => ({ width: 0.05, height: 0.06 }),
}
