import { availability, type Body, bodyAt, isThere, type State } from '../bodies'
import type { Happened, Told, UnitEvent } from './unit-event'

/**
 * What a unit is known to be set to, and what an event can do to it: teach something, take something away, change the
 * form that runs.
 */

export interface Fact extends Happened {
  readonly option: string
  readonly how: Told | 'factory' | 'picture'
}

/** Why a setting is not known any more. */
export interface Lost {
  readonly kind: 'firmware' | 'repaired' | 'returned' | 'exchanged' | 'contradicted'
  readonly at: string
}

export interface Signature extends Happened {
  readonly standard: string
  readonly version: number
}

/** What a memory slot holds. */
export interface Stored extends Happened {
  readonly standard: string
  readonly version: number
}

export interface Known {
  /** By setting; a setting that is not named may be at anything. */
  readonly facts: ReadonlyMap<string, Fact>
  /** By memory slot; one that is not named may hold anything. */
  readonly slots: ReadonlyMap<string, Stored>
  /** By setting: what took away what was known of it, where something did. */
  readonly lost: ReadonlyMap<string, Lost>
  /** When it last was walked through to the end, and for what. */
  readonly signed: Signature | undefined
  /** What happened since then that may have touched it, and has it proved again; undefined where nothing did. */
  readonly touched: UnitEvent | undefined
}

export const NOTHING_KNOWN: Known = {
  facts: new Map(),
  slots: new Map(),
  lost: new Map(),
  signed: undefined,
  touched: undefined,
}

/*
 * Known state is a fold over what happened, oldest first. These hold after every event, in whatever order they come:
 *
 * - What is known never contradicts the rules of the form that runs: what a rule forces is known with it, and where an
 *   older fact cannot stand beside a newer one, the older one goes.
 * - A newer fact never gives way to an older one.
 * - Nothing is known that a reset, a repair, a loan, another camera or another firmware may have changed since.
 * - A unit is proved only by a signature after the last thing that may have touched it.
 */

/** The fold's own state: what is known, and in which order it was learned. */
export interface Fold {
  readonly known: Known
  /** By setting, when its fact was learned; larger is newer. */
  readonly order: ReadonlyMap<string, number>
  readonly count: number
  /** The form that runs. */
  readonly form: Body
  readonly firmware: string
}

/** The form that runs, without the settings and options that came with a later firmware. */
const formAt = (profile: Body, firmware: string): Body => {
  const form = bodyAt(profile, firmware)
  const settings = form.settings.filter(s => isThere(s.since, firmware))
  return {
    ...form,
    settings: settings.map(s => ({ ...s, options: s.options.filter(o => isThere(o.since, firmware)) })),
  }
}

/** Settings that a change of firmware touches: new ones, those that read or work otherwise, and those that rules now move. */
const touchedBy = (before: Body, after: Body): ReadonlySet<string> => {
  const textOf = <T extends { readonly id: string }>(all: readonly T[]) =>
    new Map(all.map(x => [x.id, JSON.stringify(x)]))
  const [settings, rules] = [textOf(before.settings), textOf(before.rules)]
  const changed = after.rules.filter(r => rules.get(r.id) !== JSON.stringify(r))
  const gone = before.rules.filter(r => !after.rules.some(x => x.id === r.id))
  return new Set([
    ...after.settings.filter(s => settings.get(s.id) !== JSON.stringify(s)).map(s => s.id),
    // A rule that greyed out or excluded only decided what could be chosen; one that forces moves its setting.
    ...[...changed, ...gone].filter(r => r.then.effect === 'forced').map(r => r.then.setting),
  ])
}

type Entries = ReadonlyMap<string, Fact>

const without = <T>(map: ReadonlyMap<string, T>, ids: Iterable<string>): Map<string, T> => {
  const left = new Map(map)
  for (const id of ids) left.delete(id)
  return left
}

const withLost = (lost: ReadonlyMap<string, Lost>, ids: Iterable<string>, why: Lost): Map<string, Lost> => {
  const all = new Map(lost)
  for (const id of ids) all.set(id, why)
  return all
}

/** Takes facts away; a setting that was not known keeps the reason it had. */
const lose = (fold: Fold, ids: readonly string[], why: Lost): Fold => {
  const gone = ids.filter(id => fold.known.facts.has(id))
  return {
    ...fold,
    order: without(fold.order, gone),
    known: { ...fold.known, facts: without(fold.known.facts, gone), lost: withLost(fold.known.lost, gone, why) },
  }
}

export const stateOf = (facts: Entries): State => Object.fromEntries([...facts].map(([id, f]) => [id, f.option]))

/** Has what is known go by the rules of the form that runs; what is newer stands. */
const consistent = (fold: Fold, at: string): Fold => {
  let now = fold
  for (let round = 0; round <= 2 * now.form.rules.length; round++) {
    const [rule] = availability(now.form, stateOf(now.known.facts)).broken
    if (!rule) return now
    const { then } = rule
    const age = (id: string) => now.order.get(id) ?? -1
    const conditions = rule.when.map(c => c.setting)
    const newest = conditions.reduce((a, b) => (age(b) > age(a) ? b : a))
    const cause = now.known.facts.get(newest)
    if (then.effect === 'forced' && cause && age(then.setting) < age(newest)) {
      const fact: Fact = { ...cause, option: then.option, at }
      now = {
        ...now,
        order: new Map(now.order).set(then.setting, age(newest)),
        known: {
          ...now.known,
          facts: new Map(now.known.facts).set(then.setting, fact),
          lost: without(now.known.lost, [then.setting]),
        },
      }
      continue
    }
    // Which of them is wrong nobody can tell, but that the newest was seen last.
    const all = [...new Set([...conditions, then.setting])]
    const last = Math.max(...all.map(age))
    const older = all.filter(id => age(id) < last)
    now = lose(now, older.length ? older : all, { kind: 'contradicted', at })
  }
  const entangled = now.form.rules.flatMap(r => [r.then.setting, ...r.when.map(c => c.setting)])
  return lose(now, entangled, { kind: 'contradicted', at })
}

export const learn = (
  fold: Fold,
  told: readonly (readonly [string, string])[],
  { at, by }: Happened,
  how: Fact['how'],
): Fold => {
  const facts = new Map(fold.known.facts)
  const order = new Map(fold.order)
  const count = fold.count + 1
  for (const [setting, option] of told) {
    facts.set(setting, { option, how, at, by })
    order.set(setting, count)
  }
  const lost = without(
    fold.known.lost,
    told.map(([setting]) => setting),
  )
  return consistent({ ...fold, count, order, known: { ...fold.known, facts, lost } }, at)
}

export const loseAll = (fold: Fold, kind: 'repaired' | 'returned' | 'exchanged', at: string): Fold => {
  const why: Lost = { kind, at }
  const lost = new Map(fold.form.settings.map(s => [s.id, why]))
  return { ...fold, order: new Map(), known: { ...fold.known, facts: new Map(), slots: new Map(), lost } }
}

export const updated = (fold: Fold, profile: Body, firmware: string, at: string): Fold => {
  const form = formAt(profile, firmware)
  const touched = touchedBy(fold.form, form)
  const slots = touched.size > 0 ? new Map<string, Stored>() : fold.known.slots
  const next = lose({ ...fold, form, firmware }, [...touched], { kind: 'firmware', at })
  return consistent({ ...next, known: { ...next.known, slots } }, at)
}

export const beginning = (profile: Body, firmware: string): Fold => ({
  known: NOTHING_KNOWN,
  order: new Map(),
  count: 0,
  form: formAt(profile, firmware),
  firmware,
})

/** What a fold comes to on a unit that runs a firmware now. */
export const knownBy = (told: Fold, profile: Body, firmware: string, last: UnitEvent | undefined): Known => {
  // What runs now counts, whatever was written down on the way to it.
  // Stryker disable next-line ConditionalExpression: brought up to the firmware it is at, it stays as it is
  const { known, form } = told.firmware === firmware ? told : updated(told, profile, firmware, last?.at ?? '')
  // What the profile no longer offers cannot be known either.
  const offered = new Map(form.settings.map(s => [s.id, s.options.map(o => o.id)]))
  return { ...known, facts: new Map([...known.facts].filter(([s, f]) => offered.get(s)?.includes(f.option))) }
}
