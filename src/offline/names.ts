/** What pages and the service worker have to agree on. */

export const WORKER_ADDRESS = '/service-worker.js'
/** Where the pages of cards that were opened here are kept. */
export const CARDS_CACHE = 'cards'
/** Named anew when what may be kept changes, so that what an older service worker kept wrongly goes with it. */
export const PARTS_CACHE = 'parts-2'
/** What the server last said, for pages that are kept. */
export const ANSWERS_CACHE = 'answers'
/** What stays when a newer service worker takes over. */
export const CACHES: readonly string[] = [CARDS_CACHE, PARTS_CACHE, ANSWERS_CACHE]
/** Shown where a page is not kept and the server does not answer. */
export const AWAY_ADDRESS = '/away'
/** Has the service worker send what waits, once there is network. */
export const SEND_TAG = 'send-waiting'

/** A page asks for itself to be kept. */
export interface KeepPage {
  readonly keep: string
}

/** Pages that go on without the network: cards, the day of a job and its call sheets, the counting of a trial, a student's lesson, what helps when it goes wrong. */
export const isCardPage = (url: URL): boolean =>
  /^(\/set\/cards\/[^/]+|\/prove\/trials\/\d+\/count|\/practise\/class\/\d+\/[^/]+|\/work\/rescues|\/work\/now|\/work\/jobs\/[^/]+\/sheet)$/.test(
    url.pathname,
  )

/** What of an address makes it another card; who looks at the day of a job is chosen on its page. */
const tellingNames = (pathname: string): readonly string[] =>
  pathname === '/work/now'
    ? ['job']
    : pathname.startsWith('/work/jobs/')
      ? ['person']
      : ['unit', 'for', 'body', 'lesson']

/** Whether two addresses lead to the same card, whatever else they say. */
export const isSameCard = (a: URL, b: URL): boolean =>
  a.pathname === b.pathname &&
  tellingNames(a.pathname).every(name => a.searchParams.get(name) === b.searchParams.get(name)) &&
  (isOfJob(a) || standardOf(a) === standardOf(b))

/** Pages of a job have standards of their own, whatever is in hand. */
const isOfJob = ({ pathname }: URL): boolean => pathname === '/work/now' || pathname.startsWith('/work/jobs/')

/** The standard without its version: paper may name none, or an older one. */
const standardOf = (url: URL): string | undefined => url.searchParams.get('standard')?.split('@')[0]

/** What a page is made of, and nothing that runs beside it. */
const KEPT: readonly RequestDestination[] = ['script', 'style', 'font']

/**
 * Whether a request is for a part of a page that may be kept: named by its contents, so that it never changes.
 *
 * The script of a background worker is none. All workers share one address and differ in what follows its `#`, which
 * is not part of what a cache goes by: each would be handed the script of whichever came first.
 */
export const isKeptPart = (url: URL, destination: RequestDestination): boolean =>
  url.pathname.startsWith('/_next/static/') && KEPT.includes(destination)
