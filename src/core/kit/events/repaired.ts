import { loseAll } from '../fold'
import type { EventKind } from './event-kind'

/** Back from repair: it may be set to anything. */
export const repaired: EventKind<'repaired'> = {
  short: 'back from repair',
  words: () => 'came back from repair',
  mayTouch: () => true,
  after: (fold, { at }) => loseAll(fold, 'repaired', at),
  closesWalks: true,
  unproves: 'came back from repair since it was signed',
}
