import * as v from 'valibot'
import { DIMENSIONS, type Dimension } from '../vocabulary/dimensions'
import { targetSchema } from '../vocabulary/schema'
import { type Target, WEIGHTS } from '../standards'
import rules from './rules.json' with { type: 'json' }

/**
 * What is known about which standard fits which situation, as data: a rule holds when all its conditions do, and then
 * proposes targets for one topic, with the reason, the school of practice it belongs to, and where it is from.
 */

const words = v.pipe(v.string(), v.minLength(1))
const conditionSchema = v.union([
  /** Any of these was answered. */
  v.array(words),
  /** Something was answered, and none of these. */
  v.strictObject({ not: v.array(words) }),
  /** An amount within these, ends included. */
  v.strictObject({ min: v.optional(v.number()), max: v.optional(v.number()) }),
])
export type Condition = v.InferOutput<typeof conditionSchema>

/** A value that depends on an answered amount. */
const fromSchema = v.union([
  v.strictObject({
    from: v.literal('blocked'),
    times: v.number(),
    min: v.number(),
    max: v.number(),
    /** It is meant to be more than usual: never less than what the layers below ask for. */
    notBelow: v.optional(v.literal(true)),
  }),
  v.strictObject({ from: v.literal('distances') }),
])
export type From = v.InferOutput<typeof fromSchema>

const ruleTarget = (d: Dimension) =>
  v.strictObject({
    dimension: v.literal(d.id),
    value: v.union([fromSchema, targetSchema(d)]),
    weight: v.picklist(WEIGHTS),
    tolerance: v.optional(v.number()),
  })

export type RuleTarget = Pick<Target, 'dimension' | 'weight' | 'tolerance'> & { readonly value: Target['value'] | From }

export const ruleSchema = v.strictObject({
  id: words,
  /** What it decides; of the rules of a topic one is taken. */
  topic: words,
  school: v.optional(words),
  title: words,
  when: v.record(v.string(), conditionSchema),
  /** What the guide proposes on another topic must not be one of these: two answers that only make sense apart. */
  beside: v.optional(v.record(v.string(), v.strictObject({ not: v.array(words) }))),
  /** The strongest rule that holds comes first; the number of its conditions where not given. */
  strength: v.optional(v.number()),
  targets: v.pipe(
    v.array(v.variant('dimension', DIMENSIONS.map(ruleTarget) as never) as v.GenericSchema<unknown, RuleTarget>),
    v.minLength(1),
  ),
  reason: v.pipe(words, v.maxLength(400)),
  source: words,
})
export type GuideRule = v.InferOutput<typeof ruleSchema>

export const RULES: readonly GuideRule[] = v.parse(v.array(ruleSchema), rules)

/** The questions behind the topics, in the order of the vocabulary. */
export const TOPICS: Readonly<Record<string, string>> = {
  start: 'What starts focusing',
  touch: 'Touching the screen',
  prefocus: 'Focusing before any press',
  drive: 'When it focuses',
  override: 'The ring after AF',
  where: 'Where it may look',
  follow: 'Whether the area follows',
  offered: 'Areas on the button',
  orientation: 'Upright and level',
  whom: 'Whom it looks for',
  detail: 'How fine it aims',
  hold: 'How long it waits when blocked',
  response: 'How eagerly it follows speed',
  switch: 'How readily it changes over',
  acquire: 'How fast it first finds',
  first: 'When the first frame is taken',
  next: 'When later frames are taken',
  rate: 'How many frames',
  range: 'How near and far it searches',
  reset: 'Where the lens rests',
  tone: 'The focus tone',
  lamp: 'The AF lamp',
  review: 'Picture review',
  shown: 'The area in the finder',
  preview: 'Exposure preview',
  peaking: 'Peaking',
  magnify: 'The magnifier',
  'video-run': 'AF while filming',
  rack: 'How fast focus travels on film',
  shift: 'How long film waits',
  'video-touch': 'A touch while filming',
  assist: 'The ring while filming',
  meter: 'What exposure is read from',
  bias: 'A standing correction',
  'light-lock': 'Holding the exposure',
}
