import type { Lens } from '@/core/lenses/schema'

const range = ({ from, to }: { readonly from: number; readonly to: number }): string =>
  from === to ? String(from) : `${from}–${to}`

export const focalWords = (lens: Lens): string => `${range(lens.focalMm)} mm`
export const apertureWords = (lens: Lens): string => `f/${range(lens.maxAperture)}`

export const turnWords = (lens: Lens): string =>
  `turns ${lens.infinityTurn} toward infinity, seen from behind the camera`
