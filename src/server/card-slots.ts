import 'server-only'
import { factoryState, type State } from '@/core/bodies'
import { knownState } from '@/core/kit/known'
import { slotsFrom, type SlotWish, storeKey } from '@/core/kit/slots'
import { refFrom } from '@/core/standards'
import { MOST_SLOTS, planSlots, type SlotWalk } from '@/core/steps/plan'
import type { TickRow } from '@/db/cards'
import { askedOf, listedBy, type Prepared } from './card-walk'
import { listStandards, readStandard } from './catalogue'
import { resolveStored } from './concordance'
import { remember } from './remember'

/** The memory slots of a unit: what they hold, and what a walk stores in them. */
export interface SlotsView {
  /** As the address says it. */
  readonly asked: readonly SlotWish[]
  readonly most: number
  readonly slots: readonly {
    readonly name: string
    /** What it is known to hold. */
    readonly holds:
      | { readonly standard: string; readonly version: number; readonly at: string; readonly by: string | null }
      | undefined
  }[]
  readonly standards: readonly { readonly id: string; readonly name: string }[]
  /** Settings of this card that slots of this body do not keep. */
  readonly leaves: readonly string[]
  /** Stored already first, then the rest in the order that takes the fewest presses from here. */
  readonly stops: readonly {
    readonly slot: string
    readonly standard: { readonly id: string; readonly name: string }
    readonly steps: number
    readonly presses: number
    readonly isHere: boolean
    readonly isStored: boolean
  }[]
  /** The last step of this card, where it is stored. */
  readonly store:
    | {
        readonly key: string
        readonly slot: string
        readonly tick: { readonly by: string | null; readonly at: string } | undefined
      }
    | undefined
}

const walks = remember<readonly SlotWalk[]>('slot-walks', 500)

/** @param asked slots, as an address says them */
export const slotsOf = async (
  prepared: Prepared,
  asked: string | undefined,
  ticks: ReadonlyMap<string, TickRow>,
): Promise<SlotsView | undefined> => {
  const { body, profile, unit, known, standard, resolution, stamp } = prepared
  if (!unit || body.slots.names.length === 0) return undefined
  const standards = (await listStandards()).map(({ id, name, version }) => ({ id, name, version }))
  const find = (ref: string) => standards.find(s => s.id === refFrom(ref).id)
  const wishes = slotsFrom(asked, body.slots.names, MOST_SLOTS).filter(w => find(w.standard))
  const wanted = await Promise.all(
    wishes.map(async w => {
      const found = await readStandard(w.standard)
      const from = (state: State) =>
        resolveStored({ document: profile, stamp }, found, resolution.firmware, prepared.context, state)
      return { ...w, id: found.document.id, version: found.document.version, from, stamp: found.stamp }
    }),
  )
  const isStored = (w: (typeof wanted)[number]) => {
    const held = known.slots.get(w.slot)
    return held?.standard === w.id && held.version === w.version
  }
  const left = wanted.filter(w => !isStored(w))
  const now = { ...factoryState(body), ...knownState(known) }
  const unseen = new Set(left.flatMap(w => askedOf(body, w.from(now))).filter(s => !known.facts.has(s)))
  const key = [
    stamp,
    resolution.firmware,
    JSON.stringify(now),
    [...unseen].join(),
    ...left.map(w => `${w.slot} ${w.stamp}`),
  ]
  const plan = walks.getOr(key.join('|'), () =>
    planSlots(
      body,
      now,
      left.map(w => ({ slot: w.slot, to: (state: State) => w.from(state).state })),
      unseen,
    ),
  )
  const stop = (slot: string, steps: number, presses: number): SlotsView['stops'] => {
    const w = wanted.find(x => x.slot === slot)
    const of = w && find(w.id)
    if (!w || !of) return []
    return [{ slot, standard: of, steps, presses, isHere: w.id === standard.id, isStored: isStored(w) }]
  }
  const { stores } = body.slots
  const label = (id: string) => body.settings.find(s => s.id === id)?.label ?? id
  const here = wanted.find(w => w.id === standard.id)
  const tick = here && ticks.get(storeKey(here.slot))
  return {
    asked: wishes,
    most: MOST_SLOTS,
    slots: body.slots.names.map(name => {
      const held = known.slots.get(name)
      return { name, holds: held && { ...held, standard: find(held.standard)?.name ?? held.standard } }
    }),
    standards: standards.map(({ id, name }) => ({ id, name })),
    leaves:
      stores === 'everything'
        ? []
        : listedBy(resolution)
            .filter(s => !stores.includes(s))
            .map(label),
    stops: [
      ...wanted.filter(isStored).flatMap(w => stop(w.slot, 0, 0)),
      ...plan.flatMap(p => stop(p.slot, p.plan.steps.length, p.plan.presses)),
    ],
    store: here && {
      key: storeKey(here.slot),
      slot: here.slot,
      tick: tick && { by: tick.personName, at: tick.tickedAt },
    },
  }
}
