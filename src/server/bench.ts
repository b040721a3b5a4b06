import 'server-only'
import { type Body, bodyAt, choiceWordsById, compareVersions } from '@/core/bodies'
import { writeCsv } from '@/core/reading/csv'
import { parseJson, type Parsed } from '@/core/reading/problem'
import { type ScaleFit } from '@/core/scales/fit'
import {
  LEAST_TAKES,
  isShare,
  MEASURABLE,
  type Measured,
  measurableOn,
  parseRun,
  reactionOf,
  type Run,
  scaleOf,
  takesOf,
} from '@/core/scales/run'
import { type Alike, alikeOf, type TimeOnBody } from '@/core/scales/alike'
import { type Context, effectiveTargets, refText } from '@/core/standards'
import { toleranceWords, valueWords } from '@/core/vocabulary/words'
import { eachReckoned } from './worked-out'
import { dimension } from '@/core/vocabulary/dimensions'
import * as db from '@/db/runs'
import { share } from '@/pool/documents'
import type { Actor } from './actor'
import { saveBody } from './authoring'
import {
  firmwareOf,
  formOf,
  listLenses,
  listStandards,
  readBodies,
  readBody,
  readStandard,
  revisionOf,
  type Revised,
  units,
} from './catalogue'
import { resolveStored } from './concordance'
import { database } from './database'
import { invalid, notFound, RequestError } from './problems'
import { remember } from './remember'
import { work } from './working'

/** The Bench: measuring runs, what they come to, and what profiles take up of them. */

export interface MeasurableView {
  readonly body: string
  readonly name: string
  readonly firmware: string
  readonly units: readonly string[]
  readonly scales: readonly {
    readonly dimension: Run['dimension']
    readonly label: string
    readonly about: string
    readonly setting: string
    readonly settingLabel: string
    readonly isScale: boolean
    readonly steps: readonly {
      readonly id: string
      readonly label: string
      readonly seconds: number | undefined
      readonly measured: boolean
    }[]
  }[]
}

const scaleView = ({ dimension: id, setting, steps, isScale }: Measured): MeasurableView['scales'][number] => ({
  dimension: id,
  label: dimension(id).label,
  about: dimension(id).about,
  setting: setting.id,
  settingLabel: setting.label,
  isScale,
  steps: steps.map(s => ({
    id: s.option.id,
    label: s.option.label,
    seconds: s.seconds,
    measured: s.option.measured?.[id] !== undefined,
  })),
})

/** What can be measured on each body of the house, at the firmware that its units run. */
export const readMeasurable = async (): Promise<readonly MeasurableView[]> => {
  const [bodies, owned] = await Promise.all([readBodies(), units()])
  return bodies.flatMap(b => {
    const firmware = firmwareOf(b.document, owned)
    const scales = measurableOn(formOf(b, firmware)).map(scaleView)
    if (scales.length === 0) return []
    const name = `${b.document.maker} ${b.document.model}`
    const tags = owned.filter(u => u.body_id === b.document.id).map(u => u.tag)
    return [{ body: b.document.id, name, firmware, units: tags, scales }]
  })
}

export interface RunHeading {
  readonly id: number
  readonly body: string
  readonly label: string
  readonly on: string
  readonly person: string | null
  readonly keptAt: string | null
}

/** All runs, newest first; of one camera where it is named. */
export const listRuns = async (unit?: string): Promise<readonly RunHeading[]> => {
  const bodies = new Map((await readBodies()).map(b => [b.document.id, b.document.model]))
  const rows = await db.listRuns(await database())
  const own = unit === undefined ? rows : rows.filter(r => (JSON.parse(r.document) as Run).unit === unit)
  return own.map(r => ({
    id: r.id,
    body: bodies.get(r.body_id) ?? r.body_id,
    label: dimension(r.dimension).label,
    on: r.measured_on,
    person: r.person,
    keptAt: r.kept_at,
  }))
}

const expectRead = <T>(parsed: Parsed<T>): T => {
  if (!parsed.ok) throw invalid(parsed.problems)
  return parsed.value
}

/** The body of a run as it is at the run's firmware. @throws RequestError 422 where it has no such scale */
const bodyOf = async (run: Run): Promise<{ readonly stored: Revised<Body>; readonly form: Body }> => {
  const stored = await readBody(run.body)
  const { from, to } = stored.document.firmware
  if (compareVersions(run.firmware, from) < 0 || compareVersions(run.firmware, to) > 0)
    throw new RequestError(
      422,
      'No such firmware',
      `The profile of ${stored.document.model} covers ${from} to ${to}, and not ${run.firmware}.`,
    )
  const form = bodyAt(stored.document, run.firmware)
  if (!scaleOf(form, run))
    throw new RequestError(
      422,
      'No such scale',
      `${stored.document.model} has no scale of ${dimension(run.dimension).label} in “${run.setting}”.`,
    )
  return { stored, form }
}

/** Stores a run. @throws RequestError 422 where it cannot be read, or its body has no such scale */
export const saveRun = async (value: unknown, actor: Actor): Promise<{ readonly id: number }> => {
  const run = expectRead(parseRun(value, 'run'))
  const { form } = await bodyOf(run)
  const steps = new Set(scaleOf(form, run)?.steps.map(s => s.option.id))
  const strange = run.takes.find(t => !steps.has(t.step))
  if (strange) throw new RequestError(422, 'No such step', `“${strange.step}” is no step of “${run.setting}”.`)
  return { id: await db.addRun(await database(), run, actor) }
}

/** @throws RequestError 404 */
export const readRunRow = async (id: string) => {
  const row = /^\d+$/.test(id) ? await db.findRun(await database(), Number(id)) : undefined
  if (!row) throw notFound('run', id)
  return { row, run: expectRead(parseRun(expectRead(parseJson(row.document, 'run')), 'run')) }
}

/** What is kept is evidence, and stays. */
export const stoodOn = (by: string): RequestError =>
  new RequestError(
    409,
    'It is kept',
    `A ${by} stands on this measurement. Take that back in its history first; the measurement stays.`,
  )

/** Throws a run away. @throws RequestError 404; 409 where a profile stands on it */
export const removeRun = async (id: string, actor: Actor): Promise<void> => {
  const { row } = await readRunRow(id)
  if (row.kept_at) throw stoodOn('profile')
  await db.removeRun(await database(), row.id, actor)
}

/** What a run comes to, and the profile with it; the same for the same profile. */
const results = remember<ReturnType<typeof measure>>('runs', 200)
const measure = (stored: Revised<Body>, run: Run) => work('measured', { body: share(stored.document), run })
const resultFor = (
  { id, created_at: created }: Pick<db.RunRow, 'id' | 'created_at'>,
  stored: Revised<Body>,
  run: Run,
) => {
  const key = `${id}|${created}|${stored.stamp}`
  const result = results.getOr(key, () => measure(stored, run))
  // What could not be worked out in time is tried again.
  result.catch(() => results.forget(key))
  return result
}

export interface RunView {
  readonly id: number
  readonly body: { readonly id: string; readonly name: string; readonly model: string; readonly revision: number }
  readonly firmware: string
  readonly unit: string | undefined
  readonly lens: string | undefined
  readonly label: string
  readonly about: string
  readonly setting: string
  readonly on: string
  readonly note: string | undefined
  readonly way: Run['way']
  readonly reaction: number
  /** What is kept is a share of the fastest step, not a time. */
  readonly isShare: boolean
  readonly keptAt: string | null
  readonly direction: ScaleFit['direction']
  readonly alike: readonly (readonly [string, string])[]
  /** Other runs of the same scale that this one cannot be true beside. */
  readonly against: readonly { readonly id: number; readonly on: string; readonly steps: readonly string[] }[]
  readonly steps: readonly {
    readonly id: string
    readonly label: string
    readonly declared: number | undefined
    readonly seconds: number | 'always'
    readonly band: readonly [number, number]
    readonly never: number
    /** Too few takes to count as measured. */
    readonly isShort: boolean
    readonly takes: readonly { readonly seconds: number; readonly isOdd: boolean; readonly never: boolean }[]
  }[]
}

/** Other runs of the same scale whose bands lie wholly beside those of this one, step by step. */
const contradictions = async (
  row: Pick<db.RunRow, 'id'>,
  run: Run,
  fit: Pick<ScaleFit, 'steps'>,
  stored: Revised<Body>,
  labelOf: (step: string) => string,
): Promise<RunView['against']> => {
  const same = (await db.listRuns(await database())).filter(
    r => r.id !== row.id && r.body_id === run.body && r.setting === run.setting && r.dimension === run.dimension,
  )
  const compared = await Promise.all(
    same.slice(0, MOST_COMPARED).map(async other => {
      const { fit: theirs } = await resultFor(other, stored, JSON.parse(other.document) as Run)
      const steps = fit.steps.filter(s => {
        const there = theirs.steps.find(t => t.step === s.step)
        return there && (s.band[0] > there.band[1] || s.band[1] < there.band[0])
      })
      return { id: other.id, on: other.measured_on, steps: steps.map(s => labelOf(s.step)) }
    }),
  )
  return compared.filter(c => c.steps.length > 0)
}
/** Of many runs the newest are looked at. */
const MOST_COMPARED = 5

/** A run and what it comes to. */
export const readRun = async (id: string): Promise<RunView> => {
  const { row, run } = await readRunRow(id)
  const { stored, form } = await bodyOf(run)
  const { fit } = await resultFor(row, stored, run)
  const scale = scaleOf(form, run)
  const labelOf = (step: string) => scale?.steps.find(s => s.option.id === step)?.option.label ?? step
  const takes = takesOf(run)
  return {
    id: row.id,
    body: {
      id: run.body,
      name: `${stored.document.maker} ${stored.document.model}`,
      model: stored.document.model,
      revision: revisionOf(stored),
    },
    firmware: run.firmware,
    unit: run.unit,
    lens: run.lens && ((await listLenses()).find(l => l.id === run.lens)?.model ?? run.lens),
    label: dimension(run.dimension).label,
    about: dimension(run.dimension).about,
    setting: scale?.setting.label ?? run.setting,
    on: run.on,
    note: run.note,
    way: run.way,
    reaction: reactionOf(run),
    isShare: isShare(run.dimension),
    keptAt: row.kept_at,
    direction: fit.direction,
    against: await contradictions(row, run, fit, stored, labelOf),
    alike: fit.alike.map(([a, b]) => [labelOf(a), labelOf(b)] as const),
    steps: fit.steps.map(s => ({
      id: s.step,
      label: labelOf(s.step),
      declared: scale?.steps.find(x => x.option.id === s.step)?.seconds,
      seconds: s.seconds,
      band: s.band,
      never: s.never,
      isShort: s.takes < LEAST_TAKES,
      takes: takes
        .filter(t => t.step === s.step)
        .map((t, i) => ({ seconds: t.seconds, isOdd: s.odd.includes(i), never: t.never === true })),
    })),
  }
}

/** The takes of a run as a table. */
export const takesCsv = async (id: string): Promise<string> => {
  const { run } = await readRunRow(id)
  const rows = takesOf(run).map((t, i) => {
    const { film = '', blocked, leaves, arrives } = run.takes[i]?.moments ?? {}
    const moments = [blocked, leaves, arrives].map(m => m?.toFixed(4) ?? '')
    return [String(i + 1), t.step, t.seconds.toFixed(3), t.never ? 'never' : '', film, ...moments]
  })
  return writeCsv([['take', 'step', 'seconds', 'outcome', 'film', 'blocked', 'leaves', 'arrives'], ...rows])
}

export interface RunEffect {
  readonly standard: string
  readonly name: string
  /** What the body is set to for it now, and what it would be. */
  readonly before: string
  readonly after: string
  readonly isChanged: boolean
  /** Units that would owe a card. */
  readonly units: readonly string[]
  /** What it asks for, and in how many draws of a hundred the same step comes nearest to that. */
  readonly nearest:
    | { readonly wanted: string; readonly step: string; readonly sureOfHundred: number; readonly isOutside: boolean }
    | undefined
}

/** What keeping a run changes: which step each standard in force picks on the body. */
export const effectOfRun = async (id: string): Promise<readonly RunEffect[]> => {
  const { run } = await readRunRow(id)
  const on = await bodyOf(run)
  const [headings, owned] = await Promise.all([listStandards(), units()])
  const standards = await Promise.all(headings.map(h => readStandard(refText({ id: h.id, version: h.version }))))
  const wanted = standards.map(s => {
    const value = effectiveTargets(s.document).find(t => t.dimension === run.dimension)?.value
    return typeof value === 'number' && value > 0 ? value : undefined
  })
  const { profile, nearest } = await work('measured', {
    body: share(on.stored.document),
    run,
    wanted: wanted.map(w => w ?? 1),
  })
  const after: Revised<Body> = { document: profile, stamp: `${on.stored.stamp}+run${id}` }
  const firmware = firmwareOf(on.stored.document, owned)
  const tags = owned.filter(u => u.body_id === run.body).map(u => u.tag)
  const d = dimension(run.dimension)
  return Promise.all(
    standards.map(async (standard, i): Promise<RunEffect> => {
      const [was, is] = await Promise.all([
        resolveStored({ body: on.stored, standard, firmware }),
        resolveStored({ body: after, standard, firmware }),
      ])
      const words = (state: Readonly<Record<string, string>>) =>
        choiceWordsById(on.form, run.setting, state[run.setting] ?? '')
      const isChanged = was.state[run.setting] !== is.state[run.setting]
      const [seconds, step] = [wanted[i], nearest[i]]
      return {
        standard: standard.document.id,
        name: standard.document.name,
        before: words(was.state),
        after: words(is.state),
        isChanged,
        units: isChanged ? tags : [],
        nearest:
          seconds === undefined || !step
            ? undefined
            : {
                wanted: valueWords(d, seconds),
                step: choiceWordsById(on.form, run.setting, step.step),
                sureOfHundred: Math.round(100 * step.sure),
                isOutside: step.isOutside,
              },
      }
    }),
  )
}

/**
 * Takes a run up into the profile of its body.
 *
 * @throws RequestError 409 where somebody else has stored the profile since
 */
export const keepRun = async (id: string, revision: number, actor: Actor): Promise<{ readonly revision: number }> => {
  const { row, run } = await readRunRow(id)
  const { profile: document } = await resultFor(row, (await bodyOf(run)).stored, run)
  const what = `measured ${dimension(run.dimension).label}: ${run.takes.length} takes on ${run.on}`
  const saved = await saveBody(run.body, { document, revision, what }, actor)
  await db.markKept(await database(), row.id, actor)
  return { revision: saved.revision }
}

export interface AlikeView extends Alike {
  readonly standard: string
  readonly label: string
  readonly wanted: string
  readonly times: readonly (TimeOnBody & { readonly option: string })[]
  /** Bodies that have nothing to set it with. */
  readonly without: readonly string[]
}

/**
 * The bodies in hand beside each other in what can be timed, each at the step that it uses under a standard; only
 * what the standard asks for.
 */
export const readAlike = async (
  ref: string,
  ids: readonly string[],
  context: Context,
): Promise<readonly AlikeView[]> => {
  const [standard, owned] = await Promise.all([readStandard(ref), units()])
  const asked = effectiveTargets(standard.document, context).filter(
    t => (MEASURABLE as readonly string[]).includes(t.dimension) && !isShare(t.dimension),
  )
  const bodies = await Promise.all(ids.map(id => readBody(id)))
  const { done } = await eachReckoned(
    bodies,
    b => b.document.model,
    async body => {
      const firmware = firmwareOf(body.document, owned)
      return { form: formOf(body, firmware), resolution: await resolveStored({ body, standard, firmware, context }) }
    },
  )
  return asked.flatMap((target): readonly AlikeView[] => {
    const d = dimension(target.dimension)
    if (typeof target.value !== 'number') return []
    const times = done.flatMap(({ form, resolution }) => {
      const outcome = resolution.outcomes.find(o => o.target.dimension === target.dimension)
      const delivery = outcome?.parts.flatMap(p => p.deliveries)[0]
      const option = form.settings.find(s => s.id === delivery?.setting)?.options.find(o => o.id === delivery?.option)
      const seconds = option?.means[target.dimension]
      if (!option || typeof seconds !== 'number' || seconds <= 0) return []
      const measured = option.measured?.[target.dimension]
      const band = measured && ([measured.low, measured.high] as const)
      return [{ body: form.model, seconds, band, option: option.label }]
    })
    return [
      {
        ...alikeOf(times, target.value, target.tolerance),
        standard: standard.document.name,
        label: d.label,
        wanted: `${valueWords(d, target.value)}${target.tolerance === undefined ? '' : ` ${toleranceWords(d, target.tolerance)}`}`,
        times,
        without: done.map(x => x.form.model).filter(model => !times.some(t => t.body === model)),
      },
    ]
  })
}
