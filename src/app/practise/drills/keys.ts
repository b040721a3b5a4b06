import type { KeyId } from '@/core/drills/hold'
import { SHUTTER } from '@/core/drills/hold'
import { SCHOOLS, type SchoolId } from '@/core/functions/schools'
import type { DrillHand } from '@/server/drills'

/** A key as a drill shows it: what it does, where the body has it, and what stands for it on a keyboard. */
export interface DrillKey {
  readonly id: KeyId
  readonly label: string
  readonly letter: string
  /** On the back of the body, shares from its upper left; above nought is the top. */
  readonly x: number
  readonly y: number
  /** The body has no such key as it is set; this is where most bodies have one. */
  readonly isMissing: boolean
}

const WORDS: Readonly<Record<string, string>> = {
  'trigger.start': 'AF start',
  'trigger.second': 'second AF start',
  'trigger.stop': 'AF stop',
  'trigger.manual': 'AF / manual',
  'meter.lock': 'exposure lock',
}
const LETTERS = ['j', 'k', 'l', 'h']
/** Where a thumb finds a key on most bodies. @source common practice, no published source */
const USUAL = [
  { x: 0.8, y: 0.16 },
  { x: 0.92, y: 0.24 },
  { x: 0.86, y: 0.5 },
  { x: 0.7, y: 0.2 },
]

/** The shutter, what the school needs, and the other keys that a thumb may press by mistake. */
export const drillKeys = (hand: Pick<DrillHand, 'keys' | 'controls'>, school: SchoolId): readonly DrillKey[] => {
  const needed = SCHOOLS[school].needs.map(n => n.function)
  const others = Object.keys(WORDS).filter(f => !needed.includes(f) && hand.keys[f] !== undefined)
  const thumbs = [...needed, ...others].slice(0, LETTERS.length).map((id, i): DrillKey => {
    const control = hand.controls.find(c => c.id === hand.keys[id])
    const at = control?.at.view === 'back' ? control.at : control ? { x: control.at.x, y: 0.02 } : USUAL[i]
    return {
      id,
      label: control ? `${control.label}: ${WORDS[id]}` : (WORDS[id] ?? id),
      letter: LETTERS[i] ?? '',
      x: at?.x ?? 0.8,
      y: at?.y ?? 0.2,
      isMissing: control === undefined,
    }
  })
  return [
    { id: SHUTTER, label: 'Shutter, half-way', letter: 'f', x: 0.97, y: 0, isMissing: false },
    // The same control may carry two functions on some bodies; one key on the glass is enough.
    ...thumbs.filter((k, i) => k.isMissing || thumbs.findIndex(o => o.x === k.x && o.y === k.y) === i),
  ]
}
