import { counted } from '../../vocabulary/words'
import { learn } from '../fold'
import { differs } from './differs'
import type { EventKind } from './event-kind'

/** A file said what it is set to. */
export const read: EventKind<'read'> = {
  short: 'settings read from a file',
  words: ({ settings }) => `${counted(Object.keys(settings).length, 'setting', 'settings')} read from a file`,
  mayTouch: (known, { settings }) =>
    Object.entries(settings).some(([setting, option]) => differs(known, setting, option)),
  after: (fold, event) => learn(fold, Object.entries(event.settings), event, 'file'),
  closesWalks: false,
  unproves: 'was found set otherwise since it was signed',
}
