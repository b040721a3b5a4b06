import * as v from 'valibot'
import type { ValueKind } from './kind'

/** Yes or no. */
export const flag: ValueKind<'flag'> = {
  schema: () => v.boolean(),
  distance: (_, target, got) => (target === got ? 0 : 1),
  words: (_, value) => (value ? 'yes' : 'no'),
  reason: () => 'the opposite',
  start: () => true,
}
