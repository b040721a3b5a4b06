import {
  accepts,
  type Body,
  type Control,
  decided,
  editSetting,
  inMenuOrder,
  type Setting,
  withCounts,
} from '../bodies'
import { dimension, findDimension, isSigned } from '../vocabulary/dimensions'
import type { ControlAssignment } from '../vocabulary/values'
import { byLikeness, classesOf, idOf, likenesses, TOLD, weightOf, withLikeness, WORTH_ASKING } from './by-likeness'
import { byWords, type WordCandidate } from './by-words'
import { asKey, type KinWork, kinWorkOf } from './keys'
import { type Knowledge, keyOf, knownOf, WORK } from './knowledge'
import { afterBefore, byLearning } from './learned'
import { readOptions } from './read-options'
import type { RowClass } from './like-rows'
import type { Candidate, Certainty, Reading } from './reading'

/**
 * Proposed meanings for settings nobody has decided yet: by the trade's words, and by what was decided on other bodies.
 * A proposal says why and how sure it is; where nothing tells, it says so. Only a person accepts it.
 */

/** From these scores on, and so far before the next, a reading is called so; calibrated by `npm run bench`. */
const SURE = { score: 0.86, ahead: 0.06 }
const LIKELY = { score: 0.64, ahead: 0.03 }

/** What several settings of one body may be about. */
const isRepeated = (c: Candidate): boolean =>
  c.dimensions.length !== 1 ||
  findDimension(c.dimensions[0] ?? '')?.kind === 'assign' ||
  c.dimensions[0] === 'area.offered'

const isEmpty = (c: Candidate, i: number): boolean => Object.keys(c.means[i] ?? {}).length === 0

/** Two candidates about the same: the better told counts, the other bears it out and fills what it leaves open. */
const joined = (a: Candidate, b: Candidate): Candidate => {
  const [first, second] = a.score >= b.score ? [a, b] : [b, a]
  return {
    ...first,
    means: first.means.map((m, i) => (isEmpty(first, i) ? (second.means[i] ?? m) : m)),
    score: Math.min(0.99, first.score + 0.12 * second.score),
    because: [...first.because, ...second.because].slice(0, 3),
  }
}

/** Scales run either way: where nothing says which, the other direction is offered beside the first. */
const turned = (c: Candidate): Candidate | undefined => {
  const [id, ...more] = c.dimensions
  const d = id === undefined ? undefined : findDimension(id)
  if (!d || more.length || c.means.length < 2) return undefined
  const isScale = d.kind === 'scale' || (d.kind === 'physical' && !isSigned(d))
  const means = [...c.means].reverse()
  if (!isScale || JSON.stringify(means) === JSON.stringify(c.means)) return undefined
  return { ...c, means, score: c.score * 0.5, because: ['the same, running the other way'] }
}

/** Of rows like this one, so many are about the same where a reading is sure. */
const BORNE_OUT = 0.6

const certaintyOf = (c: Candidate, ahead: number, alike: ReadonlyMap<RowClass, number>): Certainty => {
  const same = Math.max(...classesOf(c).map(id => alike.get(id) ?? 0))
  const [about, most] = [...alike].reduce((a, b) => (b[1] > a[1] ? b : a), ['', 0])
  // Words say one thing, rows like it another: who of the two is right is asked, unless the rows are about nothing here.
  const isOutspoken = (about === '-' || about === '?') && c.dimensions.length > 0 && c.score > TOLD
  const isDoubted = same < most && !isOutspoken
  if (c.score < LIKELY.score || ahead < LIKELY.ahead || isDoubted) return 'unsure'
  // That no word of the vocabulary says it is more than anybody can be sure of.
  const isSure = !c.isDoubted && c.about !== 'unnamed' && (most === 0 || same >= BORNE_OUT)
  return isSure && c.score >= SURE.score && ahead >= SURE.ahead ? 'sure' : 'likely'
}

const MOST_READINGS = 6

/** What is known before any setting of a body is asked about: the same for all of them. */
interface Ground {
  readonly knowledge: Knowledge
  readonly works: KinWork
  /** What decided settings of the body are about, and how many are. */
  readonly taken: ReadonlyMap<string, number>
}

const groundOf = (body: Body, others: Knowledge): Ground => {
  // What has been decided on this body already is known as well, and is of its maker.
  const decidedHere = knownOf(body)
  const own = decidedHere.filter(k => k.key === '' || k.key === WORK || k.key === 'area.offered')
  const knowledge = { ...others, settings: [...others.settings, ...own] }
  const taken = new Map<string, number>()
  for (const { key } of decidedHere) taken.set(key, (taken.get(key) ?? 0) + 1)
  return { knowledge, works: kinWorkOf(body, knowledge), taken }
}

/** Readings of one setting, likeliest first; that there is nothing for the vocabulary in it is always among them. */
export const proposeFor = (
  body: Body,
  setting: Setting,
  others: Knowledge,
  { knowledge, works, taken }: Ground = groundOf(body, others),
): readonly Reading[] => {
  const found = new Map<string, WordCandidate>()
  const key = asKey(body, setting, works)
  for (const c of [
    ...byWords(body, setting, others.likeOptions),
    ...byLearning(body, setting, knowledge),
    ...(key ? [key] : []),
  ]) {
    const former = found.get(idOf(c))
    found.set(idOf(c), former ? joined(former, c) : c)
  }
  const alike = likenesses(body, setting, knowledge)
  const isFound = (c: Candidate) => [...found.values()].some(f => f.dimensions.includes(c.dimensions[0] ?? ''))
  for (const c of byLikeness(body, setting, alike, others.likeOptions)) if (!isFound(c)) found.set(idOf(c), c)
  const isTaken = (id: string) => (taken.get(id) ?? 0) > Number(!setting.undecided && keyOf(setting) === id)
  const usual = afterBefore(body, setting, knowledge)
  const weight = weightOf(alike, [...found.values()])
  const weighed = [...found]
    .map(([id, told]) => [id, withLikeness(told, alike, weight)] as const)
    .map(([id, c]) => ({
      ...c,
      score: Math.min(0.99, c.score * (isTaken(id) && !isRepeated(c) ? 0.92 : 1) + 0.08 * (usual.get(id) ?? 0)),
    }))
  const ranked = weighed
    // A name without an option that is understood is worth a question, a mere hint is not.
    .filter(
      c =>
        c.dimensions.length === 0 ||
        c.score > 0.45 ||
        c.means.some((_, i) => !isEmpty(c, i)) ||
        classesOf(c).some(id => (alike.get(id) ?? 0) > WORTH_ASKING),
    )
    .sort((a, b) => b.score - a.score)
  const readings = ranked.slice(0, MOST_READINGS).flatMap((c, i): readonly Reading[] => {
    const ahead = i === 0 ? c.score - (ranked[1]?.score ?? 0) : 0
    const reading: Reading = { ...c, certainty: i === 0 ? certaintyOf(c, ahead, alike) : 'unsure' }
    const other = c.isEitherWay || c.isGuess ? turned(c) : undefined
    return other ? [reading, { ...other, certainty: 'unsure' }] : [reading]
  })
  const nothing = ranked.filter(
    c => c.dimensions.length === 0 && !readings.some(r => r.about === c.about && !r.dimensions.length),
  )
  return [...readings, ...nothing.map(c => ({ ...c, certainty: 'unsure' as const }))]
}

/** Options read for one answer, so that nobody's menu keeps others waiting; more than any camera has. */
export const MOST_READ = 4000

/**
 * Readings of every setting that nobody has decided, in menu order. Where a menu has more options than `MOST_READ`, the
 * settings behind are left out of the answer until those before them are decided.
 */
export const proposeAll = (body: Body, others: Knowledge): ReadonlyMap<string, readonly Reading[]> => {
  const ground = groundOf(body, others)
  const readings = new Map<string, readonly Reading[]>()
  let left = MOST_READ
  for (const s of inMenuOrder(body)) {
    if (!s.undecided) continue
    left -= s.options.length
    if (left < 0) break
    readings.set(s.id, proposeFor(body, s, others, ground))
  }
  return readings
}

/** A control that a menu gives work to accepts that work, whatever was written down before. */
const acceptingWork = (control: Control, reading: Reading): Control => {
  const given = reading.means.flatMap(m =>
    Object.keys(m).filter(id => (m[id] as Partial<ControlAssignment>).control === control.id),
  )
  const missing = [...new Set(given)].filter(id => !accepts(control, id))
  return missing.length ? { ...control, functions: [...control.functions, ...missing] } : control
}

/** The body once a person has accepted a reading. */
export const acceptReading = (body: Body, settingId: string, reading: Reading): Body => {
  const { control } = reading
  const isNew = control && !body.controls.some(c => c.id === control.id)
  const controls = (isNew ? [...body.controls, control] : body.controls).map(c => acceptingWork(c, reading))
  return editSetting({ ...body, controls }, settingId, s => ({
    ...withCounts(decided(s), reading.counts ?? s.counts),
    ...(reading.about === 'unnamed' ? { unnamed: true as const } : {}),
    options: s.options.map((o, i) => {
      const { guessed: _, ...rest } = o
      // What somebody has stated of an option already stays as it is.
      if (s.undecided && Object.keys(o.means).length > 0) return o
      const means = { ...(reading.means[i] ?? {}) }
      return {
        ...rest,
        means,
        ...(reading.isGuess && Object.keys(means).length ? { guessed: Object.keys(means) } : {}),
      }
    }),
  }))
}

export { type Knowledge, knowledgeOf } from './knowledge'
export { CERTAINTIES, type Certainty, type Reading } from './reading'

/** Why a row is read as what somebody said it is about. */
export const SAID_SO = 'you said so'

/**
 * A setting read as what somebody says it is about: each option as it was proposed, where that was among the proposals,
 * else as far as its words go; the rest is left open.
 *
 * @throws RangeError for an unknown dimension
 */
export const readAs = (
  body: Body,
  setting: Setting,
  dimensionId: string,
  proposed: readonly Reading[] = [],
): Reading => {
  const d = dimension(dimensionId)
  const read = proposed.find(r => r.dimensions.join() === d.id) ?? readOptions(body, d, setting)
  const means = setting.options.map((_, i) => read.means[i] ?? {})
  return {
    dimensions: [d.id],
    means,
    score: 1,
    certainty: 'sure',
    because: [SAID_SO],
    ...(read.isGuess ? { isGuess: true } : {}),
    ...(read.isEitherWay ? { isEitherWay: true } : {}),
  }
}
