import type { Context, Standard } from '../core/standards'
import { type BodyAnswer, type FleetMember, levelAt, type LevelView, readFleet, type ReadFleet, whoCan } from './fleet'
import { serve } from './serve'

/** Holds the bodies in hand and answers what is asked about all of them, in pieces. */

export type FleetAsk =
  | { readonly kind: 'can'; readonly standard: Standard; readonly context: Context; readonly dimension: string }
  | {
      readonly kind: 'level'
      readonly standard: Standard
      readonly context: Context
      readonly lambdaHundredths: number
    }

export type FleetAnswer =
  | {
      readonly kind: 'can'
      readonly dimension: string
      readonly answers: readonly BodyAnswer[]
      readonly done: boolean
    }
  | { readonly kind: 'level'; readonly view: LevelView }

export interface FleetQuestion {
  /** Ids, joined by commas; all of them where empty. */
  readonly bodies: string
  readonly ask: FleetAsk
}

const fleets = new Map<string, Promise<readonly FleetMember[]>>()
let lastRead: { readonly key: string; readonly read: ReadFleet } | undefined

const load = async (bodies: string): Promise<readonly FleetMember[]> => {
  const address = `/api/v1/fleet${bodies ? `?bodies=${encodeURIComponent(bodies)}` : ''}`
  const response = await fetch(address).catch(() => undefined)
  if (!response?.ok) throw new Error('The bodies in hand cannot be read just now. Try again when the server is back.')
  return ((await response.json()) as { bodies: readonly FleetMember[] }).bodies
}

const fleetOf = (bodies: string) => {
  const known = fleets.get(bodies)
  if (known) return known
  const loading = load(bodies)
  fleets.set(bodies, loading)
  loading.catch(() => fleets.delete(bodies))
  return loading
}

const readOf = (bodies: string, fleet: readonly FleetMember[], standard: Standard, context: Context): ReadFleet => {
  const { level: _, ...bare } = standard
  const key = JSON.stringify([bodies, bare, context])
  if (lastRead?.key !== key) lastRead = { key, read: readFleet(fleet, bare, context) }
  return lastRead.read
}

function* answersTo(bodies: string, fleet: readonly FleetMember[], ask: FleetAsk): Generator<FleetAnswer> {
  switch (ask.kind) {
    case 'can':
      for (const answers of whoCan(fleet, ask.standard, ask.dimension, ask.context))
        yield { kind: 'can', dimension: ask.dimension, answers, done: answers.length === fleet.length }
      return
    case 'level':
      for (const view of levelAt(readOf(bodies, fleet, ask.standard, ask.context), ask.lambdaHundredths))
        yield { kind: 'level', view }
  }
}

serve<FleetQuestion, FleetAnswer>('fleet', async function* ({ bodies, ask }) {
  yield* answersTo(bodies, await fleetOf(bodies), ask)
})
