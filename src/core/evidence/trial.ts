import * as v from 'valibot'
import { random } from '../numeric/random'
import { type Parsed, parseDocument } from '../reading/problem'
import { balancedBlocks } from './order'

/** The exchange format of a field trial, `coherion.trial/1`: its plan, and every pass that was counted. */
export const TRIAL_FORMAT = 'coherion.trial/1'

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(60))
const words = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(most))
const seconds = v.pipe(v.number(), v.minValue(0), v.maxValue(600))
const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))

/** Which pass it was: sharp where it should be, soft, or no picture at all. */
export const JUDGEMENTS = ['sharp', 'soft', 'missed'] as const
export type Judgement = (typeof JUDGEMENTS)[number]

/** What happened where it was not sharp. */
export const REASONS = ['in-front', 'stayed-behind', 'lost-it', 'too-late', 'slipped'] as const
export type Reason = (typeof REASONS)[number]

export const countSchema = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[\w-]{4,40}$/, 'expected letters, digits, - and _')),
  /** Which block of the plan, from 0. */
  block: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(999)),
  /** Who counted. */
  counter: words(60),
  judgement: v.picklist(JUDGEMENTS),
  reason: v.optional(v.picklist(REASONS)),
  /** Seconds until focus was there, or until somebody gave up. */
  seconds: v.optional(seconds),
  gaveUp: v.optional(v.literal(true)),
  /** By the clock of the device. */
  made: v.pipe(v.string(), v.isoTimestamp()),
})
export type Count = v.InferOutput<typeof countSchema>

/** Counts of pictures that were looked at afterwards begin like this; their time is that of the first frame. */
export const FROM_PICTURE = 'pic-'
export const isFromPicture = (countId: string): boolean => countId.startsWith(FROM_PICTURE)

/** In the order in which they were made, whichever zone the clocks told. */
export const byTime = (a: Count, b: Count): number =>
  Date.parse(a.made) - Date.parse(b.made) || a.id.localeCompare(b.id)

/** As many passes as a trial holds. */
export const MOST_COUNTS = 10_000

/** What is to be known of a block besides its passes. */
export const noteSchema = v.strictObject({
  block: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(999)),
  words: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(400))),
  /** It was broken off: what was counted in it is left out. */
  isBroken: v.optional(v.literal(true)),
  /** The light was another than in the other blocks. */
  isOtherLight: v.optional(v.literal(true)),
})
export type BlockNote = v.InferOutput<typeof noteSchema>

const option = v.strictObject({
  id,
  name: words(80),
  /** What to set, in words, where no standard says it. */
  how: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(400))),
  /** The version of a standard that it is set by, `house-baseline@3`. */
  standard: v.optional(v.pipe(v.string(), v.maxLength(120))),
})

export const planSchema = v.strictObject({
  name: words(160),
  ways: v.pipe(v.array(option), v.minLength(2, 'expected two to six ways'), v.maxLength(6, 'expected two to six ways')),
  situations: v.pipe(
    v.array(v.strictObject({ id, name: words(80) })),
    v.minLength(1, 'expected one to four situations'),
    v.maxLength(4, 'expected one to four situations'),
  ),
  /** The camera that it is shot with. */
  unit: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(120))),
  /** What it speaks about, where it is one thing: a dimension of the vocabulary. */
  about: v.optional(v.pipe(v.string(), v.maxLength(60))),
  /** The share that is kept today, as far as anybody knows. */
  expected: share,
  /** The difference that would change what is done. */
  matters: v.pipe(share, v.gtValue(0)),
  /** Passes in each block. */
  passes: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(2000)),
  rounds: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(12)),
  /** Every pass is shot in all ways at once: the third pass of one block is the third of the others. */
  isPaired: v.optional(v.literal(true)),
  secondsAPass: v.pipe(v.number(), v.gtValue(0), v.maxValue(3600)),
  seed: v.pipe(v.number(), v.integer(), v.minValue(0)),
})
export type TrialPlan = v.InferOutput<typeof planSchema>

export const trialSchema = v.pipe(
  v.strictObject({
    format: v.literal(TRIAL_FORMAT),
    ...planSchema.entries,
    counts: v.pipe(v.array(countSchema), v.maxLength(MOST_COUNTS)),
    notes: v.pipe(v.array(noteSchema), v.maxLength(1000)),
  }),
  v.check(
    t => new Set(t.ways.map(w => w.id)).size === t.ways.length,
    'two ways have the same id; every way needs its own',
  ),
  v.check(
    t => new Set(t.situations.map(s => s.id)).size === t.situations.length,
    'two situations have the same id; every situation needs its own',
  ),
  v.check(t => {
    const blocks = t.ways.length * t.situations.length * t.rounds
    return [...t.counts, ...t.notes].every(c => c.block < blocks)
  }, 'something was counted in a block that the plan does not have'),
)
export type Trial = v.InferOutput<typeof trialSchema>

/** @param file name for error messages */
export const parseTrial = (value: unknown, file: string): Parsed<Trial> =>
  parseDocument(trialSchema, TRIAL_FORMAT, value, file)

/** One way in one situation, in the order in which they are shot. */
export interface Block {
  readonly way: TrialPlan['ways'][number]
  readonly situation: TrialPlan['situations'][number]
  readonly round: number
}

/** The blocks of a plan; the same for the same seed. */
export const blocksOf = ({ ways, situations, rounds, seed }: TrialPlan): readonly Block[] =>
  balancedBlocks(ways.length, situations.length, rounds, random(seed)).flatMap(({ way, situation, round }) => {
    const [w, s] = [ways[way], situations[situation]]
    return w && s ? [{ way: w, situation: s, round }] : []
  })

/** Setting a camera up anew between two blocks. Seconds. @source common practice, from memory */
export const SECONDS_A_CHANGE = 60

/** How long it takes, as planned. @returns minutes */
export const minutesOf = (plan: TrialPlan): number => {
  const blocks = plan.ways.length * plan.situations.length * plan.rounds
  const together = plan.isPaired ? plan.ways.length : 1
  return (blocks / together) * ((plan.passes * plan.secondsAPass + SECONDS_A_CHANGE) / 60)
}

/** Passes of each way, over everything. */
export const passesOfEach = ({ passes, rounds, situations }: TrialPlan): number => passes * rounds * situations.length
