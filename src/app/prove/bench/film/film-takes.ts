import { type ClipNote, type ClipTake, secondsOfTake } from '@/core/scales/clip'
import type { Measurable, Run } from '@/core/scales/run'

/** Films that were followed, and what is done with their takes: which step each was, and which are left out. */

export interface FilmTake extends ClipTake {
  readonly step: string
  readonly isLeftOut: boolean
}

export interface Film {
  readonly name: string
  /** Pictures of a burst, with their own times. */
  readonly isBurst: boolean
  readonly takes: readonly FilmTake[]
  readonly notes: readonly ClipNote[]
  /** Seconds from frame to frame. */
  readonly frame: number
  readonly curve: {
    readonly times: readonly number[]
    readonly far: readonly number[]
    readonly near: readonly number[]
  }
}

/** Films that were followed for one run, as this device keeps them until they are used. */
export const keptFilms = (text: string | null): readonly Film[] => {
  try {
    const kept: unknown = JSON.parse(text ?? '[]')
    return Array.isArray(kept) ? (kept as readonly Film[]) : []
  } catch {
    return []
  }
}

/** Curves to a thousandth of their height: they are drawn, and nothing is measured in them again. */
const slim = (film: Film): Film => {
  const shares = (values: readonly number[]) => {
    const most = values.reduce((a, b) => Math.max(a, b), 1e-9)
    return values.map(v => Number((v / most).toFixed(3)))
  }
  const { times, far, near } = film.curve
  return { ...film, curve: { times: times.map(t => Number(t.toFixed(4))), far: shares(far), near: shares(near) } }
}

export const textOfFilms = (films: readonly Film[]): string => JSON.stringify(films.map(slim))

const s = (seconds: number): string => `${seconds.toFixed(2)} s`

/** What is to be known of a film, in words. */
export const noteWords = (note: ClipNote): string => {
  switch (note.kind) {
    case 'nothing':
      return 'No take was found: nothing comes into the near place, and focus never travels from far to near. Look whether the two places are where they should be, and film on until the board is sharp.'
    case 'short':
      return 'The film is too short to be measured: only a few frames.'
    case 'cut':
      return `There is a cut at ${s(note.at)}: a take that it falls into is left out.`
    case 'long':
      return `Only the first ${Math.round(note.at / 60)} minutes of this film are looked at. Cut off what comes before and add the rest as another film.`
    case 'uneven':
      return `Frames come unevenly, ${Math.round(note.least * 1000)} to ${Math.round(note.most * 1000)} ms apart: moments are good to that.`
    case 'flat':
      return `Nothing to focus on is seen in the ${note.place} place. Move it onto something with contrast.`
  }
}

/** What a take comes to for what is measured; undefined where a moment is missing. */
export const secondsOf = (measured: Measurable, take: FilmTake) => secondsOfTake(measured, take)

/** The takes as a run holds them, without those that are left out or have no time. */
export const takesOfFilms = (films: readonly Film[], measured: Measurable): Run['takes'] =>
  films.flatMap(film =>
    film.takes.flatMap(take => {
      const found = take.isLeftOut ? undefined : secondsOf(measured, take)
      if (!found) return []
      const { blocked, leaves, arrives } = take
      const moments = Object.fromEntries(
        Object.entries({ blocked, leaves, arrives }).filter(([, at]) => at !== undefined && at >= 0),
      )
      return [
        {
          step: take.step,
          seconds: Number(found.seconds.toFixed(4)),
          ...(found.never ? { never: true as const } : {}),
          moments: { film: film.name.slice(0, 120), ...moments },
        },
      ]
    }),
  )
