import 'server-only'
import type { Body } from '@/core/bodies'
import { type Known, knownAfter, type UnitEvent } from '@/core/kit/known'
import type { Db } from '@/db/connection'
import { listUnitEvents, unitEventStamps } from '@/db/unit-events'
import type { UnitRow } from '@/db/units'
import { share } from '@/pool/documents'
import type { Revised } from './catalogue'
import { remember } from './remember'
import { work } from './working'

/** What happened to units and what is known of them, read again only where something happened since. */
export interface Lives {
  /** All that counts, oldest first. */
  readonly eventsOf: (unit: string) => readonly UnitEvent[]
  readonly knownOf: (unit: UnitRow, body: Revised<Body>, firmware: string) => Promise<Known>
}

const MOST_UNITS = 5000
const read = remember<readonly UnitEvent[]>('unit-events', MOST_UNITS)
const known = remember<Promise<Known>>('known', MOST_UNITS)

/** Longer lives are gone through by a worker. */
const SHORT_LIFE = 300

/** @param only these units, where not all are wanted */
export const readLives = async (db: Db, only?: readonly string[]): Promise<Lives> => {
  const stamps = await unitEventStamps(db, only)
  const keyOf = (unit: string) => `${unit}|${stamps.get(unit) ?? ''}`
  const stale = [...stamps.keys()].filter(unit => read.get(keyOf(unit)) === undefined)
  const fresh = stale.length ? await listUnitEvents(db, stale) : new Map<string, readonly UnitEvent[]>()
  for (const unit of stale) read.getOr(keyOf(unit), () => fresh.get(unit) ?? [])
  const eventsOf = (unit: string) => read.get(keyOf(unit)) ?? fresh.get(unit) ?? []
  return {
    eventsOf,
    knownOf: (unit, body, firmware) => {
      const key = `${keyOf(unit.id)}|${body.stamp}|${firmware}`
      return known.getOr(key, () => {
        const events = eventsOf(unit.id)
        if (events.length <= SHORT_LIFE) return Promise.resolve(knownAfter(body.document, firmware, events))
        const found = work('known', { body: share(body.document), firmware, events }, { isForAll: true })
        found.catch(() => known.forget(key))
        return found
      })
    },
  }
}
