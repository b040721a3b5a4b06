import 'server-only'
import { lensNameIn, turnsAgainst } from '@/core/lenses/schema'
import type * as v from 'valibot'
import { marksOnRing, type Ring } from '@/core/film/marks'
import { schoolsOf } from '@/core/guide/guide'
import { circleOfConfusionMm } from '@/core/optics/circle-of-confusion'
import { type BodyScale, scalesOf } from '@/core/phrasebook/scales'
import { effectiveTargets } from '@/core/standards'
import type { Grade } from '@/core/vocabulary/grade'
import { firmwareOf, formOf, listLenses, readBody, readStandard, units } from './catalogue'
import { type InHand, readConcordance, readInHand } from './concordance'
import { RequestError } from './problems'
import type { ringStripSchema } from './queries'
import { work } from './working'

/** Focus for the moving picture: what a standard sets for film, on each body in hand; and the lenses of the house. */

export interface FilmRow {
  readonly dimension: string
  readonly label: string
  readonly wanted: string
  readonly cells: readonly {
    readonly body: string
    readonly words: string
    readonly grade: Grade
    readonly distance: number
  }[]
}

export interface FilmLens {
  readonly id: string
  readonly name: string
  readonly focalMm: number
  readonly fNumber: number
  readonly closestMetres: number
  readonly infinityTurn: Ring['infinityTurn']
  /** Its ring turns against most of the house. */
  readonly isOdd: boolean
  readonly isByWire: boolean
}

export interface FilmView {
  readonly standard: { readonly id: string; readonly name: string } | undefined
  /** What it asks of travel and wait, in seconds in front of the camera. */
  readonly travel: number | undefined
  readonly wait: number | undefined
  readonly rows: readonly FilmRow[]
  readonly travels: readonly BodyScale[]
  readonly waits: readonly BodyScale[]
  readonly bodies: readonly { readonly id: string; readonly name: string; readonly circleMm: number }[]
  readonly lenses: readonly FilmLens[]
  /** Questions on which people who film disagree, and the schools that answer each. */
  readonly schools: readonly {
    readonly title: string
    readonly all: readonly { readonly title: string; readonly reason: string }[]
  }[]
}

const QUESTIONS = [
  ['video-run', 'Who drives it'],
  ['rack', 'How fast it travels'],
  ['shift', 'How long it waits'],
  ['video-touch', 'What a touch does'],
  ['assist', 'The ring while AF runs'],
] as const

/** What is not for film alone, and matters on film all the same. */
const ALSO: readonly string[] = [
  'see.peaking',
  'see.magnify',
  'see.lamp',
  'see.tone',
  'mode.override',
  'subject.class',
  'area.pattern',
]

const seconds = (value: unknown): number | undefined => (typeof value === 'number' ? value : undefined)

/** The standard that was asked for; else one that says something about film. */
export const readFilm = async (asked: InHand): Promise<FilmView> => {
  const hand = await readInHand(asked)
  const all = await units()
  const stored = await Promise.all(hand.chosen.map(b => readBody(b.id)))
  const forms = stored.map(b => formOf(b, firmwareOf(b.document, all)))
  const standard = hand.ref === undefined ? undefined : (await readStandard(hand.ref)).document
  const targets = standard ? effectiveTargets(standard, hand.context) : []
  const target = (id: string) => seconds(targets.find(t => t.dimension === id)?.value)
  const concordance = hand.ref === undefined ? undefined : await readConcordance(hand.ref, hand.chosen, hand.context)
  const lenses = await listLenses()
  const odd = turnsAgainst(lenses)
  return {
    schools: QUESTIONS.map(([topic, title]) => ({
      title,
      all: schoolsOf(topic, { output: ['video'] }).map(({ title: name, reason }) => ({ title: name, reason })),
    })),
    standard: standard && { id: standard.id, name: standard.name },
    travel: target('video.transition'),
    wait: target('video.shift'),
    rows: (concordance?.rows ?? []).flatMap((row, r): FilmRow[] => {
      if (row.group !== 'video' && !ALSO.includes(row.dimension)) return []
      const cells = concordance?.cells[r] ?? []
      return [
        {
          dimension: row.dimension,
          label: row.label,
          wanted: row.wanted,
          cells: cells.map((c, i) => ({
            body: concordance?.columns[i]?.model ?? '',
            words: c.main,
            grade: c.grade,
            distance: c.distance,
          })),
        },
      ]
    }),
    travels: scalesOf(forms, 'video.transition', lensNameIn(lenses)),
    waits: scalesOf(forms, 'video.shift', lensNameIn(lenses)),
    bodies: forms.map(b => ({
      id: b.id,
      name: `${b.maker} ${b.model}`,
      circleMm: circleOfConfusionMm({ basis: 'print', divisor: 1500 }, b.sensor),
    })),
    lenses: lenses.map(l => ({
      id: l.id,
      name: `${l.maker} ${l.model}`,
      focalMm: l.focalMm.to,
      fNumber: l.maxAperture.to,
      closestMetres: l.closest.metres === 'infinity' ? 10 : l.closest.metres,
      infinityTurn: l.infinityTurn,
      isOdd: odd.has(l.id),
      isByWire: l.focusing === 'by-wire',
    })),
  }
}

/**
 * The strip for a ring on paper, at true scale.
 *
 * @throws RequestError 422 for a mark nearer than the lens focuses
 */
export const printStrip = async ({
  paper,
  lens,
  fNumber,
  circleMm,
  marks,
  ...ring
}: v.InferOutput<typeof ringStripSchema>): Promise<{ readonly bytes: Uint8Array; readonly name: string }> => {
  const on = (() => {
    try {
      return marksOnRing(ring, marks, { fNumber, circleMm })
    } catch (error) {
      if (!(error instanceof RangeError)) throw error
      throw new RequestError(422, 'Not on this ring', error.message)
    }
  })()
  return { bytes: await work('ringStrip', { paper, lens, ring, marks: on }), name: 'ring-strip.pdf' }
}
