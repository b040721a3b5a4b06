import { type Body, type Control, controlAt, type Setting } from '../bodies'
import { likeness, prepare, uniqueSlug } from '../language/language'
import { bestMet, isMet, phraseOf, phrasesIn, tokensOf } from '../language/phrases'
import type { Place } from '../vocabulary/places'
import type { Meaning } from '../vocabulary/schema'
import { KEY_NAMES, KEY_WORK } from '../vocabulary/trade-rows'
import type { ControlAssignment } from '../vocabulary/values'
import { type Knowledge, isOfMaker, WORK } from './knowledge'
import type { Candidate } from './reading'

/** Settings that give a key its work: which control they speak of, and what each option puts on it. */

const PLACE_WORDS: readonly (readonly [RegExp, Place])[] = [
  [/lens/, 'lens'],
  [/top/, 'top-plate'],
  [/front|preview/, 'index-front'],
  [/left/, 'left-hand'],
  [/lower|bottom|down/, 'thumb-lower'],
  [/joystick|centre|center|stick|middle|dial|lever/, 'thumb-centre'],
]

const NAMES = phrasesIn(KEY_NAMES)
const WORKS = Object.entries(KEY_WORK).map(([id, words]) => [id, phrasesIn(words)] as const)
const SHUTTER = phraseOf('shutter/halfpress')
const TOGGLED = phrasesIn('toggle, toggled, press once, on off switch, latch*, push again, until press, stays')
/** A lock that holds by itself, as menus write it. */
const HOLDS = /\(hold\)|\bAE-?L hold$/i
const HOLD = phrasesIn('hold, held, while held')

/** The control whose work a setting chooses: one of the body by its name, or a new one. */
const controlFor = (body: Body, setting: Setting): { control: Control; isNew: boolean } => {
  const label = prepare(setting.label)
  const [first] = body.controls
    .filter(c => c.functions.length > 1)
    .map(c => ({ control: c, alike: likeness(label, prepare(c.label)) }))
    .sort((a, b) => b.alike - a.alike)
  if (first && first.alike > 0.6) return { control: first.control, isNew: false }
  const text = setting.label.toLowerCase()
  const place = PLACE_WORDS.find(([words]) => words.test(text))?.[1] ?? 'thumb-upper-right'
  const name = setting.label
    .replace(/^(?:assign|custom)\s+/i, '')
    .replace(/\s(?:function|work|setting)$/i, '')
    .trim()
  const id = uniqueSlug(name, new Set(body.controls.map(c => c.id)), 'control')
  return { control: controlAt(id, name, place), isNew: true }
}

/** The share of an option’s words that have to be accounted for. */
const LEAST_COVERED = 0.5
const JOINING = new Set([
  'the',
  'a',
  'of',
  'to',
  'and',
  'in',
  'on',
  'for',
  'with',
  'while',
  'until',
  'again',
  'hold',
  'held',
  'press',
  'toggl',
  'toggle',
])

/** The work an option names; undefined where its words name none that is known. */
const workOf = (label: string): string | undefined => {
  const tokens = tokensOf(label)
  let best: { id: string; asks: number } | undefined
  for (const [id, phrases] of WORKS) {
    const asks = bestMet(phrases, tokens)?.asks ?? 0
    if (asks > (best?.asks ?? 0)) best = { id, asks }
  }
  // One word out of many may be about anything: what is not accounted for stays open.
  const telling = tokens.filter(t => !JOINING.has(t))
  return best && best.asks >= LEAST_COVERED * telling.length ? best.id : undefined
}

/**
 * Whether a lock stays after the press. Beside a plain lock, one with “hold” behind it is pressed once; beside a
 * toggle, “hold” means for as long as it is held.
 */
const pressOf = (label: string, hasToggle: boolean): 'held' | 'toggled' => {
  const tokens = tokensOf(label)
  if (TOGGLED.some(p => isMet(p, tokens))) return 'toggled'
  return !hasToggle && HOLDS.test(label) && HOLD.some(p => isMet(p, tokens)) ? 'toggled' : 'held'
}

const meaningOf = (work: string | undefined, control: string, press: 'held' | 'toggled'): Meaning => {
  if (work === undefined || work === 'none') return {}
  const given = { control, press } satisfies ControlAssignment
  return work === 'both' ? { 'meter.lock': given, 'trigger.stop': given } : { [work]: given }
}

const sameWords = (label: string): string => [...prepare(label).stems].sort().join(' ')

/** What a maker calls a work on one body it calls so on the next: its options of keys, by their words. */
export type KinWork = ReadonlyMap<string, Meaning>

export const kinWorkOf = (body: Body, { settings }: Knowledge): KinWork => {
  const works = new Map<string, Meaning>()
  for (const k of settings)
    if (k.key === WORK && isOfMaker(k, body))
      for (const o of k.setting.options) {
        const words = sameWords(o.label)
        if (!works.has(words)) works.set(words, o.means)
      }
  return works
}

/** The reading of a setting as the work of a key; undefined where nothing speaks for it. */
export const asKey = (body: Body, setting: Setting, works: KinWork): Candidate | undefined => {
  const { control, isNew } = controlFor(body, setting)
  const label = tokensOf(setting.label)
  // What half-pressing the shutter does is a question of its own.
  if (isMet(SHUTTER, label)) return undefined
  const name = bestMet(NAMES, label)
  const hasToggle = setting.options.some(o => TOGGLED.some(p => isMet(p, tokensOf(o.label))))
  let [read, functions] = [0, 0]
  const means = setting.options.map((o): Meaning => {
    const theirs = works.get(sameWords(o.label))
    if (theirs) {
      read++
      if (Object.keys(theirs).length) functions++
      return Object.fromEntries(
        Object.entries(theirs).map(([id, v]) => [id, { ...(v as ControlAssignment), control: control.id }]),
      )
    }
    const work = workOf(o.label)
    if (work !== undefined) read++
    if (work !== undefined && work !== 'none') functions++
    return meaningOf(work, control.id, pressOf(o.label, hasToggle))
  })
  if (functions === 0) return undefined
  const share = read / setting.options.length
  const distinct = new Set(means.map(m => JSON.stringify(m))).size
  const isNamed = name !== undefined || !isNew
  if (!isNamed && (functions < 3 || distinct < 4)) return undefined
  return {
    dimensions: [...new Set(means.flatMap(m => Object.keys(m)))],
    means,
    score: isNamed ? 0.6 + 0.36 * share * Math.min(1, functions / 2) : 0.5 + 0.3 * share,
    because: [isNew ? 'its options are work for a key' : `${control.label} is one of its controls`],
    ...(isNew ? { control } : {}),
  }
}
