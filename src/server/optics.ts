import 'server-only'
import { type CameraFigures, cameraFigures, type LensFigures, lensFigures } from '@/core/optics/figures'
import type * as v from 'valibot'
import { allTroubles, answerTo, isQuestion } from '@/core/optics/answers'
import { questionTitle } from '@/core/optics/titles'
import type { Answer, QuestionId } from '@/core/optics/answers/answer'
import { framedAlike } from '@/core/optics/answers/framing'
import { keepIn } from '@/core/optics/keep'
import { sceneOf, standingOf } from '@/core/optics/kept'
import { freeCamera, freeLens, reckon } from '@/core/optics/reckon'
import { type Scene, sceneText } from '@/core/optics/scene'
import { subjectOf } from '@/core/optics/subjects'
import { fNumberWords, lengthWords, plain, type Units } from '@/core/optics/words'
import type { KeptCalculation, Standard } from '@/core/standards'
import type { Actor } from './actor'
import { firmwareOf, formOf, listBodies, listLenses, readBodies, readBody, readStandard, units } from './catalogue'
import { readLens } from './lenses'
import { RequestError } from './problems'
import type { keepCalculationSchema } from './queries'
import { draftToWrite, saveStandardDraft } from './standards'

/** What the Optics desk knows of the bodies and lenses of the house. */
export interface DeskFigures {
  readonly cameras: readonly CameraFigures[]
  readonly lenses: readonly LensFigures[]
}

/** Figures of every body, as the firmware that most of its units run, and of every lens. */
export const readDeskFigures = async (): Promise<DeskFigures> => {
  const [bodies, owned, lenses] = await Promise.all([listBodies().then(readBodies), units(), listLenses()])
  return {
    cameras: bodies.map(body => cameraFigures(formOf(body, firmwareOf(body.document, owned)))),
    lenses: lenses.map(lensFigures),
  }
}

/**
 * The body and the lens that a scene is about: of the house, or by the figures in the scene itself.
 *
 * @throws RequestError 404 where the house has none of that name
 */
export const readFiguresFor = async (
  scene: Scene,
): Promise<{ readonly camera: CameraFigures; readonly lens: LensFigures }> => {
  const body = scene.body ? await readBody(scene.body) : undefined
  const lens = scene.lens ? (await readLens(scene.lens)).document : undefined
  return {
    camera: body ? cameraFigures(formOf(body, firmwareOf(body.document, await units()))) : freeCamera(scene),
    lens: lens ? lensFigures(lens) : freeLens(scene),
  }
}

/**
 * An answer to one question about a scene, with what could not be as it was asked.
 *
 * @param on asks it of another body, framed the same
 */
export const answerOptics = async (question: QuestionId, scene: Scene, units: Units, on?: string) => {
  const own = await readFiguresFor(scene)
  const { camera, lens } =
    on === undefined || on === scene.body
      ? own
      : framedAlike(own.camera, (await readFiguresFor({ ...scene, body: on })).camera, own.lens, scene.focalMm)
  const r = reckon({ ...scene, focalMm: camera === own.camera ? scene.focalMm : lens.focalTo }, camera, lens, units)
  return { answer: answerTo(question, r), troubles: allTroubles(r), r }
}

export interface KeptView {
  readonly standard: string
  readonly name: string
  readonly version: number
  readonly layer: string
  readonly short: string
  readonly revision: number
  /** The draft before, to take it back with. */
  readonly before: Standard
}

/**
 * Keeps an answer in the draft of a standard, which is begun where none is open. What is kept is worked out here, from
 * the bodies and lenses as they are stored.
 *
 * @throws RequestError 422 where the answer cannot be kept that way
 */
export const keepOptics = async (
  standardId: string,
  { question, scene, ...request }: v.InferOutput<typeof keepCalculationSchema>,
  actor: Actor,
): Promise<KeptView> => {
  const { answer, r } = await answerOptics(question, scene, 'metric')
  if (request.as === 'target' && !answer.target)
    throw new RequestError(
      422,
      'Cannot be kept so',
      'This answer asks nothing of a camera; keep it as a figure or as a note.',
    )
  const noSuchLayer = (name: string) =>
    new RequestError(422, 'No such layer', `${name} has no layer of its own called “${request.layer ?? ''}”.`)
  // Looked at before a draft is begun for nothing.
  const { document: now } = await readStandard(standardId)
  if (!keepIn(now, r, answer, request)) throw noSuchLayer(now.name)
  const { id, version, document, revision } = await draftToWrite(standardId, actor)
  const kept = keepIn(document, r, answer, request)
  if (!kept) throw noSuchLayer(document.name)
  const saved = await saveStandardDraft(
    id,
    version,
    { document: kept.standard, revision, what: `optics: kept ${kept.calculation.short}`.slice(0, 400) },
    actor,
  )
  return {
    standard: id,
    name: document.name,
    version,
    layer: kept.layer,
    short: kept.calculation.short,
    revision: saved.revision,
    before: document,
  }
}

/** A calculation on a card or in a standard, with what changed under it. */
export interface CalculationView {
  readonly id: string
  readonly as: KeptCalculation['as']
  readonly title: string
  /** In both systems where nothing changed under it; as it was kept where something did. */
  readonly short: Both
  readonly words: Both
  /** What it was asked about: lens, subject and distance. */
  readonly about: Both
  readonly changed: readonly string[]
  /** What it would be now, where that is something else. */
  readonly now: Both | undefined
  /** The scene, for the desk. */
  readonly scene: string
}

export interface Both {
  readonly metric: string
  readonly imperial: string
}

const both = (say: (units: Units) => string): Both => ({ metric: say('metric'), imperial: say('imperial') })

/** Calculations that were kept, asked again of bodies and lenses as they are now. */
export const viewCalculations = async (
  calculations: readonly KeptCalculation[],
): Promise<readonly CalculationView[]> => {
  if (calculations.length === 0) return []
  const { cameras, lenses } = await readDeskFigures()
  return calculations.map(c => {
    const scene = sceneOf(c)
    const camera = scene.body ? cameras.find(x => x.id === scene.body) : freeCamera(scene)
    const lens = scene.lens ? lenses.find(x => x.id === scene.lens) : freeLens(scene)
    const [metric, imperial] = [standingOf(c, camera, lens, 'metric'), standingOf(c, camera, lens, 'imperial')]
    const { changed } = metric
    const again = (pick: (a: Answer) => string, kept: string): Both => ({
      metric: metric.now ? pick(metric.now) : kept,
      imperial: imperial.now ? pick(imperial.now) : kept,
    })
    const asKept = (pick: (a: Answer) => string, kept: string): Both =>
      changed.length === 0 ? again(pick, kept) : { metric: kept, imperial: kept }
    return {
      id: c.id,
      as: c.as,
      title: isQuestion(c.question) ? questionTitle(c.question) : c.question,
      short: asKept(a => a.short, c.short),
      words: asKept(a => a.verdict, c.words),
      about: both(units =>
        [
          lens && `${lens.name}${lens.focalFrom === lens.focalTo ? '' : ` at ${plain(scene.focalMm, 4)} mm`}`,
          `${subjectOf(scene.subject).label} at ${lengthWords(scene.distance, units)}`,
          fNumberWords(scene.fNumber),
        ]
          .filter(Boolean)
          .join(', '),
      ),
      changed,
      now: changed.length > 0 && metric.now && metric.now.short !== c.short ? again(a => a.short, c.short) : undefined,
      scene: sceneText(scene),
    }
  })
}
