import 'server-only'
import { asSchool } from '@/core/guide/accept'
import { schoolsOf } from '@/core/guide/guide'
import { cellWords, gotValue, type Outcome, type Resolution } from '@/core/resolve'
import { type Context, contextFrom, type Standard } from '@/core/standards'
import { compareStandards, isNoticed } from '@/core/standards/compare'
import { mean } from '@/core/numeric/mean'
import { dimension, DIMENSIONS } from '@/core/vocabulary/dimensions'
import { distance } from '@/core/vocabulary/distance'
import type { Grade } from '@/core/vocabulary/grade'
import { valueWords } from '@/core/vocabulary/words'
import { firmwareOf, formOf, listBodies, readBody, readStandard, type Revised, units } from './catalogue'
import { resolveStored } from './concordance'
import { eachReckoned, type NotReckoned } from './worked-out'
import { notFound } from './problems'
import { type ComparisonView, compareVersions } from './standards'

/** Two standards, or one on two selections of bodies, side by side: what differs on which body, in its own words. */

/** What one body does about one target on one side. */
export interface SideCell {
  readonly words: string
  readonly grade: Grade
  readonly distance: number
}

export interface BodyDifference {
  readonly body: string
  readonly model: string
  readonly lines: readonly {
    readonly dimension: string
    readonly label: string
    readonly before: SideCell | undefined
    readonly after: SideCell | undefined
    /** How far the body's two behaviours are apart, 0 to 1. */
    readonly apart: number
  }[]
  readonly agreementBefore: number
  readonly agreementAfter: number
}

export interface SideBySide extends ComparisonView {
  readonly bodies: readonly BodyDifference[]
  /** Bodies that cannot be reckoned, and why. */
  readonly failed: readonly NotReckoned[]
}

const cellOf = (body: Parameters<typeof cellWords>[0], outcome: Outcome | undefined): SideCell | undefined => {
  if (!outcome) return undefined
  const { main, sub } = cellWords(body, outcome)
  return { words: sub ? `${main} (${sub})` : main, grade: outcome.grade, distance: outcome.distance }
}

const outcomeOn = (r: Resolution, id: string): Outcome | undefined => r.outcomes.find(o => o.target.dimension === id)

const apartBetween = (id: string, a: Outcome | undefined, b: Outcome | undefined): number => {
  const [x, y] = [a && gotValue(a), b && gotValue(b)]
  if (x === undefined || y === undefined) return x === y ? 0 : 1
  return distance(dimension(id), x, y)
}

/** Two standards on the same bodies; lines are where a body does something else. */
export const sideBySide = async (
  before: string,
  after: string,
  ids: readonly string[] | undefined,
  forWhom: string | undefined,
): Promise<SideBySide> => {
  const context = contextFrom(forWhom)
  const [a, b] = await Promise.all([readStandard(before), readStandard(after)])
  const comparison = await compareVersions(before, after, context)
  // Between two standards only what a body could notice is told; where it is written is another matter there.
  const isSame = a.document.id === b.document.id
  const told = isSame ? comparison : { ...comparison, layers: [], targets: comparison.targets.filter(isNoticed) }
  return { ...told, ...(await differencesOn(a, b, ids, context)) }
}

/** The standard in hand as two schools would have it on one topic. */
export const twoSchools = async (
  ref: string,
  topic: string,
  schools: readonly [string, string],
  ids: readonly string[] | undefined,
  forWhom: string | undefined,
): Promise<SideBySide> => {
  const context = contextFrom(forWhom)
  const standard = await readStandard(ref)
  const [a, b] = schools.map((school): Revised<Standard> => {
    const proposal = schoolsOf(topic, standard.document.answers).find(p => p.school === school)
    if (!proposal) throw notFound('school', school)
    return {
      document: asSchool(standard.document, topic, proposal),
      stamp: `${standard.stamp} as ${topic} ${school}`,
    }
  }) as [Revised<Standard>, Revised<Standard>]
  const version = standard.document.version
  return {
    before: { name: schools[0], version },
    after: { name: schools[1], version },
    layers: [],
    targets: compareStandards(a.document, b.document, context).filter(isNoticed),
    ...(await differencesOn(a, b, ids, context)),
  }
}

const differencesOn = async (
  a: Revised<Standard>,
  b: Revised<Standard>,
  ids: readonly string[] | undefined,
  context: Context,
): Promise<Pick<SideBySide, 'bodies' | 'failed'>> => {
  const allUnits = await units()
  const chosen = ids ?? (await listBodies()).map(x => x.id)
  const { done, failed } = await eachReckoned(
    await Promise.all(chosen.map(id => readBody(id))),
    b => b.document.model,
    async (revised): Promise<BodyDifference> => {
      const firmware = firmwareOf(revised.document, allUnits)
      const form = formOf(revised, firmware)
      const on = (standard: Revised<Standard>) => resolveStored({ body: revised, standard, firmware, context })
      const [was, is] = await Promise.all([on(a), on(b)])
      const lines = DIMENSIONS.flatMap(d => {
        const [x, y] = [outcomeOn(was, d.id), outcomeOn(is, d.id)]
        if (!x && !y) return []
        const apart = apartBetween(d.id, x, y)
        if (x && y && apart === 0) return []
        return [{ dimension: d.id, label: d.label, before: cellOf(form, x), after: cellOf(form, y), apart }]
      })
      return { body: form.id, model: form.model, lines, agreementBefore: was.agreement, agreementAfter: is.agreement }
    },
  )
  return { bodies: done, failed }
}

/** What one group of bodies does about one target. */
export interface GroupCell {
  /** What most of them do, in neutral words, and how many. */
  readonly does: readonly { readonly value: string; readonly bodies: readonly string[] }[]
  readonly meanDistance: number
}

export interface Selections {
  readonly standard: { readonly name: string; readonly version: number }
  readonly sides: readonly { readonly bodies: readonly string[]; readonly agreement: number }[]
  /** Bodies that cannot be reckoned, and why. */
  readonly failed: readonly NotReckoned[]
  readonly lines: readonly {
    readonly dimension: string
    readonly label: string
    readonly wanted: string
    readonly sides: readonly GroupCell[]
  }[]
}

/** One standard on two selections of bodies: where the two groups behave differently. */
export const twoSelections = async (
  ref: string,
  left: readonly string[],
  right: readonly string[],
  forWhom: string | undefined,
): Promise<Selections> => {
  const context = contextFrom(forWhom)
  const [standard, allUnits] = await Promise.all([readStandard(ref), units()])
  const read = async (ids: readonly string[]) =>
    eachReckoned(
      await Promise.all(ids.map(id => readBody(id))),
      b => b.document.model,
      async body => {
        const firmware = firmwareOf(body.document, allUnits)
        return { model: body.document.model, resolution: await resolveStored({ body, standard, firmware, context }) }
      },
    )
  const both = await Promise.all([read(left), read(right)])
  const sides = both.map(r => r.done)
  const { name, version }: Standard = standard.document
  const targets = sides.find(s => s.length)?.[0]?.resolution.outcomes ?? []
  return {
    standard: { name, version },
    failed: both.flatMap(r => r.failed),
    sides: sides.map(s => ({
      bodies: s.map(b => b.model),
      agreement: mean(
        s.map(b => b.resolution.agreement),
        0,
      ),
    })),
    lines: targets.flatMap(({ target }) => {
      const d = dimension(target.dimension)
      const cells = sides.map((side): GroupCell => {
        const does = new Map<string, string[]>()
        for (const { model, resolution } of side) {
          const outcome = outcomeOn(resolution, d.id)
          const got = outcome && gotValue(outcome)
          const value = got === undefined ? 'nothing' : valueWords(d, got)
          does.set(value, [...(does.get(value) ?? []), model])
        }
        return {
          does: [...does]
            .map(([value, bodies]) => ({ value, bodies }))
            .sort((x, y) => y.bodies.length - x.bodies.length),
          meanDistance: mean(
            side.map(b => outcomeOn(b.resolution, d.id)?.distance ?? 1),
            0,
          ),
        }
      })
      const sets = cells.map(c =>
        c.does
          .map(x => x.value)
          .sort()
          .join('|'),
      )
      if (sets[0] === sets[1]) return []
      return [{ dimension: d.id, label: d.label, wanted: valueWords(d, target.value), sides: cells }]
    }),
  }
}
