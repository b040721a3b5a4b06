import { counted } from '../vocabulary/words'
import { EVENTS } from './events'
import type { Known, Lost, UnitEvent } from './known'

/** Whether a unit is ready for a standard, and why not. */
export type Readiness =
  | { readonly is: 'ready'; readonly until: string }
  /** Everything is as it should be, and nobody has walked through it and signed. */
  | { readonly is: 'unproven' }
  | { readonly is: 'differs'; readonly steps: number; readonly owed: number | undefined }
  /** Some setting that matters is not known, each reason with how many settings it is for. */
  | { readonly is: 'unknown'; readonly settings: number; readonly because: readonly Unknown[] }
  | { readonly is: 'out-of-date'; readonly why: 'age' | UnitEvent['kind']; readonly since: string }

export interface Unknown {
  readonly why: Lost['kind'] | 'never-told'
  readonly settings: number
}
export type ReadinessState = Readiness['is']

export const READINESS_ORDER: readonly ReadinessState[] = ['differs', 'unknown', 'out-of-date', 'unproven', 'ready']

const DAY_MS = 24 * 3600 * 1000

/** When a unit that was signed has to be looked at again. */
export const dueAfter = (signedAt: string, weeks: number): string =>
  new Date(Date.parse(signedAt) + weeks * 7 * DAY_MS).toISOString()

export interface AskedOfUnit {
  readonly standard: string
  readonly version: number
  /** The steps from what it is assumed to be set to. */
  readonly steps: number
  /** Settings that the standard turns on. */
  readonly settings: readonly string[]
  readonly recheckWeeks: number
  readonly now: string
}

/** What is known of a unit against what a standard asks of it. */
export const readinessOf = (known: Known, asked: AskedOfUnit): Readiness => {
  const unknown = asked.settings.filter(s => !known.facts.has(s))
  if (unknown.length > 0) return { is: 'unknown', settings: unknown.length, because: reasonsOf(known, unknown) }
  const { signed, touched } = known
  const isSigned = signed?.standard === asked.standard
  if (asked.steps > 0) {
    const owed = isSigned && signed.version !== asked.version ? asked.version : undefined
    return { is: 'differs', steps: asked.steps, owed }
  }
  if (!isSigned) return { is: 'unproven' }
  if (touched) return { is: 'out-of-date', why: touched.kind, since: touched.at }
  const until = dueAfter(signed.at, asked.recheckWeeks)
  if (until < asked.now) return { is: 'out-of-date', why: 'age', since: until }
  return { is: 'ready', until }
}

/** Why settings are not known, the reason for most of them first. */
const reasonsOf = ({ lost }: Known, settings: readonly string[]): readonly Unknown[] => {
  const counts = new Map<Unknown['why'], number>()
  for (const s of settings) {
    const why = lost.get(s)?.kind ?? 'never-told'
    counts.set(why, (counts.get(why) ?? 0) + 1)
  }
  return [...counts].map(([why, n]) => ({ why, settings: n })).sort((a, b) => b.settings - a.settings)
}

/** The state in a few words, and why. */
export const readinessWords = (r: Readiness, known: Known): string => {
  switch (r.is) {
    case 'ready':
      return 'matches the standard'
    case 'unproven':
      return 'matches as far as is known; nobody has signed for it'
    case 'differs':
      return `differs by ${counted(r.steps, 'setting', 'settings')}${r.owed ? `: version ${r.owed} is new` : ''}`
    case 'unknown':
      return r.because.map(b => unknownWords(b, known)).join('; ')
    case 'out-of-date':
      return (r.why !== 'age' && EVENTS[r.why].unproves) || 'was signed too long ago'
  }
}

const unknownWords = ({ why, settings }: Unknown, known: Known): string => {
  const many = counted(settings, 'setting', 'settings')
  switch (why) {
    case 'repaired':
      return 'came back from repair: may be set to anything'
    case 'returned':
      return 'came back from a loan: may be set to anything'
    case 'exchanged':
      return 'another camera under this tag: nothing is known of it yet'
    case 'firmware':
      return `new firmware touched ${many} that matter`
    case 'contradicted':
      return `${many} cannot be what was told before, by the body’s own rules`
    case 'never-told':
      return known.facts.size === 0 ? 'nothing is known of it yet' : `${many} not known`
  }
}
