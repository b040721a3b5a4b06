import type { LensDraft, Wrong } from './lens-draft'

/** What a group of fields of the form is given. */
export interface LensFieldsProps {
  readonly draft: LensDraft
  /** What is wrong, by field. */
  readonly wrong: Wrong
  readonly set: (next: Partial<LensDraft>) => void
}
