import { loseAll } from '../fold'
import type { EventKind } from './event-kind'

/** Back from a loan: it may be set to anything. */
export const returned: EventKind<'returned'> = {
  short: 'back from a loan',
  words: () => 'came back from a loan',
  mayTouch: () => true,
  after: (fold, { at }) => loseAll(fold, 'returned', at),
  closesWalks: true,
  unproves: 'came back from a loan since it was signed',
}
