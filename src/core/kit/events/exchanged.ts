import { loseAll } from '../fold'
import type { EventKind } from './event-kind'

/** Another camera stands under the tag: nothing of the one before counts for it. */
export const exchanged: EventKind<'exchanged'> = {
  short: 'another camera',
  words: ({ what, from, to }) =>
    `${what === 'model' ? 'another model' : 'another serial number'}: ${from} became ${to}`,
  mayTouch: () => true,
  after: (fold, { at }) => {
    const gone = loseAll(fold, 'exchanged', at)
    return { ...gone, known: { ...gone.known, signed: undefined, touched: undefined } }
  },
  closesWalks: true,
  unproves: 'is another camera than the one that was signed',
}
