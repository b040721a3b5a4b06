import { ANSWERS_CACHE } from './names'

/** What the server last said at an address, for when it says nothing; kept where a browser keeps pages too. */

export const keepAnswer = async (address: string, value: unknown): Promise<void> => {
  if ('caches' in globalThis) await (await caches.open(ANSWERS_CACHE)).put(address, Response.json(value))
}

export const readAnswer = async <T>(address: string): Promise<T | undefined> => {
  if (!('caches' in globalThis)) return undefined
  const kept = await (await caches.open(ANSWERS_CACHE)).match(address)
  // Only `keepAnswer` writes there.
  return kept && ((await kept.json()) as T)
}
