import { type Body, type Setting } from '../bodies'
import { PLACES } from '../vocabulary/places'
import type { ControlAssignment } from '../vocabulary/values'
import type { ModelKey } from './facts'
import type { SetTo } from './walks'

/** Keys of a body that can recall a stored set while they are held or on, and what they are good for between set-ups. */

/** An option that makes a key recall a set. */
interface Chance {
  readonly control: string
  readonly isToggled: boolean
  readonly setting: Setting
  readonly option: Setting['options'][number]
}

const RECALL_WORK = 'trigger.recall'

const chancesOf = (body: Body): readonly Chance[] =>
  body.settings.flatMap(setting =>
    setting.options.flatMap(option => {
      const work = option.means[RECALL_WORK] as ControlAssignment | undefined
      return work ? [{ control: work.control, isToggled: work.press === 'toggled', setting, option }] : []
    }),
  )

/** Work that a set-up asks of the key's row, if any, leaves it free for this. */
const isFree = ({ setting, option }: Chance, { asked, state }: SetTo): boolean =>
  !asked.includes(setting.id) || state[setting.id] === option.id

/**
 * One key for each set that the body stores for keys, those first that are good for most changes. Nothing where nobody has
 * said what such a key recalls.
 */
export const recallKeysOf = (body: Body, all: readonly SetTo[]): readonly ModelKey[] => {
  const { keys } = body.slots
  if (!keys) return []
  const isStored = (id: string) => keys.stores === 'everything' || keys.stores.includes(id)
  const keyed = chancesOf(body).map((chance): ModelKey => {
    const free = all.filter(s => isFree(chance, s))
    const does = (from: SetTo, to: SetTo) =>
      to.asked.every(id => id === chance.setting.id || from.state[id] === to.state[id] || isStored(id))
    const control = body.controls.find(c => c.id === chance.control)
    return {
      name: control?.label ?? chance.control,
      isThumbs: control !== undefined && PLACES[control.place].finger === 'thumb',
      ...(chance.isToggled ? { isToggled: true } : {}),
      row: [chance.setting.label, chance.option.label],
      reaches: Object.fromEntries(
        free.map(from => [from.key, free.filter(to => to !== from && does(from, to)).map(to => to.key)]),
      ),
    }
  })
  const worth = ({ reaches }: ModelKey) => Object.values(reaches).reduce((n, to) => n + to.length, 0)
  // Where a key can do both, what is held is not forgotten.
  const heldFirst = keyed.toSorted((a, b) => Number(a.isToggled ?? false) - Number(b.isToggled ?? false))
  const byControl = heldFirst.filter((k, i) => heldFirst.findIndex(o => o.name === k.name) === i && worth(k) > 0)
  return byControl.toSorted((a, b) => worth(b) - worth(a)).slice(0, keys.sets)
}
