import { type ClipRead, readClip } from '../core/scales/clip'
import type { Measurable } from '../core/scales/run'
import { followBurst, followFilm, lookAtBurst, lookAtFilm, type Look, type Progress, type Share } from './films'
import { readCharts, readRulers, sharpnessAt } from './pictures'
import { serve } from './serve'

/** Reads films and pictures away from the page. No picture and no film leaves the browser. */

export type ImagingAsk =
  | { readonly kind: 'look'; readonly files: readonly File[] }
  | {
      readonly kind: 'follow'
      readonly files: readonly File[]
      readonly far: Share
      readonly near: Share
      readonly measured: Measurable
    }
  | { readonly kind: 'rulers'; readonly files: readonly File[] }
  | { readonly kind: 'charts'; readonly files: readonly File[] }
  | {
      readonly kind: 'sharpness'
      readonly files: readonly File[]
      readonly places: readonly { readonly x: number; readonly y: number }[]
    }

/** What is drawn of a place: its sharpness, frame by frame. */
interface Curve {
  readonly times: readonly number[]
  readonly far: readonly number[]
  readonly near: readonly number[]
}

type ReadOf<Pictures extends (files: readonly File[]) => AsyncGenerator> =
  ReturnType<Pictures> extends AsyncGenerator<infer Found> ? Found : never
export type RulerRead = ReadOf<typeof readRulers>
export type ChartRead = ReadOf<typeof readCharts>

export type ImagingAnswer =
  | ({ readonly kind: 'look' } & Look)
  | ({ readonly kind: 'progress' } & Progress)
  | { readonly kind: 'clip'; readonly read: ClipRead; readonly curve: Curve }
  | { readonly kind: 'rulers'; readonly pictures: readonly RulerRead[]; readonly of: number }
  | { readonly kind: 'charts'; readonly pictures: readonly ChartRead[]; readonly of: number }
  | { readonly kind: 'sharpness'; readonly pictures: readonly (number | undefined)[]; readonly of: number }

/** A film is one file; a burst is many pictures. */
const filmOf = (files: readonly File[]): File | undefined =>
  files.length === 1 && !files[0]?.type.startsWith('image/') ? files[0] : undefined

async function* answersTo(ask: ImagingAsk): AsyncGenerator<ImagingAnswer> {
  const film = filmOf(ask.files)
  switch (ask.kind) {
    case 'look':
      yield { kind: 'look', ...(await (film ? lookAtFilm(film) : lookAtBurst(ask.files))) }
      return
    case 'follow':
      for await (const heard of film
        ? followFilm(film, ask.far, ask.near)
        : followBurst(ask.files, ask.far, ask.near)) {
        if ('done' in heard) yield { kind: 'progress', ...heard }
        else
          yield {
            kind: 'clip',
            read: readClip(heard, ask.measured),
            curve: { times: heard.times, far: heard.far.sharpness, near: heard.near.sharpness },
          }
      }
      return
    case 'rulers': {
      const pictures: RulerRead[] = []
      for await (const read of readRulers(ask.files)) {
        pictures.push(read)
        yield { kind: 'rulers', pictures: [...pictures], of: ask.files.length }
      }
      return
    }
    case 'sharpness': {
      const pictures: (number | undefined)[] = []
      for await (const value of sharpnessAt(ask.files, ask.places)) {
        pictures.push(value)
        yield { kind: 'sharpness', pictures: [...pictures], of: ask.files.length }
      }
      return
    }
    case 'charts': {
      const pictures: ChartRead[] = []
      for await (const read of readCharts(ask.files)) {
        pictures.push(read)
        yield { kind: 'charts', pictures: [...pictures], of: ask.files.length }
      }
    }
  }
}

serve<ImagingAsk, ImagingAnswer>('imaging', answersTo)
