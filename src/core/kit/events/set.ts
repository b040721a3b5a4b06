import { learn } from '../fold'
import { differs } from './differs'
import type { EventKind } from './event-kind'

/** One setting was set, or looked at and told. */
export const set: EventKind<'set'> = {
  short: 'what it says was told',
  words: ({ setting, option, how }, names) => {
    const [label, says] = [names.setting(setting), names.option(setting, option)]
    if (how === 'card') return `${label} set to ${says}`
    return how === 'person' ? `${label} says ${says}` : `${label}: ${says}, from a file`
  },
  mayTouch: (known, { how, setting, option }) => how === 'card' || differs(known, setting, option),
  after: (fold, event) => learn(fold, [[event.setting, event.option]], event, event.how),
  closesWalks: false,
  unproves: 'was set otherwise since it was signed',
}
