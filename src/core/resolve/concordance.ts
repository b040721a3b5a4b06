import type { Body } from '../bodies'
import { type EffectiveTarget, effectiveTargets, type Context, type Standard, type Weight } from '../standards'
import { dimension, type GroupId } from '../vocabulary/dimensions'
import type { Grade } from '../vocabulary/grade'
import { toleranceWords, valueWords } from '../vocabulary/words'
import { type FleetSummary, summarise } from './fleet'
import type { Resolution } from './resolve'
import { cellWords } from './words'

/** The central table: one standard on several bodies, in words. */

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
  /** The layer it comes from. */
  readonly layer: string
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
  readonly standard: {
    readonly id: string
    readonly name: string
    readonly about: string
    readonly version: number
    /** What being alike counts against 1 for being right, in hundredths; 0 where each body does its best. */
    readonly lambdaHundredths: number
  }
  readonly columns: readonly Column[]
  readonly rows: readonly Row[]
  /** Row by row, column by column. */
  readonly cells: readonly (readonly Cell[])[]
  readonly summary: Omit<FleetSummary, 'spreads'> & { readonly spreads: readonly SpreadView[] }
  /** Bodies that could not be resolved, and why. */
  readonly failed: readonly { readonly body: string; readonly why: string }[]
}

export interface Resolved {
  /** As it is at the firmware it was resolved with. */
  readonly body: Body
  readonly units: number
  readonly resolution: Resolution
}

const wantedWords = (t: EffectiveTarget): string => {
  const d = dimension(t.dimension)
  return valueWords(d, t.value) + (t.tolerance === undefined ? '' : ` ${toleranceWords(d, t.tolerance)}`)
}

export const buildConcordance = (
  standard: Standard,
  resolved: readonly Resolved[],
  failed: Concordance['failed'],
  context: Context = {},
): Concordance => {
  const nameOf = new Map(resolved.map(r => [r.body.id, r.body.model]))
  const targets = effectiveTargets(standard, context)
  const { spreads, ...summary } = summarise(resolved.map(r => r.resolution))
  const { id, name, about, version } = standard
  return {
    standard: { id, name, about, version, lambdaHundredths: standard.level?.lambdaHundredths ?? 0 },
    columns: resolved.map(({ body, units, resolution }) => ({
      id: body.id,
      maker: body.maker,
      model: body.model,
      units,
      undecided: body.settings.filter(s => s.undecided).length,
      firmware: resolution.firmware,
      agreement: resolution.agreement,
      mustsHeld: resolution.mustsHeld,
    })),
    rows: targets.map(t => {
      const { label, group } = dimension(t.dimension)
      return { dimension: t.dimension, label, group, wanted: wantedWords(t), weight: t.weight, layer: t.from.layer }
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

/** The table as rows of text for a spreadsheet: target, weight, wanted, and what each body does and how well. */
export const concordanceTable = (c: Concordance): readonly (readonly string[])[] => [
  [
    'Group',
    'Target',
    'Wanted',
    'Weight',
    'From',
    ...c.columns.flatMap(b => [`${b.maker} ${b.model}`, 'Grade', 'Distance']),
  ],
  ...c.rows.map((row, r) => [
    row.group,
    row.label,
    row.wanted,
    row.weight,
    row.layer,
    ...(c.cells[r] ?? []).flatMap(cell => [
      cell.sub ? `${cell.main} (${cell.sub})` : cell.main,
      cell.held ? cell.grade : `${cell.grade}, breaks a must`,
      cell.distance.toFixed(3),
    ]),
  ]),
]
