import type { Lens } from '../lenses/schema'
import { depthOfField } from '../optics/depth-of-field'
import { imageDistanceMm, magnificationAt, subjectDistance } from '../optics/thin-lens'

/** Marks for pulling focus by hand: where a distance lies on the ring, how deep it is there, and how far one may drift. */

export interface Ring {
  readonly focalMm: number
  /** From infinity to the closest distance. */
  readonly throwDegrees: number
  readonly diameterMm: number
  /** Which way it turns toward infinity, seen from behind the camera. */
  readonly infinityTurn: Lens['infinityTurn']
  /** From the sensor plane. */
  readonly closestMetres: number
  /** Distances that somebody read off the ring, as degrees from infinity; where there are none the thin lens speaks. */
  readonly read?: readonly { readonly metres: number; readonly degrees: number }[] | undefined
}

/** Nearer than at life size no thin lens focuses: four focal lengths. */
const leastMetres = (focalMm: number): number => (4 * focalMm) / 1000

/**
 * How far a lens is moved out for a distance, in millimetres beyond infinity; what focuses nearer than at life size counts
 * as life size.
 *
 * @source thin lens: s' - f = f m
 */
const extensionMm = (focalMm: number, metres: number): number =>
  Number.isFinite(metres)
    ? imageDistanceMm(focalMm, magnificationAt(Math.max(metres, leastMetres(focalMm)), focalMm)) - focalMm
    : 0

/**
 * Where a distance lies on the ring.
 *
 * A ring that moves the whole lens by a thread turns in proportion to how far the lens moves; between distances that
 * were read off the ring it is taken to do so as well.
 *
 * @param metres from the sensor plane; Infinity is 0 degrees
 * @returns degrees from infinity
 * @throws RangeError nearer than the lens focuses
 * @source thin lens
 * @example ringDegrees({ focalMm: 50, throwDegrees: 180, diameterMm: 70, infinityTurn: 'clockwise', closestMetres: 0.5 }, 1) // 78.97
 */
export const ringDegrees = (ring: Ring, metres: number): number => {
  if (metres < ring.closestMetres - 1e-9)
    throw new RangeError(`invalid metres: ${metres}, the lens focuses from ${ring.closestMetres} m on`)
  const at = extensionMm(ring.focalMm, metres)
  const known = [
    { at: 0, degrees: 0 },
    ...(ring.read ?? [])
      .map(r => ({ at: extensionMm(ring.focalMm, r.metres), degrees: r.degrees }))
      .toSorted((a, b) => a.at - b.at),
  ]
  if (known.some((k, i) => i > 0 && (k.degrees <= (known[i - 1]?.degrees ?? 0) || k.degrees > ring.throwDegrees)))
    throw new RangeError('invalid read: nearer distances lie further round the ring, up to its end')
  const end = { at: extensionMm(ring.focalMm, ring.closestMetres), degrees: ring.throwDegrees }
  if ((known.at(-1)?.at ?? 0) < end.at - 1e-9) known.push(end)
  const next = known.findIndex(k => k.at >= at - 1e-12)
  const [a, b] = [known[Math.max(0, next - 1)], known[next]]
  if (!a || !b) return ring.throwDegrees
  return b.at === a.at ? b.degrees : a.degrees + ((b.degrees - a.degrees) * (at - a.at)) / (b.at - a.at)
}

/** Along the circumference. @example stripMm(90, 70) // 54.98 */
export const stripMm = (degrees: number, diameterMm: number): number => (degrees / 360) * Math.PI * diameterMm

export interface Mark {
  readonly name: string
  /** From the sensor plane. */
  readonly metres: number
  /** When focus has to be there, in seconds from the beginning of the take. */
  readonly at: number
}

export interface MarkOnRing extends Mark {
  readonly degrees: number
  /** From the infinity mark, along the strip. */
  readonly mm: number
  /** What is sharp, from the sensor plane; far may be Infinity. */
  readonly near: number
  readonly far: number
  /** How far whoever holds the camera may come nearer, and fall back. */
  readonly driftIn: number
  readonly driftOut: number
  /** From the mark before: seconds, degrees a second, and which way the ring turns seen from behind. */
  readonly pull:
    | { readonly seconds: number; readonly degreesPerSecond: number; readonly turn: Lens['infinityTurn'] | 'none' }
    | undefined
}

const other = (turn: Lens['infinityTurn']): Lens['infinityTurn'] =>
  turn === 'clockwise' ? 'anticlockwise' : 'clockwise'

/**
 * The marks of a take in the order in which they are pulled to.
 *
 * @param fNumber of the take
 * @param circleMm largest blur that still counts as sharp
 * @throws RangeError where a mark is nearer than the lens focuses
 */
export const marksOnRing = (
  ring: Ring,
  marks: readonly Mark[],
  { fNumber, circleMm }: { readonly fNumber: number; readonly circleMm: number },
): readonly MarkOnRing[] => {
  const ordered = marks.toSorted((a, b) => a.at - b.at)
  const degreesOf = new Map(ordered.map(m => [m, ringDegrees(ring, m.metres)]))
  return ordered.map((mark, i): MarkOnRing => {
    const degrees = degreesOf.get(mark) ?? 0
    const before = ordered[i - 1]
    const from = before && (degreesOf.get(before) ?? 0)
    const magnification = magnificationAt(Math.max(mark.metres, leastMetres(ring.focalMm)), ring.focalMm)
    const depth = depthOfField({ focalMm: ring.focalMm, fNumber, circleMm, magnification })
    // Depth counts from the subject; the sensor plane is as far behind the lens for all of it.
    const behindLens = mark.metres - subjectDistance(ring.focalMm, magnification)
    const nearest = Math.max(behindLens, mark.metres - depth.front)
    const turned = from === undefined ? 0 : degrees - from
    const seconds = before ? mark.at - before.at : 0
    return {
      ...mark,
      degrees,
      mm: stripMm(degrees, ring.diameterMm),
      near: nearest,
      far: mark.metres + depth.behind,
      driftIn: depth.front,
      driftOut: depth.behind,
      pull: before && {
        seconds,
        degreesPerSecond: seconds > 0 ? Math.abs(turned) / seconds : Infinity,
        turn: Math.abs(turned) < 1e-9 ? 'none' : turned > 0 ? other(ring.infinityTurn) : ring.infinityTurn,
      },
    }
  })
}

/** Faster than this a hand does not follow a ring well. @source from memory */
export const FAST_DEGREES = 180

/** In millimetres along the strip: marks nearer to each other are one line under a pen. */
const ONE_LINE_MM = 1

/** A line on the strip with the numbers of the marks that lie there, as “1, 3”. */
export interface MarkLine {
  readonly mm: number
  readonly label: string
}

/** Where lines are drawn for marks: those of a take that comes back to a distance share one. */
export const markLines = (marks: readonly Pick<MarkOnRing, 'mm'>[]): readonly MarkLine[] => {
  const lines: { readonly mm: number; readonly numbers: number[] }[] = []
  marks.forEach(({ mm }, i) => {
    const here = lines.find(line => Math.abs(line.mm - mm) < ONE_LINE_MM)
    if (here) here.numbers.push(i + 1)
    else lines.push({ mm, numbers: [i + 1] })
  })
  return lines.map(({ mm, numbers }) => ({ mm, label: numbers.join(', ') }))
}

/** A tick on the strip. */
export interface Tick {
  readonly metres: number
  readonly mm: number
  readonly isLong: boolean
  /** Its distance stands beside it. */
  readonly hasFigure: boolean
}

/** Distances that stand on rings, as far as this one focuses. */
const SCALE = [
  0.1, 0.12, 0.15, 0.2, 0.25, 0.3, 0.35, 0.4, 0.45, 0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.2, 1.5, 1.7, 2, 2.5, 3, 4, 5, 7, 10,
  15, 20, 30, 50,
]
const LONG = [0.2, 0.3, 0.5, 1, 2, 3, 5, 10, 20]

/** Figures nearer to each other than this lie on each other. */
const LABEL_MM = 6

/** The scale of the strip: infinity, round distances, and the closest; figures only where there is room for them. */
export const ticksOn = (ring: Ring): readonly Tick[] => {
  const ticks = [...SCALE.filter(m => m > ring.closestMetres * 1.02), ring.closestMetres, Infinity].map(metres => ({
    metres,
    mm: stripMm(ringDegrees(ring, metres), ring.diameterMm),
    isLong: !Number.isFinite(metres) || metres === ring.closestMetres || LONG.includes(metres),
  }))
  const ends = ticks.filter(t => !Number.isFinite(t.metres) || t.metres === ring.closestMetres)
  const labelled = [...ends]
  for (const t of ticks.filter(x => x.isLong && !ends.includes(x)))
    if (labelled.every(l => Math.abs(l.mm - t.mm) >= LABEL_MM)) labelled.push(t)
  return ticks.map(t => ({ ...t, hasFigure: labelled.includes(t) }))
}
