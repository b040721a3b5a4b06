import 'server-only'
import { type Body, bodyAt, choiceWordsById } from '@/core/bodies'
import { type FocusResult, focusResult } from '@/core/lens-tests/focus'
import { stepsOf, withTest } from '@/core/lens-tests/kept'
import { type LensTest, parseLensTest } from '@/core/lens-tests/schema'
import { type SharpnessResult, sharpnessResult } from '@/core/lens-tests/sharpness'
import type { Lens } from '@/core/lenses/schema'
import { circleOfConfusionMm } from '@/core/optics/circle-of-confusion'
import { parseJson, type Parsed } from '@/core/reading/problem'
import * as db from '@/db/lens-tests'
import type { Actor } from './actor'
import { listRuns, stoodOn } from './bench'
import { firmwareOf, formOf, listLenses, readBodies, readBody, units } from './catalogue'
import { database } from './database'
import { readLens, saveLens } from './lenses'
import { invalid, notFound, RequestError } from './problems'

/** Lenses tested on bodies with pictures: whether they focus where they should, and where they are sharpest. */

const expectRead = <T>(parsed: Parsed<T>): T => {
  if (!parsed.ok) throw invalid(parsed.problems)
  return parsed.value
}

/** A row of a body that corrects focus for one lens, and what it can be set to. */
interface Adjustment {
  readonly setting: string
  readonly label: string
  readonly steps: readonly { readonly steps: number; readonly label: string }[]
}

const adjustmentOf = (form: Parameters<typeof bodyAt>[0]): Adjustment | undefined => {
  const setting = form.settings.find(s => s.options.some(o => typeof o.means['range.offset'] === 'number'))
  return (
    setting && {
      setting: setting.id,
      label: setting.label,
      steps: setting.options.flatMap(o => {
        const steps = o.means['range.offset']
        return typeof steps === 'number' ? [{ steps, label: o.label }] : []
      }),
    }
  )
}

export interface TestableView {
  readonly bodies: readonly {
    readonly id: string
    readonly name: string
    readonly maker: string
    readonly firmware: string
    readonly units: readonly string[]
    readonly adjustment: Adjustment | undefined
  }[]
  readonly lenses: readonly {
    readonly id: string
    readonly name: string
    readonly maker: string
    readonly focalMm: { readonly from: number; readonly to: number }
    readonly widest: number
  }[]
}

/** What can be tested on what. */
export const readTestable = async (): Promise<TestableView> => {
  const [bodies, owned, lenses] = await Promise.all([readBodies(), units(), listLenses()])
  return {
    bodies: bodies.map(b => {
      const firmware = firmwareOf(b.document, owned)
      return {
        id: b.document.id,
        name: `${b.document.maker} ${b.document.model}`,
        maker: b.document.maker,
        firmware,
        units: owned.filter(u => u.body_id === b.document.id).map(u => u.tag),
        adjustment: adjustmentOf(formOf(b, firmware)),
      }
    }),
    lenses: lenses.map(l => ({
      id: l.id,
      name: `${l.maker} ${l.model}`,
      maker: l.maker,
      focalMm: l.focalMm,
      widest: l.maxAperture.to,
    })),
  }
}

export interface LensTestHeading {
  readonly id: number
  readonly kind: LensTest['kind']
  readonly lens: string
  readonly body: string
  readonly unit: string | null
  readonly on: string
  readonly person: string | null
  readonly keptAt: string | null
}

/** All tests, newest first; of one camera where it is named. */
export const listLensTests = async (unit?: string): Promise<readonly LensTestHeading[]> => {
  const [rows, bodies, lenses] = await Promise.all([
    db.listLensTests(await database(), unit),
    readBodies(),
    listLenses(),
  ])
  return rows.map(r => ({
    id: r.id,
    kind: r.kind,
    lens: lenses.find(l => l.id === r.lens_id)?.model ?? r.lens_id,
    body: bodies.find(b => b.document.id === r.body_id)?.document.model ?? r.body_id,
    unit: r.unit,
    on: r.tested_on,
    person: r.person,
    keptAt: r.kept_at,
  }))
}

/** Stores a test. @throws RequestError 404 for a lens or body that is not there, 422 for what cannot be read */
export const saveLensTest = async (value: unknown, actor: Actor): Promise<{ readonly id: number }> => {
  const test = expectRead(parseLensTest(value, 'test'))
  await Promise.all([readLens(test.lens), readBody(test.body)])
  if (test.unit !== undefined && !(await units()).some(u => u.tag === test.unit && u.body_id === test.body))
    throw new RequestError(422, 'No such camera', `“${test.unit}” is no camera of this body.`)
  return { id: await db.addLensTest(await database(), test, actor) }
}

/** @throws RequestError 404 */
export const readLensTestRow = async (id: string) => {
  const row = /^\d+$/.test(id) ? await db.findLensTest(await database(), Number(id)) : undefined
  if (!row) throw notFound('test', id)
  return { row, test: expectRead(parseLensTest(expectRead(parseJson(row.document, 'test')), 'test')) }
}

const resultsOf = async (test: LensTest, lens: Lens) => {
  const { document } = await readBody(test.body)
  const form = bodyAt(document, test.firmware)
  const adjustment = adjustmentOf(form)
  const circleMm = circleOfConfusionMm({ basis: 'print', divisor: 1500 }, form.sensor)
  return {
    body: document,
    form,
    adjustment,
    focus:
      test.kind === 'focus' ? focusResult(test, lens, adjustment?.steps.map(s => s.steps) ?? [], circleMm) : undefined,
    sharpness: test.kind === 'sharpness' ? sharpnessResult(test, form.sensor) : undefined,
  }
}

export interface LensTestView {
  readonly id: number
  readonly test: LensTest
  readonly lens: { readonly id: string; readonly name: string; readonly model: string; readonly revision: number }
  readonly body: { readonly id: string; readonly name: string; readonly model: string }
  readonly keptAt: string | null
  readonly adjustment: Adjustment | undefined
  readonly focus: FocusResult | undefined
  readonly sharpness: SharpnessResult | undefined
  /** What keeping it writes: undefined where it has not come to an end. */
  readonly writes: string | undefined
}

const writesOf = (
  test: LensTest,
  { focus, sharpness, form, adjustment }: Awaited<ReturnType<typeof resultsOf>>,
): string | undefined => {
  if (test.kind === 'sharpness') {
    const whole = sharpness?.best.whole ?? sharpness?.best.centre
    return whole === undefined ? undefined : `sharpest at f/${whole}`
  }
  const steps = focus && stepsOf(focus)
  if (steps === undefined) return undefined
  const option = adjustment?.steps.find(s => s.steps === steps)
  const row = adjustment && form.settings.find(s => s.id === adjustment.setting)
  const choice = row?.options.find(o => o.means['range.offset'] === steps)
  return option && choice && adjustment
    ? choiceWordsById(form, adjustment.setting, choice.id)
    : `an offset of ${steps}, with nothing on the body to set it`
}

/** A test and what it comes to. */
export const readLensTest = async (id: string): Promise<LensTestView> => {
  const { row, test } = await readLensTestRow(id)
  const lens = await readLens(test.lens)
  const results = await resultsOf(test, lens.document)
  return {
    id: row.id,
    test,
    lens: {
      id: test.lens,
      name: `${lens.document.maker} ${lens.document.model}`,
      model: lens.document.model,
      revision: lens.revision,
    },
    body: { id: test.body, name: `${results.body.maker} ${results.body.model}`, model: results.body.model },
    keptAt: row.kept_at,
    adjustment: results.adjustment,
    focus: results.focus,
    sharpness: results.sharpness,
    writes: writesOf(test, results),
  }
}

/**
 * Takes a test up into its lens.
 *
 * @throws RequestError 409 where somebody else has stored the lens since, 422 where the test has not come to an end
 */
export const keepLensTest = async (
  id: string,
  revision: number,
  actor: Actor,
): Promise<{ readonly revision: number }> => {
  const { row, test } = await readLensTestRow(id)
  const lens = await readLens(test.lens)
  const { focus, sharpness } = await resultsOf(test, lens.document)
  const next = withTest(lens.document, test, { ...(focus && { focus }), ...(sharpness && { sharpness }) })
  if (next === lens.document)
    throw new RequestError(
      422,
      'Not at its end',
      'This test does not say yet what to keep: take the pictures it asks for.',
    )
  const saved = await saveLens(next, revision, actor)
  await db.markLensTestKept(await database(), row.id, actor)
  return { revision: saved.revision }
}

/** Throws a test away. @throws RequestError 404; 409 where the lens stands on it */
export const removeLensTest = async (id: string, actor: Actor): Promise<void> => {
  const { row } = await readLensTestRow(id)
  if (row.kept_at) throw stoodOn('lens')
  await db.removeLensTest(await database(), row.id, actor)
}

export interface LensOnCard {
  readonly id: string
  readonly name: string
  /** @example 'AF offset +5, sharpest at f/8' */
  readonly words: string
}

/** What is known of the lenses that go with a body, for its card: what to set for each, and where it is sharpest. */
export const lensesOnCard = async (
  { id, maker }: Pick<Body, 'id' | 'maker'>,
  unit: string | undefined,
): Promise<readonly LensOnCard[]> =>
  (await listLenses()).flatMap(lens => {
    const here = lens.offsets.filter(o => o.id === id && (o.unit === undefined || o.unit === unit))
    const offset = here.find(o => o.unit === unit) ?? here[0]
    const words = [
      ...(offset ? [`AF offset ${offset.steps > 0 ? '+' : ''}${offset.steps}`] : []),
      ...(lens.bestAperture && lens.maker === maker ? [`sharpest at f/${lens.bestAperture.fNumber}`] : []),
    ]
    return words.length === 0 ? [] : [{ id: lens.id, name: lens.model, words: words.join(', ') }]
  })

export interface UnitBenchView {
  /** What is to be set with which lens; `isOwn` where it was measured on this very camera. */
  readonly offsets: readonly {
    readonly lens: string
    readonly name: string
    readonly steps: number
    readonly on: string | undefined
    readonly isOwn: boolean
  }[]
  readonly tests: readonly LensTestHeading[]
  readonly runs: readonly {
    readonly id: number
    readonly label: string
    readonly on: string
    readonly keptAt: string | null
  }[]
}

/** What was measured on one camera, and the offsets of lenses on it; its own go before those of the model. */
export const readUnitBench = async (tag: string, body: string): Promise<UnitBenchView> => {
  const [lenses, tests, runs] = await Promise.all([listLenses(), listLensTests(tag), listRuns(tag)])
  return {
    offsets: lenses.flatMap(l => {
      const here = l.offsets.filter(o => o.id === body && (o.unit === undefined || o.unit === tag))
      const best = here.find(o => o.unit === tag) ?? here[0]
      return best ? [{ lens: l.id, name: l.model, steps: best.steps, on: best.on, isOwn: best.unit === tag }] : []
    }),
    tests,
    runs,
  }
}
