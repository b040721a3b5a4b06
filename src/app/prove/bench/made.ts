import type { Measurable } from '@/core/scales/run'

/** Films and pictures that come with Coherion, drawn by a program, with bodies and lenses of the demo: to try it with. */
const FILMS: readonly { readonly body: string; readonly measures: Measurable; readonly address: string }[] = [
  { body: 'pebble', measures: 'track.hold', address: '/made/pebble-cling.mp4' },
]

export const madeFilmOf = (body: string, measures: Measurable): string | undefined =>
  FILMS.find(f => f.body === body && f.measures === measures)?.address

const ten = (name: string): readonly string[] =>
  Array.from({ length: 10 }, (_, i) => `${name}-${String(i + 1).padStart(2, '0')}`)

/** Made pictures of the ruler: of a lens that focuses in front, with nothing set and with +5. */
export const madeRulersOf = (body: string, lens: string, setting: number): readonly string[] => {
  if (body !== 'tollgate' || lens !== 'tollgate-70-300') return []
  return setting === 0 ? ten('ruler-at-0') : setting === 5 ? ten('ruler-at-plus-5') : []
}

/** Made pictures of the chart, over the apertures. */
export const madeChartsOf = (body: string, lens: string): readonly string[] =>
  body === 'sorrel' && lens === 'sorrel-24-70' ? ['2-8', '4', '5-6', '8', '11', '16'].map(f => `chart-f${f}`) : []
