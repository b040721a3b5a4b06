import type { KeepPage } from './names'

/** What matters comes first: a page is kept once it has come to rest. */
const REST_MS = 800

/** Has this page kept, as it is now, for when there is no network. @returns what calls that off */
export const keepThisPage = (): (() => void) => {
  const request: KeepPage = { keep: location.href }
  const timer = setTimeout(() => {
    void navigator.serviceWorker?.ready.then(worker => worker.active?.postMessage(request))
  }, REST_MS)
  return () => clearTimeout(timer)
}
