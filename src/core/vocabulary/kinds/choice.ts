import * as v from 'valibot'
import { spaced } from '../plain-words'
import { relativeOf } from '../relatives'
import type { ValueKind } from './kind'

/** 0 for the same choice, the vocabulary's figure for near relatives, else 1. */
export const choiceDistance = (dimensionId: string, a: string, b: string): number =>
  a === b ? 0 : (relativeOf(dimensionId, a, b)?.distance ?? 1)

/** One of several things that no order connects. */
export const choice: ValueKind<'choice'> = {
  schema: d => (d.open ? v.pipe(v.string(), v.minLength(1), v.maxLength(60)) : v.picklist(d.values)),
  distance: (d, target, got) => choiceDistance(d.id, target, got),
  words: (_, value) => spaced(value),
  reason: (d, wanted, got) => {
    const near = relativeOf(d.id, wanted, got)
    return near ? `near relatives: ${near.because}` : 'another choice'
  },
  start: d => d.values[0] ?? 'other',
}
