import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/**
 * What a person did on this device, until the server has it: kept in the browser, sent one after the other in the order
 * in which it was done, also from a page that was closed since.
 */

/** What was done, for the card it was done on. */
export type Deed =
  | { readonly kind: 'tick'; readonly step: string; readonly ticked: boolean }
  | { readonly kind: 'told'; readonly setting: string; readonly option: string }
  | { readonly kind: 'reset' }
  | { readonly kind: 'signed' }
  /** A pass of a trial. */
  | { readonly kind: 'counted' }
  /** Something that happened on a job. */
  | { readonly kind: 'happened' }

export interface Entry {
  /** The same each time it is sent, so that the server does it once. */
  readonly id: string
  /** The card it belongs to. */
  readonly card: string
  readonly deed: Deed
  /** What was done, in words, for when there is something to say about it. */
  readonly words: string
  readonly by: string | null
  /** By the clock of this device, ISO 8601. */
  readonly made: string
  readonly method: 'PUT' | 'POST'
  readonly address: string
  readonly content: object
}

/** What the server said of an entry that did not simply go through. */
export interface Remark {
  readonly outcome: 'was-so' | 'overruled' | 'kept' | 'refused'
  readonly by?: string | null | undefined
  readonly when?: string | undefined
  readonly words?: string | undefined
}

/** An entry as it is kept: it waits, or stays to be read because there is something to say about it. */
export interface KeptEntry extends Entry {
  readonly place: number
  readonly remark: Remark | undefined
}

/** What became of an entry that was sent. */
export interface Landed {
  readonly entry: Entry
  readonly remark: Remark | undefined
  /** How far the clock of this device runs ahead of the server's, in milliseconds. */
  readonly clockAheadMs: number
}

interface Schema extends DBSchema {
  entries: { key: number; value: Entry & { remark?: Remark } }
}

let opened: Promise<IDBPDatabase<Schema>> | undefined
const close = () => {
  opened = undefined
}
/** Opened once; a browser that could not, or that closed it by itself, is asked again the next time. */
const store = () => {
  opened ??= openDB<Schema>('coherion-outbox', 1, {
    upgrade: db => void db.createObjectStore('entries', { autoIncrement: true }),
    terminated: close,
  })
  opened.catch(close)
  return opened
}

const CHANNEL = 'coherion-outbox'
/** Tells every page of this browser, this one included. */
const announce = (landed?: Landed): void => {
  const channel = new BroadcastChannel(CHANNEL)
  channel.postMessage(landed ?? null)
  channel.close()
}

/** Calls back whenever something was kept, sent or put away, on any page; with what was sent, where it was that. */
export const onOutbox = (changed: (landed: Landed | undefined) => void): (() => void) => {
  const channel = new BroadcastChannel(CHANNEL)
  channel.onmessage = (event: MessageEvent<Landed | null>) => changed(event.data ?? undefined)
  return () => channel.close()
}

/** Everything that is kept, oldest first. */
export const readOutbox = async (): Promise<readonly KeptEntry[]> => {
  const kept: KeptEntry[] = []
  const all = (await store()).transaction('entries').store
  for (let at = await all.openCursor(); at; at = await at.continue())
    kept.push({ ...at.value, remark: at.value.remark, place: at.key })
  return kept
}

/** Keeps what was done; once this returns it survives the page. */
export const keep = async (entry: Entry): Promise<void> => {
  await (await store()).add('entries', entry)
  announce()
}

/** Puts away what was read. */
export const putAway = async (place: number): Promise<void> => {
  await (await store()).delete('entries', place)
  announce()
}

/** Answers that mean: later. */
const LATER = new Set([408, 425, 429])

interface Answer {
  readonly outcome?: Remark['outcome'] | 'done'
  readonly by?: string | null
  readonly when?: string
  readonly words?: string
  readonly received?: string
  readonly detail?: string
}

/** Sends one entry. @returns undefined where the server cannot take it now */
export const send = async (entry: Entry): Promise<Landed | undefined> => {
  const sent = new Date()
  const content = { ...entry.content, id: entry.id, made: entry.made, sent: sent.toISOString() }
  try {
    const response = await fetch(entry.address, {
      method: entry.method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(content),
    })
    if (response.status >= 500 || LATER.has(response.status)) return undefined
    const { outcome, by, when, words, received, detail } = (await response.json()) as Answer
    const clockAheadMs = received === undefined ? 0 : sent.getTime() - Date.parse(received)
    if (!response.ok) return { entry, remark: { outcome: 'refused', words: detail }, clockAheadMs }
    const hasRemark = outcome === 'overruled' || outcome === 'kept' || (outcome === 'was-so' && when !== undefined)
    return { entry, remark: hasRemark ? { outcome, by, when, words } : undefined, clockAheadMs }
  } catch {
    return undefined
  }
}

/** One page sends at a time; where a browser has no locks the server takes what comes twice once. */
const oneAtATime = async (work: () => Promise<boolean>): Promise<boolean> =>
  'locks' in navigator ? await navigator.locks.request(CHANNEL, work) : work()

const sendAll = async (): Promise<boolean> => {
  const db = await store()
  for (;;) {
    const next = (await readOutbox()).find(e => !e.remark)
    if (!next) return true
    const { place, remark: _, ...entry } = next
    const landed = await send(entry)
    if (!landed) return false
    if (landed.remark) await db.put('entries', { ...entry, remark: landed.remark }, place)
    else await db.delete('entries', place)
    announce(landed)
  }
}

let sending: Promise<boolean> | undefined
let isAsked = false

/** Sends what waits, in order, until all is sent or the server cannot take it. @returns whether nothing waits any more */
export const sendWaiting = (): Promise<boolean> => {
  isAsked = true
  sending ??= (async () => {
    let isAllSent = true
    try {
      // Something may have been kept after the last look.
      while (isAsked && isAllSent) {
        isAsked = false
        isAllSent = await oneAtATime(sendAll)
      }
      return isAllSent
    } finally {
      sending = undefined
    }
  })()
  return sending
}
