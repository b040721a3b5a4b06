/** What is photographed, and what of it has to be sharp. Lengths in metres. */
export interface Subject {
  readonly id: string
  readonly label: string
  /** Side-on, upright, and from front to back. */
  readonly width: number
  readonly height: number
  readonly depth: number
  /** What focus aims for, and its width. */
  readonly part: string
  readonly partSize: number
}

/**
 * A list to begin from; every size can be changed where it is used.
 *
 * @source eye 24 mm: common practice; the others from memory
 */
export const SUBJECTS: readonly Subject[] = [
  { id: 'eye', label: 'eye', width: 0.024, height: 0.024, depth: 0.012, part: 'eye', partSize: 0.024 },
  { id: 'face', label: 'face', width: 0.16, height: 0.24, depth: 0.12, part: 'eye', partSize: 0.024 },
  { id: 'person', label: 'standing person', width: 0.5, height: 1.75, depth: 0.3, part: 'head', partSize: 0.16 },
  { id: 'bird-head', label: 'bird’s head', width: 0.06, height: 0.04, depth: 0.03, part: 'eye', partSize: 0.008 },
  { id: 'small-bird', label: 'small bird', width: 0.15, height: 0.1, depth: 0.08, part: 'head', partSize: 0.03 },
  { id: 'insect', label: 'insect', width: 0.05, height: 0.03, depth: 0.01, part: 'head', partSize: 0.006 },
  { id: 'car', label: 'car', width: 4.5, height: 1.45, depth: 1.8, part: 'driver’s head', partSize: 0.2 },
  { id: 'team', label: 'team of eleven in a row', width: 7, height: 1.85, depth: 0.5, part: 'head', partSize: 0.16 },
]

/** @example subjectOf('face').partSize // 0.024 */
export const subjectOf = (id: string): Subject => {
  const found = SUBJECTS.find(s => s.id === id)
  if (!found) throw new RangeError(`invalid subject: ${id}, expected one of ${SUBJECTS.map(s => s.id).join(', ')}`)
  return found
}
