/** The five grades people read, from the distance of a body's behaviour to the target. */
export type Grade = 'same' | 'near' | 'stand-in' | 'different' | 'missing'

export const GRADES: readonly Grade[] = ['same', 'near', 'stand-in', 'different', 'missing']

export const GRADE_LIMITS = { same: 0.05, near: 0.25, 'stand-in': 0.6 } as const

/** @example gradeOf(0.41) // 'stand-in' */
export const gradeOf = (distance: number): Exclude<Grade, 'missing'> =>
  distance <= GRADE_LIMITS.same
    ? 'same'
    : distance <= GRADE_LIMITS.near
      ? 'near'
      : distance <= GRADE_LIMITS['stand-in']
        ? 'stand-in'
        : 'different'
