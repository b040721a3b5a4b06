import 'server-only'
import { type Body } from '@/core/bodies'
import { SearchTooLargeError } from '@/core/bodies/search'
import {
  ContradictoryBodyError,
  type FleetSummary,
  cellWords,
  resolve,
  type Resolution,
  summarise,
} from '@/core/resolve'
import { effectiveTargets, type Standard, type Weight } from '@/core/standards'
import { dimension, type GroupId } from '@/core/vocabulary/dimensions'
import type { Grade } from '@/core/vocabulary/grade'
import { toleranceWords, valueWords } from '@/core/vocabulary/words'
import { firmwareOf, formOf, listBodies, listStandards, readBody, readStandard, type Revised, units } from './catalogue'
import { remember } from './remember'

/** The standard and the bodies in hand, as the address names them; undefined where it does not. */
export interface InHand {
  readonly standard?: string | undefined
  readonly bodies?: readonly string[] | undefined
}

export interface Column {
  readonly id: string
  readonly maker: string
  readonly model: string
  readonly units: number
  /** Settings nobody has decided yet; what they would bring about is missing here. */
  readonly undecided: number
  readonly firmware: string
  readonly agreement: number
  readonly mustsHeld: number
}

export interface Row {
  readonly dimension: string
  readonly label: string
  readonly group: GroupId
  readonly wanted: string
  readonly weight: Weight
}

export interface Cell {
  readonly main: string
  readonly sub: string
  readonly grade: Grade
  readonly distance: number
  /** False only for a must that is broken. */
  readonly held: boolean
}

export interface SpreadView {
  readonly label: string
  readonly largest: number
  readonly mean: number
  readonly between: readonly [string, string]
  readonly values: readonly [string, string]
}

export interface Concordance {
  readonly standard: { readonly id: string; readonly name: string; readonly about: string; readonly version: number }
  readonly columns: readonly Column[]
  readonly rows: readonly Row[]
  /** Row by row, column by column. */
  readonly cells: readonly (readonly Cell[])[]
  readonly summary: Omit<FleetSummary, 'spreads'> & { readonly spreads: readonly SpreadView[] }
  /** Bodies that could not be resolved, and why. */
  readonly failed: readonly { readonly body: string; readonly why: string }[]
}

const resolutions = remember<Resolution>('resolutions', 5000)

/** A resolution from factory defaults, computed once for each revision of body and standard. */
export const resolveStored = (body: Revised<Body>, standard: Revised<Standard>, firmware: string): Resolution =>
  resolutions.getOr(`${body.stamp}|${standard.stamp}|${firmware}`, () =>
    resolve(body.document, standard.document, { firmware }),
  )

/** What can be in hand, and what is: the first standard and every body where the address does not say. */
export const readInHand = async (asked: InHand) => {
  const [standards, bodies] = await Promise.all([listStandards(), listBodies()])
  const standard =
    standards.find(s => s.id === asked.standard) ?? standards.find(s => s.id === 'ring-action') ?? standards[0]
  const chosen = bodies.filter(b => asked.bodies?.includes(b.id))
  return { standards, bodies, standard, chosen: chosen.length ? chosen : bodies, all: chosen.length === 0 }
}

/** One standard on the bodies in hand: rows of targets, a column for each body. */
export const readConcordance = async (
  standardId: string,
  chosen: readonly { readonly id: string; readonly revision?: number }[],
): Promise<Concordance> => {
  const [standard, allUnits] = await Promise.all([readStandard(standardId), units()])
  const failed: { body: string; why: string }[] = []
  const resolved: { body: Body; resolution: Resolution }[] = []
  for (const { id, revision } of chosen) {
    const body = await readBody(id, revision)
    try {
      const firmware = firmwareOf(body.document, allUnits)
      resolved.push({ body: formOf(body, firmware), resolution: resolveStored(body, standard, firmware) })
    } catch (error) {
      if (!(error instanceof SearchTooLargeError || error instanceof ContradictoryBodyError)) throw error
      failed.push({ body: body.document.model, why: error.message })
    }
  }
  const nameOf = new Map(resolved.map(r => [r.body.id, r.body.model]))
  const targets = effectiveTargets(standard.document)
  const { spreads, ...summary } = summarise(resolved.map(r => r.resolution))
  const { id, name, about, version } = standard.document
  return {
    standard: { id, name, about, version },
    columns: resolved.map(({ body, resolution }) => ({
      id: body.id,
      maker: body.maker,
      model: body.model,
      units: allUnits.filter(u => u.body_id === body.id).length,
      undecided: body.settings.filter(s => s.undecided).length,
      firmware: resolution.firmware,
      agreement: resolution.agreement,
      mustsHeld: resolution.mustsHeld,
    })),
    rows: targets.map(t => {
      const d = dimension(t.dimension)
      const tolerance = t.tolerance === undefined ? '' : ` ${toleranceWords(d, t.tolerance)}`
      return {
        dimension: d.id,
        label: d.label,
        group: d.group,
        wanted: valueWords(d, t.value) + tolerance,
        weight: t.weight,
      }
    }),
    cells: targets.map((_, row) =>
      resolved.flatMap(({ body, resolution }): Cell[] => {
        const outcome = resolution.outcomes[row]
        if (!outcome) return []
        const held = outcome.target.weight !== 'must' || outcome.held
        return [{ ...cellWords(body, outcome), grade: outcome.grade, distance: outcome.distance, held }]
      }),
    ),
    summary: {
      ...summary,
      spreads: spreads.map(s => {
        const d = dimension(s.dimension)
        return {
          label: d.label,
          largest: s.largest,
          mean: s.mean,
          between: [nameOf.get(s.between[0]) ?? '', nameOf.get(s.between[1]) ?? ''],
          values: [valueWords(d, s.values[0]), valueWords(d, s.values[1])],
        }
      }),
    },
    failed,
  }
}

/**
 * The resolutions of a standard on stored bodies.
 *
 * @param ids all bodies where not given
 * @throws RequestError 404 for a standard or a body that is not there
 */
export const readStoredResolutions = async (
  standardId: string,
  ids?: readonly string[],
): Promise<readonly Resolution[]> => {
  const [standard, allUnits] = await Promise.all([readStandard(standardId), units()])
  const wanted = ids ?? (await listBodies()).map(b => b.id)
  return Promise.all(
    wanted.map(async id => {
      const body = await readBody(id)
      return resolveStored(body, standard, firmwareOf(body.document, allUnits))
    }),
  )
}
