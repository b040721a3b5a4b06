import * as v from 'valibot'
import { DIMENSIONS } from '../vocabulary/dimensions'
import { PLACE_IDS } from '../vocabulary/places'
import { meaningsSchema } from '../vocabulary/schema'
import { SHUTTERS } from '../vocabulary/values'
import { CONTROL_FUNCTIONS, FORMER_FUNCTIONS } from './control-functions'

/**
 * The exchange format of a camera body, `coherion.body/1`: what it is, what its menus say in its own words, what
 * each option means in the neutral vocabulary, and how its settings bind each other.
 */
export const BODY_FORMAT = 'coherion.body/1'

const text = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(most))
const id = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected lower-case letters, digits and hyphens'),
  v.maxLength(60),
)
const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))
const positive = v.pipe(v.number(), v.gtValue(0))
const least = v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(1)))
const count = v.pipe(v.number(), v.integer(), v.minValue(1))
const version = v.pipe(v.string(), v.regex(/^\d+(\.\d+){0,3}$/, 'expected a version such as 2.10'))

const controlSchema = v.strictObject({
  id,
  label: text(60),
  place: v.picklist(PLACE_IDS),
  /** Where it is drawn: the view of the body, and shares of its width and height from the upper left. */
  at: v.strictObject({ view: v.picklist(['back', 'top', 'front']), x: share, y: share }),
  /** Dimensions of kind assign that it can carry, and work in the menus. */
  functions: v.array(v.picklist([...CONTROL_FUNCTIONS, ...FORMER_FUNCTIONS])),
  holdable: v.boolean(),
})

/** How a meaning was found out: by trials on the body, where it was not only declared. */
const measuredSchema = v.record(
  v.string(),
  v.strictObject({
    trials: count,
    low: v.number(),
    high: v.number(),
    on: v.optional(text(40)),
    /** The lens it was measured with, where that was said. */
    lens: v.optional(text(120)),
  }),
)

/** As in counts.ts, which says what they mean. */
const countsSchema = v.picklist(['live-view', 'film', 'single-af', 'continuous-af'])

const optionSchema = v.strictObject({
  id,
  label: text(80),
  means: v.optional(meaningsSchema, {}),
  /** Dimension to the trials behind its value and the spread they had; what is not named here is declared. */
  measured: v.optional(measuredSchema),
  /** Dimensions whose amount is only guessed, from where the option stands on its scale, until somebody measures it. */
  guessed: v.optional(v.array(v.string())),
  /** The firmware that added it, where it was not always there. */
  since: v.optional(version),
  note: v.optional(text(300)),
  /** Where it counts, when that is not where its setting does: see counts.ts. */
  counts: v.optional(countsSchema),
})

const settingSchema = v.strictObject({
  id,
  label: text(80),
  at: v.strictObject({ tab: id, page: count, row: count }),
  options: v.pipe(v.array(optionSchema), v.minLength(1), v.maxLength(250)),
  /** The factory default, an option's id. */
  default: id,
  since: v.optional(version),
  note: v.optional(text(300)),
  /** Nobody has decided yet what its options mean. */
  undecided: v.optional(v.literal(true)),
  /** Where it counts, when that is not everywhere: see counts.ts. */
  counts: v.optional(countsSchema),
  /** It is about focus, and nothing in the vocabulary says it. */
  unnamed: v.optional(v.literal(true)),
})

const conditionSchema = v.strictObject({ setting: id, is: v.pipe(v.array(id), v.minLength(1)) })

const ruleSchema = v.strictObject({
  id,
  /** The rule in words, as a person would say it. */
  words: text(300),
  /** All of these hold. A setting that cannot be used does not count as set to anything. */
  when: v.pipe(v.array(conditionSchema), v.minLength(1), v.maxLength(8)),
  then: v.variant('effect', [
    /** The setting is greyed out and does nothing. */
    v.strictObject({ effect: v.literal('unavailable'), setting: id }),
    /** The setting is at this option whatever it was set to. */
    v.strictObject({ effect: v.literal('forced'), setting: id, option: id }),
    /** These options of the setting cannot be chosen. */
    v.strictObject({ effect: v.literal('excludes'), setting: id, options: v.pipe(v.array(id), v.minLength(1)) }),
  ]),
})

const noteSchema = v.strictObject({
  about: v.picklist(['af-mf', 'lamp', 'sun', 'firmware', 'battery', 'other']),
  words: text(400),
})

/** An option that is to be set although nothing in the vocabulary asks for it, and why. */
const pinSchema = v.strictObject({ setting: id, option: id, reason: text(300) })
export type Pin = v.InferOutput<typeof pinSchema>

/** How a field of a picture's metadata is read. */
export const EVIDENCE_SIGNS = ['is', 'contains', 'at-least', 'at-most'] as const

/**
 * What a picture tells of a setting: a field of its metadata, what stands there, and the option that was set then.
 * `Group:Field` or `Field`, as a reader of metadata prints it.
 */
const evidenceSchema = v.strictObject({
  field: text(120),
  sign: v.picklist(EVIDENCE_SIGNS),
  value: text(200),
  setting: id,
  option: id,
})
export type Evidence = v.InferOutput<typeof evidenceSchema>

const fixedSchema = v.strictObject({ means: meaningsSchema, words: text(200) })

const storedSchema = v.union([v.literal('everything'), v.array(id)])
/** Sets that keys recall. */
export const MOST_KEY_SETS = 4
/** What is stored: everything, or these settings. */
export type Stores = v.InferOutput<typeof storedSchema>

/** A later firmware, as what it changes against the one before. */
const updateSchema = v.strictObject({
  /** The firmware's version. */
  id: version,
  about: v.optional(text(400)),
  changes: v.pipe(
    v.array(
      v.strictObject({
        /** Keys from the root of the profile; a member of a list is named by its id. */
        at: v.pipe(v.array(v.string()), v.minLength(1), v.maxLength(12)),
        before: v.optional(v.any()),
        after: v.optional(v.any()),
      }),
    ),
    v.maxLength(2000),
  ),
})

/** Facts that a profile may have taken over from where it began, until somebody has looked at the body. */
export const FACTS = ['firmware', 'sensor', 'coverage', 'frameRates', 'controls', 'slots', 'interlocks'] as const
export type FactId = (typeof FACTS)[number]

export const bodySchema = v.strictObject({
  format: v.literal(BODY_FORMAT),
  id,
  maker: text(60),
  model: text(60),
  about: v.optional(text(400)),
  firmware: v.strictObject({ from: version, to: version }),
  sensor: v.strictObject({ widthMm: positive, heightMm: positive, pixelsWide: count, pixelsHigh: count }),
  viewfinder: v.picklist(['optical', 'electronic', 'screen-only']),
  coverage: v.strictObject({
    /** Share of the frame's width and height that focus points reach. */
    width: share,
    height: share,
    columns: count,
    rows: count,
    /** Points that see in dimmer light or finer detail, counted from 1, left to right and top to bottom. */
    sensitive: v.optional(v.array(v.strictObject({ column: count, row: count })), []),
    note: v.optional(text(300)),
  }),
  /** The least height in the frame, as a share, at which each part of a subject is found; where it is known. */
  finds: v.optional(v.strictObject({ body: least, head: least, face: least, eye: least })),
  frameRates: v.pipe(
    v.array(
      v.strictObject({
        label: text(60),
        framesPerSecond: positive,
        focusBetweenFrames: v.boolean(),
        /** Where it is known. */
        exposureBetweenFrames: v.optional(v.boolean()),
        shutter: v.optional(v.picklist(SHUTTERS)),
      }),
    ),
    v.minLength(1),
  ),
  controls: v.pipe(v.array(controlSchema), v.minLength(1), v.maxLength(60)),
  menu: v.strictObject({
    wraps: v.boolean(),
    tabs: v.pipe(
      v.array(v.strictObject({ id, label: text(60), pages: v.pipe(v.array(text(60)), v.minLength(1)) })),
      v.minLength(1),
    ),
    /** Settings with a shorter way than the menu, from where pictures are taken: a quick list, or a button of their own. */
    quick: v.optional(v.pipe(v.array(v.strictObject({ setting: id, presses: count })), v.maxLength(60))),
  }),
  settings: v.pipe(v.array(settingSchema), v.maxLength(400)),
  rules: v.pipe(v.array(ruleSchema), v.maxLength(400)),
  slots: v.strictObject({
    names: v.array(text(40)),
    stores: storedSchema,
    /** Sets that a key recalls for as long as it is held: how many there are, and what is stored in one. */
    keys: v.optional(
      v.strictObject({ sets: v.pipe(count, v.minValue(1), v.maxValue(MOST_KEY_SETS)), stores: storedSchema }),
    ),
  }),
  /** What the body always does and offers no setting for. */
  fixed: v.optional(v.array(fixedSchema), []),
  interlocks: v.optional(v.array(noteSchema), []),
  cautions: v.optional(v.array(noteSchema), []),
  /** Later firmware, oldest first. Everything above is the profile at `firmware.from`. */
  updates: v.optional(v.pipe(v.array(updateSchema), v.maxLength(40)), []),
  unconfirmed: v.optional(v.array(v.picklist(FACTS)), []),
  /** What is set on this body whatever standard it serves. */
  pins: v.optional(v.pipe(v.array(pinSchema), v.maxLength(60))),
  /** What its pictures tell of how it was set. */
  evidence: v.optional(v.pipe(v.array(evidenceSchema), v.maxLength(600))),
  /**
   * Dimensions that somebody looked for on the body and did not find. Where this list is kept, what nothing speaks about
   * and is not on it is not known yet; where it is not kept, such things are not there.
   */
  lacking: v.optional(v.array(v.picklist(DIMENSIONS.map(d => d.id)))),
})

export type Body = v.InferOutput<typeof bodySchema>
export type Control = Body['controls'][number]
export type Setting = Body['settings'][number]
export type Option = Setting['options'][number]
export type Rule = Body['rules'][number]
export type Condition = Rule['when'][number]
export type Update = Body['updates'][number]

/** What a body is set to: setting id to option id. */
export type State = Readonly<Record<string, string>>

/** The state a body leaves the factory in. */
export const factoryState = (body: Body): State => Object.fromEntries(body.settings.map(s => [s.id, s.default]))
