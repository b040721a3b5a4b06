import { counted } from '../../vocabulary/words'
import { learn } from '../fold'
import { differs } from './differs'
import type { EventKind } from './event-kind'

/** A picture it took says in its metadata what it was set to. */
export const pictured: EventKind<'pictured'> = {
  short: 'seen in a picture',
  words: ({ settings, file }, names) => {
    const [[setting, option] = [], ...more] = Object.entries(settings)
    if (setting === undefined || option === undefined || more.length > 0)
      return `${counted(Object.keys(settings).length, 'setting', 'settings')} seen in a picture, ${file}`
    return `${names.setting(setting)} says ${names.option(setting, option)} in a picture, ${file}`
  },
  mayTouch: (known, { settings }) =>
    Object.entries(settings).some(([setting, option]) => differs(known, setting, option)),
  after: (fold, event) => learn(fold, Object.entries(event.settings), event, 'picture'),
  // Somebody walks a card at a desk; the pictures were taken before.
  closesWalks: false,
  unproves: 'was set otherwise in a picture since it was signed',
}
