import type { FunctionId } from '../functions/functions'
import type { Facts } from '../guide/facts'
import type { Area, NeutralValue } from '../vocabulary/values'

/** A camera in somebody's hand, as far as it matters when something goes wrong. */
export interface Situation {
  /** What it is set to, by dimension; what nobody knows is missing. */
  readonly means: Readonly<Record<string, NeutralValue>>
  /** Which keys carry which function. */
  readonly keys: Readonly<Record<FunctionId, string>>
  /** Dimensions that this body has any word for. */
  readonly says: ReadonlySet<string>
  /** What is known of the scene: the guide's questions, answered. */
  readonly scene?: Facts | undefined
  /** What the standard asks for here, by dimension. */
  readonly asked?: Readonly<Record<string, NeutralValue>> | undefined
}

/** Whether something is so; undefined where nobody knows what the camera is set to. */
export type Answer = boolean | undefined
export type Condition = (s: Situation) => Answer

const isArea = (value: NeutralValue | undefined): value is Area =>
  typeof value === 'object' && value !== null && 'pattern' in value && 'width' in value

/** What it is set to; who picks and whether it follows may come with the area. */
const valueOf = ({ means }: Situation, dimension: string): NeutralValue | undefined => {
  const area = means['area.pattern']
  const part = isArea(area)
    ? dimension === 'area.chooser'
      ? area.chooser
      : dimension === 'area.follow'
        ? area.follow
        : undefined
    : undefined
  return means[dimension] ?? part
}

export const is =
  (dimension: string, ...values: readonly NeutralValue[]): Condition =>
  s => {
    const value = valueOf(s, dimension)
    return value === undefined ? undefined : values.includes(value)
  }

const measured =
  (dimension: string, holds: (n: number) => boolean): Condition =>
  ({ means }) => {
    const value = means[dimension]
    if (value === undefined) return undefined
    return holds(typeof value === 'number' ? value : value === 'never' ? Infinity : value === 'always' ? 0 : Number.NaN)
  }
export const above = (dimension: string, n: number): Condition => measured(dimension, x => x > n)
export const below = (dimension: string, n: number): Condition => measured(dimension, x => x < n)

const area =
  (holds: (a: Area) => boolean): Condition =>
  ({ means }) => {
    const value = means['area.pattern']
    return isArea(value) ? holds(value) : undefined
  }
/** Wide enough that something else than the subject fits in. */
export const isWide: Condition = area(a => a.width * a.height > 0.05)
export const isWhole: Condition = area(a => a.width * a.height > 0.6)
export const isSmall: Condition = area(a => a.width * a.height < 0.006)

/** Something nearer or farther than the range is not looked for. */
export const isLimited: Condition = ({ means }) => {
  const value = means['range.limit']
  if (typeof value !== 'object' || value === null || !('nearMetres' in value)) return undefined
  return value.farMetres !== 'infinity' || value.nearMetres >= 1
}

export const hasKey =
  (fn: FunctionId): Condition =>
  ({ keys }) =>
    keys[fn] !== undefined

export const not =
  (condition: Condition): Condition =>
  s => {
    const answer = condition(s)
    return answer === undefined ? undefined : !answer
  }
/** Any of them; unknown only where none is true. */
export const either =
  (...conditions: readonly Condition[]): Condition =>
  s => {
    const answers = conditions.map(c => c(s))
    return answers.includes(true) ? true : answers.includes(undefined) ? undefined : false
  }
/** All of them; unknown only where none is false. */
export const both =
  (...conditions: readonly Condition[]): Condition =>
  s => {
    const answers = conditions.map(c => c(s))
    return answers.includes(false) ? false : answers.includes(undefined) ? undefined : true
  }
