/** Which standards go into which memory slots of a unit, as an address says it: `Keep 1:ring-action,Keep 2:high-rope`. */
export interface SlotWish {
  readonly slot: string
  readonly standard: string
}

export const slotsText = (wishes: readonly SlotWish[]): string =>
  wishes.map(w => `${encodeURIComponent(w.slot)}:${encodeURIComponent(w.standard)}`).join(',')

/**
 * What it does not understand it leaves out: an address is no reason to fail.
 *
 * @param names of the slots that the body has
 * @param most slots that one walk fills
 */
export const slotsFrom = (text: string | undefined, names: readonly string[], most: number): readonly SlotWish[] => {
  const wishes = new Map<string, string>()
  for (const part of text?.split(',') ?? []) {
    const [slot = '', standard = ''] = part.split(':').map(decoded)
    if (names.includes(slot) && standard) wishes.set(slot, standard)
  }
  return [...wishes].slice(0, most).map(([slot, standard]) => ({ slot, standard }))
}

const decoded = (text: string): string => {
  try {
    return decodeURIComponent(text)
  } catch {
    return ''
  }
}

const STORE = 'store='

/** The step that stores what is set in a slot, by what it asks for. */
export const storeKey = (slot: string): string => `${STORE}${slot}`

/** The slot that a step stores in; undefined for a step in the menus. */
export const slotOfKey = (step: string): string | undefined =>
  step.startsWith(STORE) ? step.slice(STORE.length) : undefined
