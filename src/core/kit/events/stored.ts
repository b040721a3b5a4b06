import type { EventKind } from './event-kind'

/** What it was set to was kept in a memory slot. */
export const stored: EventKind<'stored'> = {
  short: 'stored in a memory slot',
  words: ({ slot, standard, version }, names) => `stored in ${slot}: ${names.standard(standard)}, version ${version}`,
  mayTouch: () => false,
  after: (fold, { slot, standard, version, at, by }) => {
    const slots = new Map(fold.known.slots).set(slot, { at, by, standard, version })
    return { ...fold, known: { ...fold.known, slots } }
  },
  closesWalks: false,
}
