/// <reference lib="webworker" />
import { CacheFirst, ExpirationPlugin, Serwist, type SerwistGlobalConfig } from 'serwist'
import {
  AWAY_ADDRESS,
  CACHES,
  CARDS_CACHE,
  isCardPage,
  isKeptPart,
  isSameCard,
  type KeepPage,
  PARTS_CACHE,
  SEND_TAG,
} from './names'
import { sendWaiting } from './outbox'

/** Has cards that were opened once open without the network, and sends what waits. */

declare const self: ServiceWorkerGlobalScope & SerwistGlobalConfig

/** The event of the Background Synchronization draft, which not every browser has. */
interface SyncEvent extends ExtendableEvent {
  readonly tag: string
}

const MOST_CARDS = 120
const MOST_PARTS = 600

const instead = async (request: Request): Promise<Response> => {
  const cards = await caches.open(CARDS_CACHE)
  const asked = new URL(request.url)
  const same = (await cards.keys()).find(k => isSameCard(new URL(k.url), asked) && k.url !== request.url)
  if (isCardPage(asked) && same) return Response.redirect(same.url)
  return (await caches.match(AWAY_ADDRESS, { ignoreVary: true })) ?? Response.error()
}

/** A page that another one had kept ahead; with network it is asked for anew, since it does not ask by itself. */
const keptAhead = async ({ url }: Request): Promise<Response | undefined> =>
  (await caches.open(CARDS_CACHE)).match(url, { ignoreVary: true })

/** As it was, at once: the page itself then asks for what is new, and to be kept as it is by then. */
const cardPages = new CacheFirst({
  cacheName: CARDS_CACHE,
  // Parts of pages are asked for with other headers, and by others than this.
  matchOptions: { ignoreVary: true },
  plugins: [new ExpirationPlugin({ maxEntries: MOST_CARDS }), { handlerDidError: ({ request }) => instead(request) }],
})

let isForgetting = false
/**
 * Parts of builds that are gone leave the cache, the oldest first. Once for all that a page fetches together: bookkeeping
 * for each of its parts, as an expiration plugin does it, takes a slow phone longer than the parts themselves.
 */
const forgetOldParts = async (): Promise<void> => {
  if (isForgetting) return
  isForgetting = true
  await new Promise(done => setTimeout(done, 5000))
  isForgetting = false
  const cache = await caches.open(PARTS_CACHE)
  const parts = await cache.keys()
  await Promise.all(parts.slice(0, Math.max(0, parts.length - MOST_PARTS)).map(part => cache.delete(part)))
}

const serwist = new Serwist({
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request, url }) => request.mode === 'navigate' && isCardPage(url),
      handler: cardPages,
    },
    {
      matcher: ({ request, url }) =>
        request.mode === 'navigate' && url.pathname !== AWAY_ADDRESS && !url.pathname.startsWith('/api/'),
      handler: async ({ request }) => fetch(request).catch(async () => (await keptAhead(request)) ?? instead(request)),
    },
    {
      matcher: ({ request, url, sameOrigin }) => sameOrigin && isKeptPart(url, request.destination),
      handler: new CacheFirst({ cacheName: PARTS_CACHE, plugins: [{ cacheDidUpdate: forgetOldParts }] }),
    },
  ],
})
serwist.addEventListeners()

/** The parts that a page or a style sheet names. */
const partsIn = (text: string, base: string): readonly string[] =>
  [...new Set(text.match(/(?:\/_next\/static|\.\.\/media)\/[\w./~%@-]+\.(?:js|css|woff2)/g))].map(
    p => new URL(p, base).href,
  )

const keepParts = async (parts: readonly string[]): Promise<void> => {
  const cache = await caches.open(PARTS_CACHE)
  await Promise.all(
    parts.map(async part => {
      const kept = await cache.match(part)
      if (!kept) await cache.add(part)
      const response = kept ? undefined : await cache.match(part)
      if (response && part.endsWith('.css')) await keepParts(partsIn(await response.text(), part))
    }),
  )
}

/** Keeps a page with everything that it takes to open it. */
const keepPage = async (address: string, cacheName = CARDS_CACHE): Promise<void> => {
  const response = await fetch(address)
  if (!response.ok) return
  const text = await response.clone().text()
  await keepParts(partsIn(text, new URL(address, self.location.href).href))
  await (await caches.open(cacheName)).put(address, response)
}

self.addEventListener('install', event => event.waitUntil(keepPage(AWAY_ADDRESS, PARTS_CACHE).catch(() => undefined)))
const forgetOthers = async (): Promise<void> => {
  for (const name of await caches.keys()) if (!CACHES.includes(name)) await caches.delete(name)
}
self.addEventListener('activate', event => event.waitUntil(forgetOthers()))
self.addEventListener('message', event => {
  const { keep } = event.data as Partial<KeepPage>
  // A page that is closed meanwhile, or loses the network, asks again when it is opened next.
  if (keep !== undefined) event.waitUntil(keepPage(keep).catch(() => undefined))
})
self.addEventListener('sync', event => {
  const { tag } = event as SyncEvent
  if (tag === SEND_TAG)
    (event as SyncEvent).waitUntil(
      sendWaiting().then(isAllSent =>
        isAllSent ? undefined : Promise.reject(new Error('the server does not answer')),
      ),
    )
})
