import { median, quantile } from 'simple-statistics'
import * as v from 'valibot'

/** What can be drilled, and what one try of each comes to. */
export const DRILL_IDS = ['hold', 'which-key', 'called', 'recompose', 'track', 'race'] as const
export type DrillId = (typeof DRILL_IDS)[number]

export interface Drill {
  readonly label: string
  readonly about: string
  /** What is measured besides right and wrong; less is better everywhere. */
  readonly figure: string
  readonly unit: 'ms' | 's' | '°'
  /** No try is longer. */
  readonly mostSeconds: number
  /** It strains the hand, so that there is a rest after each try. */
  readonly isStrain: boolean
}

export const DRILLS: Readonly<Record<DrillId, Drill>> = {
  hold: {
    label: 'Hold and let go',
    about: 'A subject moves, stops, is covered, is joined. Do with the keys of your camera what the school asks.',
    figure: 'reaction',
    unit: 'ms',
    mostSeconds: 45,
    isStrain: true,
  },
  'which-key': {
    label: 'Which key?',
    about: 'Where each function is on the bodies you carry. What you forget comes back sooner.',
    figure: 'an answer',
    unit: 's',
    mostSeconds: 600,
    isStrain: false,
  },
  called: {
    label: 'What is it called here?',
    about: 'The same thing in the words of another body, and words that mislead.',
    figure: 'an answer',
    unit: 's',
    mostSeconds: 600,
    isStrain: false,
  },
  recompose: {
    label: 'Focus and recompose',
    about: 'Hold, turn to the third line from the wrists, release. One tone, not two.',
    figure: 'off the angle',
    unit: '°',
    mostSeconds: 15,
    isStrain: false,
  },
  track: {
    label: 'Track',
    about: 'Keep a small area on a passing subject. Says how steady your hands are.',
    figure: 'wander',
    unit: '°',
    mostSeconds: 20,
    isStrain: true,
  },
  race: {
    label: 'Menu race',
    about: 'Find the rows of a real card in the menus of a body, against your own time.',
    figure: 'a row',
    unit: 's',
    mostSeconds: 600,
    isStrain: false,
  },
}

const count = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500))

/** One try of a drill, as the device that ran it says it. */
export const trySchema = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[\w-]{4,40}$/, 'expected letters, digits, - and _')),
  drill: v.picklist(DRILL_IDS),
  body: v.optional(v.pipe(v.string(), v.maxLength(120))),
  /** By the clock of the device. */
  made: v.pipe(v.string(), v.isoTimestamp()),
  seconds: v.pipe(v.number(), v.minValue(0), v.maxValue(900)),
  /** How long a thumb button was held. */
  heldSeconds: v.pipe(v.number(), v.minValue(0), v.maxValue(900)),
  right: count,
  of: v.pipe(count, v.minValue(1)),
  /** In the unit of the drill; none where nothing could be measured. */
  figure: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(60_000))),
  /** For tracking: how long a wandering hand takes to come back, and what it was done with. */
  backSeconds: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(10))),
  by: v.optional(v.picklist(['motion', 'pointer', 'keys'])),
})
export type Try = v.InferOutput<typeof trySchema>

/** A try against the marks that a lesson, or anybody, sets. */
export interface Mark {
  /** Of all that was asked, 0 to 1. */
  readonly share: number
  /** The figure may not be larger. */
  readonly most?: number | undefined
}

export const meets = (t: Pick<Try, 'right' | 'of' | 'figure'>, { share, most }: Mark): boolean =>
  t.right / t.of >= share - 1e-9 && (most === undefined || (t.figure !== undefined && t.figure <= most))

/** How somebody does by now. */
export interface Standing {
  readonly tries: number
  readonly last: Try
  /** Over the newest ten tries that have a figure. */
  readonly median: number | undefined
  readonly quartiles: readonly [low: number, high: number] | undefined
  /** Of all that was asked in them. */
  readonly share: number
}

/** Tries that a standing goes by. */
const NEWEST = 10

/** @returns undefined where nothing was tried */
export const standingOf = (tries: readonly Try[]): Standing | undefined => {
  const inOrder = tries.toSorted((a, b) => a.made.localeCompare(b.made))
  const newest = inOrder.slice(-NEWEST)
  const last = newest.at(-1)
  if (!last) return undefined
  const figures = newest.flatMap(t => (t.figure === undefined ? [] : [t.figure]))
  return {
    tries: tries.length,
    last,
    median: figures.length ? median(figures) : undefined,
    quartiles: figures.length ? [quantile(figures, 0.25), quantile(figures, 0.75)] : undefined,
    share: newest.reduce((n, t) => n + t.right, 0) / newest.reduce((n, t) => n + t.of, 0),
  }
}

/** One day of somebody's practice of one drill. */
export interface Day {
  /** As the calendar says it, `2026-05-01`. */
  readonly day: string
  readonly tries: number
  readonly median: number
  readonly low: number
  readonly high: number
}

/** The curve of a drill: each day's middle, and between what half of its tries lay. */
export const curveOf = (tries: readonly Try[]): readonly Day[] => {
  const days = new Map<string, number[]>()
  for (const t of tries)
    if (t.figure !== undefined) days.set(t.made.slice(0, 10), [...(days.get(t.made.slice(0, 10)) ?? []), t.figure])
  return [...days]
    .toSorted(([a], [b]) => a.localeCompare(b))
    .map(([day, figures]) => ({
      day,
      tries: figures.length,
      median: median(figures),
      low: quantile(figures, 0.25),
      high: quantile(figures, 0.75),
    }))
}

/** Minutes that thumb buttons were held in drills on a day. */
export const heldMinutes = (tries: readonly Try[], day: string): number =>
  tries.filter(t => t.made.startsWith(day)).reduce((n, t) => n + t.heldSeconds, 0) / 60

/**
 * How long the hand should rest now: a third of a minute after each try that strains it, two minutes after two minutes
 * of holding within the last ten.
 *
 * @param nowMs epoch milliseconds
 * @returns seconds, 0 where it need not
 * @source common practice, no published source
 */
export const restSeconds = (tries: readonly Try[], nowMs: number): number => {
  const strain = tries.filter(t => DRILLS[t.drill].isStrain)
  const ends = strain.map(t => Date.parse(t.made) + t.seconds * 1000).filter(end => end <= nowMs + 1000)
  const last = Math.max(...ends, -Infinity)
  const held = strain.filter(t => Date.parse(t.made) > nowMs - 600_000).reduce((n, t) => n + t.heldSeconds, 0)
  const rest = held >= 120 ? 120 : 20
  return Math.max(0, Math.ceil(rest - (nowMs - last) / 1000))
}
