import type { KeepPage } from './names'

/** What matters comes first: a page is kept once it has come to rest. */
const REST_MS = 800

const ask = (address: string): void => {
  const request: KeepPage = { keep: address }
  void navigator.serviceWorker?.ready.then(worker => worker.active?.postMessage(request))
}

/** Has pages kept that are wanted next, whether or not they were opened; those of this site, by their addresses. */
export const keepPages = (addresses: readonly string[]): (() => void) => {
  const timer = setTimeout(() => {
    for (const address of addresses) ask(new URL(address, location.href).href)
  }, 2 * REST_MS)
  return () => clearTimeout(timer)
}

/** Has this page kept, as it is now, for when there is no network. @returns what calls that off */
export const keepThisPage = (): (() => void) => {
  const { href } = location
  const timer = setTimeout(() => ask(href), REST_MS)
  return () => clearTimeout(timer)
}
