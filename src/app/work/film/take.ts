import type { Mark, Ring } from '@/core/film/marks'

/** A take as somebody writes it down: a ring, an aperture, and the marks. */
export interface Take {
  readonly lens: string
  readonly body: string
  readonly fNumber: number
  readonly throwDegrees: number
  readonly diameterMm: number
  readonly marks: readonly Mark[]
  readonly read: NonNullable<Ring['read']>
}

/** Where nobody has measured the ring. @source from memory */
export const USUAL_RING = { throwDegrees: 180, diameterMm: 70 } as const

export const FIRST_TAKE: Take = {
  lens: '',
  body: '',
  fNumber: 2.8,
  ...USUAL_RING,
  marks: [
    { name: 'She', metres: 3, at: 0 },
    { name: 'He', metres: 1.5, at: 4 },
    { name: 'She again', metres: 3, at: 7 },
  ],
  read: [],
}

export const readTake = (text: string | null): Take => {
  try {
    return { ...FIRST_TAKE, ...(JSON.parse(text ?? '{}') as Partial<Take>) }
  } catch {
    return FIRST_TAKE
  }
}
