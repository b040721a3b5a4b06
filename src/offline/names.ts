/** What pages and the service worker have to agree on. */

export const WORKER_ADDRESS = '/service-worker.js'
/** Where the pages of cards that were opened here are kept. */
export const CARDS_CACHE = 'cards'
export const PARTS_CACHE = 'parts'
/** Shown where a page is not kept and the server does not answer. */
export const AWAY_ADDRESS = '/away'
/** Has the service worker send what waits, once there is network. */
export const SEND_TAG = 'send-waiting'

/** A page asks for itself to be kept. */
export interface KeepPage {
  readonly keep: string
}

export const isCardPage = (url: URL): boolean => /^\/set\/cards\/[^/]+$/.test(url.pathname)

/** Whether two addresses lead to the same card, whatever else they say. */
export const isSameCard = (a: URL, b: URL): boolean =>
  a.pathname === b.pathname &&
  ['unit', 'for'].every(name => a.searchParams.get(name) === b.searchParams.get(name)) &&
  standardOf(a) === standardOf(b)

/** The standard without its version: paper may name none, or an older one. */
const standardOf = (url: URL): string | undefined => url.searchParams.get('standard')?.split('@')[0]
