import * as v from 'valibot'

/** A passage to rehearse: what moves how, what comes between, what lies behind, how much light there is. */

const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))
const metres = v.pipe(
  v.number(),
  v.minValue(0.1, 'expected at least 0.1 m: nothing goes through the camera'),
  v.maxValue(2000),
)
const seconds = v.pipe(v.number(), v.minValue(0, 'expected a time from 0 on'), v.maxValue(120))

export const passageSchema = v.pipe(
  v.strictObject({
    id: v.pipe(v.string(), v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/), v.maxLength(60)),
    name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(80)),
    seconds: v.pipe(v.number(), v.minValue(0.5), v.maxValue(120)),
    subject: v.strictObject({
      /** What has to be sharp: metres across and high. */
      width: v.pipe(v.number(), v.gtValue(0), v.maxValue(50)),
      height: v.pipe(v.number(), v.gtValue(0), v.maxValue(50)),
      /** Height of its face, where it has one that shows; 0 where it has none. */
      face: v.pipe(v.number(), v.minValue(0), v.maxValue(10)),
      /** Where it is when: seconds and metres from the camera, joined smoothly. */
      path: v.pipe(
        v.array(v.strictObject({ at: seconds, metres })),
        v.minLength(1, 'expected at least one place of the subject'),
        v.maxLength(40),
      ),
      /** How much harder than a still one it is to keep in the middle: 1 where it does not cross the frame. */
      unsteady: v.pipe(v.number(), v.minValue(0.2), v.maxValue(10)),
    }),
    /** What comes in front: from when, for how long, at which distance, over how much of the frame. */
    crossings: v.pipe(
      v.array(
        v.strictObject({
          at: seconds,
          seconds: v.pipe(v.number(), v.gtValue(0), v.maxValue(60)),
          metres,
          covers: share,
        }),
      ),
      v.maxLength(40),
    ),
    background: v.strictObject({ metres, contrast: share }),
    /** Light on what has to be sharp, from none to plenty. */
    light: share,
    /** Other faces that detection may take instead: how many, and how far away they are. */
    others: v.optional(
      v.strictObject({ faces: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(60)), metres }),
    ),
    /** How far the ground it is shot from shakes, degrees (standard deviation): a boat, a cart, a stand that people walk on. */
    shake: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(10))),
  }),
  v.check(p => {
    const times = p.subject.path.map(k => k.at)
    return times.every((t, i) => i === 0 || t > (times[i - 1] ?? 0))
  }, 'expected the places of the subject one after the other'),
)
export type Passage = v.InferOutput<typeof passageSchema>

/**
 * Where the subject is, as a smooth curve through its places that overshoots none of them.
 *
 * @returns metres at a time, the first and last place before and after
 * @source monotone cubic interpolation, Fritsch and Carlson (1980), SIAM Journal on Numerical Analysis 17:238-246
 */
export const pathOf = (path: Passage['subject']['path']): ((t: number) => number) => {
  const [t, y] = [path.map(k => k.at), path.map(k => k.metres)]
  const n = t.length
  const slope = Array.from(
    { length: n - 1 },
    (_, i) => ((y[i + 1] ?? 0) - (y[i] ?? 0)) / ((t[i + 1] ?? 0) - (t[i] ?? 0)),
  )
  const tangent = y.map((_, i) => {
    const [before, after] = [slope[i - 1], slope[i]]
    if (before === undefined || after === undefined) return before ?? after ?? 0
    // Harmonic mean, none at a turn: it neither overshoots nor passes a place.
    return before * after <= 0 ? 0 : (2 * before * after) / (before + after)
  })
  return time => {
    if (time <= (t[0] ?? 0)) return y[0] ?? 1
    if (time >= (t[n - 1] ?? 0)) return y[n - 1] ?? 1
    let i = 0
    while (time > (t[i + 1] ?? Infinity)) i++
    const length = (t[i + 1] ?? 0) - (t[i] ?? 0)
    const s = (time - (t[i] ?? 0)) / length
    const [a, b, m, k] = [y[i] ?? 0, y[i + 1] ?? 0, tangent[i] ?? 0, tangent[i + 1] ?? 0]
    return (
      (1 + 2 * s) * (1 - s) ** 2 * a +
      s * (1 - s) ** 2 * length * m +
      s * s * (3 - 2 * s) * b +
      s * s * (s - 1) * length * k
    )
  }
}
