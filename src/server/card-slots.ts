import 'server-only'
import { factoryState } from '@/core/bodies'
import { knownState } from '@/core/kit/known'
import { slotsFrom, type SlotWish, storeKey } from '@/core/kit/slots'
import { refFrom } from '@/core/standards'
import { MOST_SLOTS, type SlotPlan } from '@/core/steps/plan'
import type { TickRow } from '@/db/cards'
import { askedOf, listedBy } from '@/core/resolve'
import { share } from '@/pool/documents'
import { work } from '@/pool/pool'
import type { PreparedCard } from './card-walk'
import { listStandards, readStandard } from './catalogue'
import { reckoned, resolveStored, stateText } from './concordance'
import { workedOut } from './worked-out'

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

/** @param asked slots, as an address says them */
export const slotsOf = async (
  prepared: PreparedCard,
  asked: string | undefined,
  ticks: ReadonlyMap<string, TickRow>,
): Promise<SlotsView | undefined> => {
  const { body, unit, known, standard, resolution } = prepared
  if (!unit || body.slots.names.length === 0) return undefined
  const standards = (await listStandards()).map(({ id, name, version }) => ({ id, name, version }))
  const find = (ref: string) => standards.find(s => s.id === refFrom(ref).id)
  const wishes = slotsFrom(asked, body.slots.names, MOST_SLOTS).filter(w => find(w.standard))
  const wanted = await Promise.all(
    wishes.map(async w => {
      const found = await readStandard(w.standard)
      return { ...w, id: found.document.id, version: found.document.version, found }
    }),
  )
  const isStored = (w: (typeof wanted)[number]) => {
    const held = known.slots.get(w.slot)
    return held?.standard === w.id && held.version === w.version
  }
  const left = wanted.filter(w => !isStored(w))
  const now = { ...factoryState(body), ...knownState(known) }
  const { firmware } = resolution
  const each = await Promise.all(
    left.map(async w => askedOf(body, await resolveStored({ ...prepared.on, standard: w.found }, now))),
  )
  const unseen = [...new Set(each.flat().filter(s => !known.facts.has(s)))].sort()
  const slots = left.map(w => ({ slot: w.slot, standard: share(w.found.document) }))
  const { of, keptBy } = reckoned(prepared.on)
  const plan = await workedOut<readonly SlotPlan[]>(
    ['slots', ...keptBy, stateText(body, now), unseen.join(), ...slots.map(s => `${s.slot} ${s.standard.digest}`)],
    async () =>
      JSON.stringify(
        await work(
          'slots',
          { body: of.body, firmware, context: prepared.context, now, slots, unseen },
          { isForAll: true },
        ),
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
