import * as v from 'valibot'
import type { Body, Option, Setting } from '../bodies'
import { type Parsed, parseDocument } from '../reading/problem'
import { fitScale, type ScaleFit, type Take } from './fit'
import { median } from 'simple-statistics'

/** The exchange format of a measuring run, `coherion.run/1`: what was measured, on what, and every take. */
export const RUN_FORMAT = 'coherion.run/1'

/** What a run can measure: times that somebody can see passing. */
export const MEASURABLE = ['track.hold', 'track.switch', 'video.shift', 'video.transition', 'track.acquire'] as const
export type Measurable = (typeof MEASURABLE)[number]

/** What is stated as a share of the speed that the body reaches at its fastest step, not as a time. */
export const isShare = (measured: string): boolean => measured === 'track.acquire'

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(120))
const seconds = v.pipe(v.number(), v.minValue(0), v.maxValue(600))
const moment = v.pipe(v.number(), v.minValue(0), v.maxValue(36_000))

export const runSchema = v.strictObject({
  format: v.literal(RUN_FORMAT),
  body: id,
  firmware: v.pipe(v.string(), v.maxLength(40)),
  /** The tag of the camera, where it was one of the house. */
  unit: v.optional(id),
  lens: v.optional(id),
  dimension: v.picklist(MEASURABLE),
  /** The setting whose options are the steps. */
  setting: id,
  /** How times were taken; by thumb is coarser than by pictures. */
  way: v.picklist(['thumb', 'film', 'stills']),
  on: v.pipe(v.string(), v.isoDate('expected a day such as 2026-03-01')),
  note: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(400))),
  /** Seconds from a sign to the tap, by whoever tapped; the median is taken off every take. */
  reactions: v.pipe(v.array(seconds), v.maxLength(50)),
  takes: v.pipe(
    v.array(
      v.strictObject({
        step: id,
        seconds,
        never: v.optional(v.literal(true)),
        /** Where it was read from a film or a burst: which, and the moments in seconds of it. */
        moments: v.optional(
          v.strictObject({
            film: v.pipe(v.string(), v.maxLength(120)),
            blocked: v.optional(moment),
            leaves: v.optional(moment),
            arrives: v.optional(moment),
          }),
        ),
      }),
    ),
    v.minLength(1, 'expected at least one take'),
    v.maxLength(1000),
  ),
})
export type Run = v.InferOutput<typeof runSchema>

export const parseRun = (value: unknown, file: string): Parsed<Run> => parseDocument(runSchema, RUN_FORMAT, value, file)

const amountOf = (option: Option, measured: Measurable): number | undefined => {
  const value = option.means[measured]
  return typeof value === 'number' ? value : undefined
}

/** A scale of a body that can be measured. */
export interface Measured {
  readonly dimension: Measurable
  readonly setting: Setting
  /** Its steps, in the order of the menu. */
  readonly steps: readonly {
    readonly option: Option
    /** As it is declared; undefined for what is stated as a share. */
    readonly seconds: number | undefined
  }[]
  /** Whether the steps run one way, as they are declared; bundles do not. */
  readonly isScale: boolean
}

const runsOneWay = (values: readonly (number | undefined)[]): boolean => {
  const known = values.filter(x => x !== undefined)
  const signs = new Set(known.slice(1).map((x, i) => Math.sign(x - (known[i] ?? x))))
  return !(signs.has(1) && signs.has(-1))
}

/** Everything on a body that a run can measure. */
export const measurableOn = (body: Body): readonly Measured[] =>
  MEASURABLE.flatMap(d =>
    body.settings.flatMap(setting => {
      const steps = setting.options.flatMap(option =>
        option.means[d] === undefined ? [] : [{ option, seconds: isShare(d) ? undefined : amountOf(option, d) }],
      )
      return steps.length < 2
        ? []
        : [{ dimension: d, setting, steps, isScale: runsOneWay(steps.map(s => amountOf(s.option, d))) }]
    }),
  )

/** The scale that a run is about; undefined where the body has it no more. */
export const scaleOf = (body: Body, run: Pick<Run, 'dimension' | 'setting'>): Measured | undefined =>
  measurableOn(body).find(m => m.dimension === run.dimension && m.setting.id === run.setting)

/** What a tap comes late by; nought where nobody measured it. */
export const reactionOf = ({ reactions }: Pick<Run, 'reactions'>): number =>
  reactions.length > 0 ? median([...reactions]) : 0

/** The takes without the time that the thumb needs. */
export const takesOf = (run: Pick<Run, 'reactions' | 'takes'>): readonly Take[] => {
  const reaction = reactionOf(run)
  return run.takes.map(t => ({ ...t, seconds: Math.max(0, t.seconds - (t.never ? 0 : reaction)) }))
}

const SEED = 20_260_301

/** What a run comes to on its body. @throws RangeError where the body has no such scale */
export const resultOf = (body: Body, run: Run): ScaleFit => {
  const scale = scaleOf(body, run)
  if (!scale) throw new RangeError(`invalid run: ${body.id} has no scale of ${run.dimension} in “${run.setting}”`)
  return fitScale(
    takesOf(run),
    scale.steps.map(s => s.option.id),
    scale.isScale,
    SEED,
  )
}

/** A step counts as measured from so many takes on. */
export const LEAST_TAKES = 3

const rounded = (n: number): number => Number(n.toPrecision(2))

const fastestOf = ({ steps }: Pick<ScaleFit, 'steps'>): number =>
  Math.min(...steps.flatMap(s => (s.seconds === 'always' ? [] : [s.seconds])))

/** How long a take lasts where a step is as somebody wants it. @example a share of 0.5, the fastest step 0.3 s: 0.6 */
export const secondsFor = (run: Pick<Run, 'dimension'>, fit: Pick<ScaleFit, 'steps'>, wanted: number): number =>
  isShare(run.dimension) ? fastestOf(fit) / wanted : wanted

/**
 * The form of a body after a run is kept: what its steps mean is what was measured, with the trials behind it. Steps
 * that were measured too few times stay as they are declared.
 */
export const withMeasured = (form: Body, run: Run, fit: Pick<ScaleFit, 'steps'>): Body => {
  const d = run.dimension
  const steps = fit.steps.filter(s => s.takes >= LEAST_TAKES)
  const fastest = fastestOf({ steps })
  // Of a share, the time of the fastest step is the whole; what never arrived has none.
  const amount = (seconds: number) => rounded(isShare(d) ? Math.min(1, fastest / seconds) : seconds)
  const measured = (option: Option): Option => {
    const step = steps.find(s => s.step === option.id)
    if (!step || (isShare(d) && step.seconds === 'always')) return option
    const [low, high] = step.band.map(amount).toSorted((a, b) => a - b)
    const { [d]: _, ...others } = option.measured ?? {}
    const guessed = (option.guessed ?? []).filter(g => g !== d)
    const { guessed: __, ...rest } = option
    return {
      ...rest,
      ...(guessed.length > 0 ? { guessed } : {}),
      means: { ...option.means, [d]: step.seconds === 'always' ? 'always' : amount(step.seconds) },
      measured:
        step.seconds === 'always'
          ? others
          : {
              ...others,
              [d]: {
                trials: step.takes,
                low: low ?? 0,
                high: high ?? 0,
                on: run.on,
                ...(run.lens ? { lens: run.lens } : {}),
              },
            },
    }
  }
  return {
    ...form,
    settings: form.settings.map(s => (s.id === run.setting ? { ...s, options: s.options.map(measured) } : s)),
  }
}
