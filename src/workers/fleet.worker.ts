import type { Context, Standard } from '../core/standards'
import { type BodyAnswer, type FleetMember, levelAt, type LevelView, readFleet, type ReadFleet, whoCan } from './fleet'

/**
 * Holds the bodies in hand and answers what is asked about all of them. Work is done in pieces; a newer question stops
 * an older one between two pieces.
 */

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
  | { readonly kind: 'failed'; readonly why: string }

interface Message {
  readonly id: number
  readonly bodies: string
  readonly ask: FleetAsk
}

/** Lets a newer question in. */
const breath = () => new Promise(resolve => setTimeout(resolve))

let newest = 0
const fleets = new Map<string, Promise<readonly FleetMember[]>>()
let lastRead: { readonly key: string; readonly read: ReadFleet } | undefined

const load = async (bodies: string): Promise<readonly FleetMember[]> => {
  const response = await fetch(`/api/v1/fleet${bodies ? `?bodies=${encodeURIComponent(bodies)}` : ''}`)
  if (!response.ok) throw new Error('The bodies in hand cannot be read just now. Try again when the server is back.')
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

const work = async ({ id, bodies, ask }: Message): Promise<void> => {
  const fleet = await fleetOf(bodies)
  await breath()
  if (id !== newest) return
  for (const found of answersTo(bodies, fleet, ask)) {
    self.postMessage({ id, found })
    await breath()
    if (id !== newest) return
  }
}

self.onmessage = (event: MessageEvent<Message>) => {
  newest = event.data.id
  work(event.data).catch((error: unknown) => {
    const why = error instanceof Error ? error.message : String(error)
    self.postMessage({ id: event.data.id, found: { kind: 'failed', why } satisfies FleetAnswer })
  })
}
