/**
 * Control maps in numbers: functions go to the controls of bodies, so that the hand works little and finds the same
 * function in the same place. Everything is in hundredths of a unit of effort, whole numbers, so that two ways to the
 * same answer agree to the last digit.
 */
export interface MapProblem {
  readonly functions: number
  /** Places of the hand; a function's house place is one of them. */
  readonly places: number
  readonly bodies: readonly BodyProblem[]
  readonly slides: readonly Slide[]
}

export interface BodyProblem {
  /** The place of each control. */
  readonly place: readonly number[]
  /** What a function costs on a control, by function and control; FORBIDDEN where it cannot be there. */
  readonly cost: readonly (readonly number[])[]
  /** What leaving a function out costs; FORBIDDEN where it must not be left out. */
  readonly leftOut: readonly number[]
  /** What it costs that a function is not in its house place. */
  readonly away: readonly number[]
  /** How far the finger slides from one control to another. */
  readonly distance: readonly (readonly number[])[]
}

/** Two functions that follow each other in one motion. */
export interface Slide {
  readonly from: number
  readonly to: number
  /** How much the distance between them counts. */
  readonly weight: number
}

/** The control of each function on one body; LEFT_OUT where it has none. */
export type BodyMap = Int32Array
export const LEFT_OUT = -1
/** The house place of each function. */
export type House = Int32Array

/** What a body's map costs for given house places. */
export const costOfMap = (
  { slides }: Pick<MapProblem, 'slides'>,
  body: BodyProblem,
  map: BodyMap,
  house: House,
): number => {
  let sum = 0
  map.forEach((control, f) => {
    if (control === LEFT_OUT) {
      sum += body.leftOut[f] ?? 0
      return
    }
    sum += body.cost[f]?.[control] ?? 0
    if (body.place[control] !== house[f]) sum += body.away[f] ?? 0
  })
  for (const s of slides) {
    const [from, to] = [map[s.from] ?? LEFT_OUT, map[s.to] ?? LEFT_OUT]
    // What is left out is nowhere, and nothing slides there.
    sum += s.weight * (body.distance[from]?.[to] ?? 0)
  }
  return sum
}
