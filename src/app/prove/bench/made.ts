import type { Measurable } from '@/core/scales/run'

/** Films and pictures that come with Coherion, drawn by a program, with bodies and lenses of the demo: to try it with. */
const FILMS: readonly { readonly body: string; readonly measures: Measurable; readonly address: string }[] = [
  { body: 'pebble', measures: 'track.hold', address: '/made/pebble-cling.mp4' },
]

export const madeFilmOf = (body: string, measures: Measurable): string | undefined =>
  FILMS.find(f => f.body === body && f.measures === measures)?.address
