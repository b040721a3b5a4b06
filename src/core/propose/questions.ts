import {
  askAgain,
  type Body,
  coverageOf,
  hasNone,
  isFoundLacking,
  lookAgain,
  type MenuRow,
  menuPath,
  removeControl,
  setMeaning,
  type Setting,
  UNPLACED,
  withMenuRows,
} from '../bodies'
import { dimension } from '../vocabulary/dimensions'
import type { NeutralValue } from '../vocabulary/values'
import { knowledgeOf } from './knowledge'
import { acceptReading, proposeFor, readAs, type Reading, SAID_SO } from './propose'
import { isOffered } from './review'

/**
 * A body asked only what a standard asks for, musts first: a question for each target, and one for all keys together.
 * What is answered goes into the profile at once, so that the rest of the menu can follow later.
 */

/** What a standard asks, as far as it matters for the order of questions. */
export interface AskedTarget {
  readonly dimension: string
  readonly weight: 'must' | 'should' | 'nice'
  readonly value: NeutralValue
}

/** Whether a question is answered: by a setting or by how the body always is, by “it has none”, or not yet. */
export type Standing = 'open' | 'told' | 'none'

export interface Question {
  /** The first dimension it is about; tells questions apart. */
  readonly id: string
  /** One dimension, or every function of keys that is asked for. */
  readonly dimensions: readonly string[]
  readonly weight: AskedTarget['weight']
  readonly standing: Standing
}

const WEIGHTS = ['must', 'should', 'nice'] as const

const isForKeys = (a: AskedTarget): boolean => dimension(a.dimension).kind === 'assign'

/**
 * The questions a standard asks of a body: musts first, and in the order of the vocabulary. Keys are asked about once,
 * where the weightiest of their functions stands.
 */
export const questionsOf = (body: Body, asked: readonly AskedTarget[]): readonly Question[] => {
  const covered = new Set(
    coverageOf(body).flatMap(c => (c.coverage.how === 'set' || c.coverage.how === 'fixed' ? [c.dimension.id] : [])),
  )
  const standingOf = (ids: readonly string[]): Standing =>
    ids.every(id => isFoundLacking(body, id))
      ? 'none'
      : ids.every(id => covered.has(id) || isFoundLacking(body, id))
        ? 'told'
        : 'open'
  const inOrder = WEIGHTS.flatMap(w => asked.filter(a => a.weight === w))
  const keys = inOrder.filter(isForKeys).map(a => a.dimension)
  return inOrder.flatMap((a): readonly Question[] => {
    if (isForKeys(a) && a.dimension !== keys[0]) return []
    const dimensions = isForKeys(a) ? keys : [a.dimension]
    return [{ id: a.dimension, dimensions, weight: a.weight, standing: standingOf(dimensions) }]
  })
}

/** The next open question after this one, then from the top; undefined where all are answered or put off. */
export const nextOpen = (
  questions: readonly Question[],
  after: string | undefined,
  putOff: ReadonlySet<string>,
): Question | undefined => {
  const at = questions.findIndex(q => q.id === after)
  return [...questions.slice(at + 1), ...questions.slice(0, at + 1)].find(
    q => q.standing === 'open' && !putOff.has(q.id),
  )
}

export type AnsweredRow = Pick<MenuRow, 'label' | 'options'> & Partial<Pick<MenuRow, 'tab' | 'page'>>

/** Puts a row that somebody named into the profile, still undecided. */
export const withAnsweredRow = (body: Body, row: AnsweredRow): Body => {
  // A row of that name that is there already is that row, and is asked about anew.
  const there = body.settings.find(s => s.label.toLowerCase() === row.label.toLowerCase())
  const [tab, page] = there ? menuPath(body, there) : [UNPLACED.tab, UNPLACED.page]
  const added = withMenuRows(body, [{ tab, page, ...row, preset: 0, place: '' }])
  return there ? askAgain(added, there.id) : added
}

/**
 * Readings of a row that was named as the answer to a question: what is about the question stands first, read option by
 * option where nothing else read it so.
 */
export const readingsForAnswer = (
  body: Body,
  setting: Setting,
  dimensionId: string,
  readings: readonly Reading[],
): readonly Reading[] => {
  const [first] = readings
  if (dimension(dimensionId).kind === 'assign') return readings
  if (first && isOffered(first) && first.dimensions.includes(dimensionId)) return readings
  const about = readings.filter(r => r.dimensions.includes(dimensionId))
  const others = readings.filter(r => !r.dimensions.includes(dimensionId))
  return [...(about.length ? about : [readAs(body, setting, dimensionId)]), ...others]
}

/**
 * Takes a reading as the answer. What it is unsure of stays open: options it tells nothing about are asked about one by one,
 * and are not said to be about nothing.
 */
export const takeAnswer = (body: Body, settingId: string, reading: Reading): Body => {
  const setting = body.settings.find(s => s.id === settingId)
  const isTold = reading.means.every(m => Object.keys(m).length > 0)
  if (!setting || isTold || (reading.certainty !== 'unsure' && reading.because[0] !== SAID_SO))
    return acceptReading(body, settingId, reading)
  return setting.options.reduce((b, o, i) => {
    const means = reading.means[i] ?? {}
    return Object.keys(means).length > 0 ? setMeaning(b, settingId, o.id, means) : b
  }, body)
}

/** A key that somebody says is there, and what it can be given. */
export interface NamedKey {
  readonly control: string
  readonly label: string
  readonly work: readonly string[]
}

/**
 * The keys of a body and their work: each becomes a row of its menu that is read at once, as far as its words are known.
 * Keys of the profile that are not named are not there; functions that no key takes are known to be lacking.
 *
 * @param functions what the standard asks of keys
 */
export const withKeys = (body: Body, keys: readonly NamedKey[], functions: readonly string[]): Body => {
  const isKey = (id: string) => (body.controls.find(c => c.id === id)?.functions.length ?? 0) > 1
  const named = new Map(keys.map(k => [k.control, k.label]))
  const gone = body.controls.filter(c => isKey(c.id) && !named.has(c.id))
  const left = gone.reduce((b, c) => removeControl(b, c.id), body)
  const kept = { ...left, controls: left.controls.map(c => ({ ...c, label: named.get(c.id) ?? c.label })) }
  const rows = keys.map(k => ({ ...UNPLACED, label: k.label, options: k.work, preset: 0, place: '' }))
  const known = new Set(kept.settings.map(s => s.id))
  const withRows = rows.length ? withMenuRows(kept, rows) : kept
  const read = withRows.settings
    .filter(s => !known.has(s.id))
    .reduce((b, s) => {
      const [first] = proposeFor(b, s, knowledgeOf([]))
      const isWork = first?.dimensions.some(id => dimension(id).kind === 'assign')
      return first && isWork && isOffered(first) ? acceptReading(b, s.id, first) : b
    }, withRows)
  return withoutFurtherWork(read, functions)
}

/** A row of a key that nobody has decided yet. */
export const undecidedKey = (body: Body): Setting | undefined =>
  body.settings.find(s => s.undecided && body.controls.some(c => c.label === s.label))

/** Once every key is decided, functions that none of them takes are known to be lacking. */
export const withoutFurtherWork = (body: Body, functions: readonly string[]): Body => {
  if (undecidedKey(body)) return body
  const told = new Set(body.settings.flatMap(s => s.options.flatMap(o => Object.keys(o.means))))
  return hasNone(
    body,
    functions.filter(f => !told.has(f)),
  )
}

/** No row says it, and the body always behaves so. */
export const alwaysSo = (body: Body, dimensionId: string, value: NeutralValue): Body => ({
  ...lookAgain(body, [dimensionId]),
  fixed: [...body.fixed, { means: { [dimensionId]: value }, words: 'always so; there is no row for it' }],
})

/** A question that was answered is open again: what it was answered with is asked anew. */
export const askedAgain = (body: Body, { dimensions }: Question): Body =>
  body.settings
    .filter(s => s.options.some(o => dimensions.some(id => id in o.means)))
    .reduce(
      (b, s) => askAgain(b, s.id),
      lookAgain(
        {
          ...body,
          fixed: body.fixed.filter(f => !dimensions.some(id => id in f.means && Object.keys(f.means).length === 1)),
        },
        dimensions,
      ),
    )
