import type { Known, UnitEvent } from './known'

/** Whether a unit is ready for a standard, and why not. */
export type Readiness =
  | { readonly is: 'ready'; readonly until: string }
  /** Everything is as it should be, and nobody has walked through it and signed. */
  | { readonly is: 'unproven' }
  | { readonly is: 'differs'; readonly steps: number; readonly owed: number | undefined }
  | { readonly is: 'unknown'; readonly settings: number }
  | { readonly is: 'out-of-date'; readonly why: 'age' | 'firmware'; readonly since: string }
export type ReadinessState = Readiness['is']

export const READINESS_ORDER: readonly ReadinessState[] = ['differs', 'unknown', 'out-of-date', 'unproven', 'ready']

const DAY_MS = 24 * 3600 * 1000

/** When a unit that was signed has to be looked at again. */
export const dueAfter = (signedAt: string, weeks: number): string =>
  new Date(Date.parse(signedAt) + weeks * 7 * DAY_MS).toISOString()

export interface Asked {
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
export const readinessOf = (known: Known, asked: Asked): Readiness => {
  const unknown = asked.settings.filter(s => !known.facts.has(s)).length
  if (unknown > 0) return { is: 'unknown', settings: unknown }
  const { signed } = known
  const isSigned = signed?.standard === asked.standard
  if (asked.steps > 0) {
    const owed = isSigned && signed.version !== asked.version ? asked.version : undefined
    return { is: 'differs', steps: asked.steps, owed }
  }
  if (!isSigned) return { is: 'unproven' }
  const updated = known.since.find((e: UnitEvent) => e.kind === 'firmware')
  if (updated) return { is: 'out-of-date', why: 'firmware', since: updated.at }
  const until = dueAfter(signed.at, asked.recheckWeeks)
  if (until < asked.now) return { is: 'out-of-date', why: 'age', since: until }
  return { is: 'ready', until }
}

const counted = (n: number, one: string, many: string): string => (n === 1 ? `1 ${one}` : `${n} ${many}`)

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
      if (known.lost?.kind === 'repaired') return 'came back from repair: may be set to anything'
      if (known.lost?.kind === 'returned') return 'came back from a loan: may be set to anything'
      if (known.lost?.kind === 'firmware')
        return `new firmware touched ${counted(r.settings, 'setting', 'settings')} that matter`
      return known.facts.size === 0
        ? 'nothing is known of it yet'
        : `${counted(r.settings, 'setting', 'settings')} not known`
    case 'out-of-date':
      return r.why === 'firmware' ? 'runs another firmware since it was signed' : 'was signed too long ago'
  }
}
