import type { Change } from '../changes/changes'
import { findDimension } from '../vocabulary/dimensions'
import { inSentence, valueWords } from '../vocabulary/words'
import type { NeutralValue } from '../vocabulary/values'
import { type Body, type Option, type Setting } from './schema'
import { changesBetween, formChangesBetween } from './versions'

/** What differs between two forms of a profile, in words: for firmware, for history, and for two people's edits. */

export type DifferenceKind = 'adds' | 'removes' | 'renames' | 'moves' | 'means' | 'binds' | 'facts'

export interface Difference {
  readonly kind: DifferenceKind
  readonly words: string
  /** Somebody who relied on the former one has to look: something is gone, means another thing or is bound anew. */
  readonly breaks: boolean
  readonly at: readonly string[]
}

export const KIND_WORDS: Readonly<Record<DifferenceKind, string>> = {
  adds: 'Adds',
  removes: 'Removes',
  renames: 'Renames',
  moves: 'Moves',
  means: 'Means something else',
  binds: 'Binds settings anew',
  facts: 'Other facts',
}

const LISTS: Readonly<Record<string, string>> = { settings: 'setting', controls: 'control', rules: 'rule' }

const text = (value: Change['before']): string => (typeof value === 'string' ? value : '')

const labelIn = (value: unknown): string => {
  const { label, words, id } = (value ?? {}) as { label?: string; words?: string; id?: string }
  return label ?? words ?? id ?? ''
}

const meaningText = (body: Body, dimensionId: string, value: unknown): string => {
  const d = findDimension(dimensionId)
  if (!d || value === undefined) return 'nothing'
  return `${inSentence(d.label)} ${valueWords(d, value as NeutralValue, id => body.controls.find(c => c.id === id)?.label ?? id)}`
}

const ofSetting = (setting: Setting, rest: readonly string[], c: Change, before: Body): Omit<Difference, 'at'> => {
  const [field, optionId, inOption, dimensionId] = rest
  const name = `“${setting.label}”`
  if (field === undefined) return { kind: 'adds', words: `${name} changes`, breaks: false }
  if (field === 'label')
    return { kind: 'renames', words: `setting “${text(c.before)}” is now “${text(c.after)}”`, breaks: false }
  if (field === 'at') return { kind: 'moves', words: `${name} stands elsewhere in the menu`, breaks: false }
  if (field === 'default') return { kind: 'means', words: `${name} leaves the factory at another option`, breaks: true }
  if (field !== 'options') return { kind: 'facts', words: `${name}: ${field} changes`, breaks: false }
  if (optionId === undefined || optionId === '#order')
    return { kind: 'moves', words: `the options of ${name} stand in another order`, breaks: false }
  const option: Option | undefined = setting.options.find(o => o.id === optionId)
  const label = `${name}: “${option?.label ?? labelIn(c.before ?? c.after)}”`
  if (inOption === undefined)
    return c.before === undefined
      ? { kind: 'adds', words: `option ${name}: “${labelIn(c.after)}”`, breaks: false }
      : { kind: 'removes', words: `option ${name}: “${labelIn(c.before)}”`, breaks: true }
  if (inOption === 'label')
    return { kind: 'renames', words: `${name}: “${text(c.before)}” is now “${text(c.after)}”`, breaks: false }
  if (inOption === 'means' && dimensionId !== undefined)
    return {
      kind: 'means',
      words: `${label} means ${meaningText(before, dimensionId, c.after)}, formerly ${meaningText(before, dimensionId, c.before)}`,
      breaks: c.before !== undefined,
    }
  if (inOption === 'means') return { kind: 'means', words: `${label}: its meaning changes`, breaks: true }
  return { kind: 'facts', words: `${label}: ${inOption} changes`, breaks: false }
}

const FACT_WORDS: Readonly<Record<string, string>> = {
  frameRates: 'frame rates',
  viewfinder: 'finder',
  slots: 'memory slots',
  fixed: 'what it always does',
  unconfirmed: 'facts looked at',
  pins: 'what is set whatever is asked',
  evidence: 'what its pictures tell',
  lacking: 'what was looked for and not found',
  updates: 'later firmware',
}

const differenceOf = (c: Change, before: Body, after: Body): Omit<Difference, 'at'> => {
  const [list = '', member, ...rest] = c.at
  const noun = LISTS[list]
  if (!noun || member === undefined) return { kind: 'facts', words: FACT_WORDS[list] ?? list, breaks: false }
  if (member === '#order') return { kind: 'moves', words: `the ${noun}s stand in another order`, breaks: false }
  if (rest.length === 0) {
    const label = `${noun} “${labelIn(c.after ?? c.before)}”`
    const rule = list === 'rules'
    if (c.before === undefined) return { kind: rule ? 'binds' : 'adds', words: label, breaks: rule }
    return { kind: 'removes', words: label, breaks: !rule }
  }
  const setting = [...before.settings, ...after.settings].find(s => s.id === member)
  if (list === 'settings' && setting) return ofSetting(setting, rest, c, before)
  if (list === 'rules') {
    const rule = after.rules.find(r => r.id === member)
    return { kind: 'binds', words: `rule “${rule?.words ?? member}”`, breaks: true }
  }
  const control = after.controls.find(x => x.id === member)
  if (rest[0] === 'label')
    return { kind: 'renames', words: `control “${text(c.before)}” is now “${text(c.after)}”`, breaks: false }
  return {
    kind: rest[0] === 'at' || rest[0] === 'place' ? 'moves' : 'facts',
    words: `control “${control?.label ?? member}”: ${rest[0] === 'functions' ? 'accepts other functions' : (rest[0] ?? '')}`,
    breaks: rest[0] === 'functions',
  }
}

const breaksFirst = (differences: readonly Difference[]): readonly Difference[] =>
  differences.toSorted((a, b) => Number(b.breaks) - Number(a.breaks))

/** What the second profile does differently, breaking changes first. */
export const differencesBetween = (before: Body, after: Body): readonly Difference[] =>
  breaksFirst(describeChanges(changesBetween(before, after), before, after))

/** What a later firmware does differently, breaking changes first. */
export const formDifferencesBetween = (before: Body, after: Body): readonly Difference[] =>
  breaksFirst(describeChanges(formChangesBetween(before, after), before, after))

/** Changes of a profile in words, in their own order. */
export const describeChanges = (changes: readonly Change[], before: Body, after: Body): readonly Difference[] =>
  changes.map(c => ({ ...differenceOf(c, before, after), at: c.at }))
