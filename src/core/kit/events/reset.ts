import { factoryState } from '../../bodies'
import { learn } from '../fold'
import type { EventKind } from './event-kind'

/** Everything is at factory defaults. */
export const reset: EventKind<'reset'> = {
  short: 'reset to factory defaults',
  words: () => 'reset to factory defaults',
  mayTouch: () => true,
  after: (fold, event) => {
    const blank = { ...fold, order: new Map(), known: { ...fold.known, facts: new Map(), slots: new Map() } }
    return learn(blank, Object.entries(factoryState(fold.form)), event, 'factory')
  },
  closesWalks: true,
  unproves: 'was reset since it was signed',
}
