import type { KEPT_AS, KeptCalculation } from '../standards'
import { answerTo, isQuestion } from './answers'
import type { Answer, QuestionId } from './answers/answer'
import type { CameraFigures, LensFigures } from './figures'
import { type Reckoned, reckon } from './reckon'
import { BEGINNING, type Scene } from './scene'
import { lengthWords, percentWords, plain, type Units } from './words'

/** Calculations that were kept: what they rest on, and whether that is still so. */

type From = Readonly<Record<string, string>>

const mm = (n: number): string => `${plain(n, 4)} mm`
const range = (p: { readonly near: number; readonly far: number }): string =>
  `${lengthWords(p.near, 'metric')} to ${lengthWords(p.far, 'metric')}`

const cameraFrom = (c: CameraFigures, question: QuestionId): From => ({
  sensor: `${mm(c.widthMm)} × ${mm(c.heightMm)}`,
  pixels: `${c.pixelsWide} × ${c.pixelsHigh}`,
  ...(question === 'recompose'
    ? { 'focus points reach': `${percentWords(c.coverage.width)} × ${percentWords(c.coverage.height)}` }
    : {}),
  ...(question === 'area'
    ? Object.fromEntries(
        c.areas.map(a => [
          `area ${a.label}`,
          a.size ? `${percentWords(a.size.width)} × ${percentWords(a.size.height)}` : 'size not known',
        ]),
      )
    : {}),
  ...(question === 'limiter' ? Object.fromEntries(c.ranges.map(p => [`range ${p.label}`, range(p)])) : {}),
})

const lensFrom = (l: LensFigures, question: QuestionId): From => ({
  'focal length': l.focalFrom === l.focalTo ? mm(l.focalTo) : `${plain(l.focalFrom, 4)} to ${mm(l.focalTo)}`,
  'widest aperture': l.widestFrom === l.widestTo ? `f/${l.widestFrom}` : `f/${l.widestFrom} to f/${l.widestTo}`,
  'closest focus': lengthWords(l.closestMetres, 'metric'),
  'largest magnification': l.magnification === undefined ? 'not stated' : plain(l.magnification, 3),
  'pupil magnification': l.pupilMagnification === undefined ? 'not stated' : plain(l.pupilMagnification, 3),
  ...(question === 'limiter' ? Object.fromEntries(l.ranges.map(p => [`limiter ${p.label}`, range(p)])) : {}),
})

/** What an answer about the bodies and lenses of a house rests on, by name; free figures stand in the scene itself. */
const fromOf = (question: QuestionId, camera: CameraFigures | undefined, lens: LensFigures | undefined): From => ({
  ...(camera ? cameraFrom(camera, question) : {}),
  ...(lens ? lensFrom(lens, question) : {}),
})

const named = <T extends { readonly id: string | undefined }>(figures: T): T | undefined =>
  figures.id === undefined ? undefined : figures

/** An answer as it is kept. */
export const calculationOf = (
  r: Reckoned,
  answer: Answer,
  { id, as }: { readonly id: string; readonly as: (typeof KEPT_AS)[number] },
): KeptCalculation => ({
  id,
  question: answer.question,
  as,
  ...(as === 'target' && answer.target ? { dimension: answer.target.dimension } : {}),
  words: answer.verdict,
  short: answer.short,
  // Whole: where a desk begins may change, and what was kept may not.
  scene: { ...r.scene },
  from: fromOf(answer.question, named(r.camera), named(r.lens)),
})

/** The scene that a kept calculation was asked about. */
export const sceneOf = (calculation: Pick<KeptCalculation, 'scene'>): Scene => ({
  ...BEGINNING,
  ...(calculation.scene as Partial<Scene>),
})

/** What a kept calculation would be now, and what of body and lens is not as it was. */
export interface Standing {
  /** What changed under it, in words; empty where nothing did. */
  readonly changed: readonly string[]
  /** What it comes to now, where that can be said. */
  readonly now: Answer | undefined
}

/**
 * Asks a kept calculation again of the body and lens as they are now.
 *
 * @param camera the body it names, undefined where the house has it no more; free figures where it names none
 */
export const standingOf = (
  calculation: KeptCalculation,
  camera: CameraFigures | undefined,
  lens: LensFigures | undefined,
  units: Units,
): Standing => {
  const scene = sceneOf(calculation)
  if (!isQuestion(calculation.question))
    return { changed: ['This version does not know the question any more.'], now: undefined }
  if (!camera) return { changed: ['The body it was worked out for is not here any more.'], now: undefined }
  if (!lens) return { changed: ['The lens it was worked out for is not here any more.'], now: undefined }
  const now = fromOf(calculation.question, named(camera), named(lens))
  const names = [...new Set([...Object.keys(calculation.from), ...Object.keys(now)])]
  return {
    changed: names
      .filter(name => calculation.from[name] !== now[name])
      .map(name => `${name}: was ${calculation.from[name] ?? 'not there'}, is ${now[name] ?? 'gone'}`),
    now: answerTo(calculation.question, reckon(scene, camera, lens, units)),
  }
}
