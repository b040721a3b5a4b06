import type { Measurable } from '@/core/scales/run'

/** What is done for a take, and the two moments that are tapped. */
export const HOW: Readonly<
  Record<Measurable, { readonly arrange: string; readonly begin: string; readonly end: string; readonly never: string }>
> = {
  'track.hold': {
    arrange: 'A chart far away, focused and followed; a board that somebody brings in front of it, near.',
    begin: 'Tap as the board covers the chart',
    end: 'Tap when the board is sharp',
    never: 'It never left the chart',
  },
  'track.switch': {
    arrange: 'Two charts inside the area, one near and one far; the far one is focused.',
    begin: 'Tap as the near chart comes into the area',
    end: 'Tap when the near chart is sharp',
    never: 'It never switched',
  },
  'video.shift': {
    arrange: 'Filming, a chart far away in focus; a board that somebody brings in front of it.',
    begin: 'Tap as the board covers the chart',
    end: 'Tap when focus begins to leave',
    never: 'It never left',
  },
  'video.transition': {
    arrange: 'Filming, one chart far and one near; focus is on the far one, then the near one is chosen.',
    begin: 'Tap when focus begins to travel',
    end: 'Tap when the near chart is sharp',
    never: 'It never arrived',
  },
  'track.acquire': {
    arrange: 'One chart far and one near. Before each take the far one is sharp; then press for focus on the near one.',
    begin: 'Tap as you press for focus',
    end: 'Tap when the near chart is sharp',
    never: 'It never arrived',
  },
}

/** The same order of steps wherever a run is prepared. */
export const ORDER_SEED = 11
