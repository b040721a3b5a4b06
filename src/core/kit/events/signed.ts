import { counted } from '../../vocabulary/words'
import type { EventKind } from './event-kind'

/** Walked to the end, proved and signed for. */
export const signed: EventKind<'signed'> = {
  short: 'signed',
  words: ({ standard, version, minutes }, names) => {
    const took = minutes === null ? '' : `, in ${counted(Math.max(1, Math.round(minutes)), 'minute', 'minutes')}`
    return `signed for ${names.standard(standard)}, version ${version}${took}`
  },
  mayTouch: () => false,
  after: (fold, { standard, version, at, by }) => ({
    ...fold,
    known: { ...fold.known, signed: { at, by, standard, version }, touched: undefined },
  }),
  closesWalks: false,
}
