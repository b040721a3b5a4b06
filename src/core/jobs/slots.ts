/**
 * Which set-ups go on the few memory slots of a camera, over the scenes it covers in a row, so that as few changes as
 * possible take longer than there is time between two scenes, and then so that all changes take the fewest presses.
 *
 * A change walks the menu, recalls a slot that holds what is wanted, or recalls another and walks on from there. What was
 * set up may be stored in a slot where there is time for it. What is in the slots before the day begins is stored at home.
 */

export interface Cost {
  readonly presses: number
  readonly seconds: number
}

export interface SlotProblem {
  /** The set-up of each scene, in running order: numbers from 0. At most 30 different ones. */
  readonly sequence: readonly number[]
  /** Seconds between one scene and the next; one fewer than there are scenes. */
  readonly gaps: readonly number[]
  /** By set-up, from and to. */
  readonly walk: readonly (readonly Cost[])[]
  /** Recalling a slot that holds `to` while the camera is at `from`, with what a slot does not keep set by hand. */
  readonly recall: readonly (readonly Cost[])[]
  /** Slots keep everything, so that any of them can be recalled to walk on from. */
  readonly isWhole: boolean
  readonly slots: number
  readonly store: Cost
  /** What is in the slots, where the day has begun; undefined where they can be filled at home. */
  readonly holds?: readonly number[] | undefined
  /** Keys that recall a stored set, for as long as they are held or until they are pressed again. */
  readonly keys?: readonly RecallKey[] | undefined
  /** The key that was pressed and is on, where the day has begun. */
  readonly on?: number | undefined
  /** By scene: short enough for a key to be held through it; all where it is not given. */
  readonly holdable?: readonly boolean[] | undefined
}

/**
 * What a key recalls is stored at home, and stays. The camera is as it was as soon as a key is let go that is held, or
 * pressed again that is toggled.
 */
export interface RecallKey {
  /** By set-up, from and to: with `to` on the key, a camera that is set to `from` does as `to` while it is held, or on. */
  readonly reaches: readonly (readonly boolean[])[]
  /** Of holding it through a scene; of each press where it is toggled. */
  readonly cost: Cost
  /** Nobody has to hold it: it may stay on for as long as a scene takes, and through several. */
  readonly isToggled?: boolean | undefined
  /** What is on it, where the day has begun; undefined where it can be filled at home. */
  readonly holds?: number | 'nothing' | undefined
}

/** What is done between two scenes. */
export interface SlotChange {
  /** What the camera is set to before it: that of the last scene for which no key is held, or on. */
  readonly from: number
  /** The key that is pressed again before anything else, so that it is off. */
  readonly back: number | undefined
  /** The key that is held or on through the scene, in place of any change. */
  readonly key: number | undefined
  /** That key is on already, and stays so. */
  readonly stays: boolean
  /** Stored before anything is changed, and what it takes the place of. */
  readonly keeps: Stored | undefined
  /** The set-up that is recalled from a slot first. */
  readonly recalls: number | undefined
  /** What is then walked in the menu, from here to what is wanted; undefined where nothing is left. */
  readonly walks: { readonly from: number; readonly to: number } | undefined
  readonly stores: Stored | undefined
  readonly cost: Cost
  /** It takes longer than there is time. */
  readonly isLate: boolean
}

export interface Stored {
  readonly setUp: number
  readonly instead: number | undefined
}

export interface SlotPlan {
  /** In the slots before the first scene. */
  readonly prepared: readonly number[]
  /** By key: what it recalls. */
  readonly onKeys: readonly (number | undefined)[]
  readonly changes: readonly SlotChange[]
  readonly presses: number
  readonly late: number
  /** No plan is better. */
  readonly isBest: boolean
  /** What no plan goes below, and how far this one is above it; 0 where it is best. */
  readonly atLeast: { readonly late: number; readonly presses: number }
  readonly gap: number
}

/** Set-ups are bits of a number. */
export const MOST_SET_UPS = 30

/** A slot of the camera and what it holds at first; then which slot each storing goes to. */
export interface SlotNames {
  /** By slot: the set-up it holds when the day begins, or nothing. */
  readonly atFirst: readonly (number | undefined)[]
  /** By change: the slot that is recalled, and those that are stored in. */
  readonly each: readonly {
    readonly keeps: number | undefined
    readonly recalls: number | undefined
    readonly stores: number | undefined
  }[]
}

/**
 * Which slot is which: those that are wanted first come first.
 *
 * @param holds what is in each slot already, where the day has begun
 */
export const nameSlots = (plan: SlotPlan, slots: number, holds?: SlotNames['atFirst']): SlotNames => {
  const firstUse = (setUp: number) => {
    const at = plan.changes.findIndex(c => c.recalls === setUp)
    return at < 0 ? plan.changes.length : at
  }
  const atFirst = holds ?? [
    ...plan.prepared.toSorted((a, b) => firstUse(a) - firstUse(b) || a - b),
    ...Array.from({ length: Math.max(0, slots - plan.prepared.length) }, () => undefined),
  ]
  const now = [...atFirst]
  const put = (stored: Stored | undefined): number | undefined => {
    if (!stored) return undefined
    const slot = now.indexOf(stored.instead)
    now[slot] = stored.setUp
    return slot
  }
  const each = plan.changes.map(c => {
    const keeps = put(c.keeps)
    const recalls = c.recalls === undefined ? undefined : now.indexOf(c.recalls)
    return { keeps, recalls, stores: put(c.stores) }
  })
  return { atFirst, each }
}
