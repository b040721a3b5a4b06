import { createHash } from 'node:crypto'

/**
 * Documents lie in memory that all threads share: handing one to a worker copies nothing, and a worker parses each only
 * once for every revision.
 */
export interface Shared<T> {
  /** Of the content: equal digests, equal documents. */
  readonly digest: string
  readonly bytes: SharedArrayBuffer
  /** Never there; it says what the document is. */
  readonly of?: T
}

const shared = new WeakMap<object, Shared<unknown>>()

/** @param document is never changed afterwards */
export const share = <T extends object>(document: T): Shared<T> => {
  const known = shared.get(document)
  if (known) return known as Shared<T>
  const text = new TextEncoder().encode(JSON.stringify(document))
  const bytes = new SharedArrayBuffer(text.length)
  new Uint8Array(bytes).set(text)
  const made: Shared<T> = { digest: createHash('sha256').update(text).digest('base64url'), bytes }
  shared.set(document, made)
  return made
}

const MOST_PARSED = 400
const parsed = new Map<string, unknown>()

/** The document itself, in a worker; the same object each time it is asked for, until others push it out. */
export const documentOf = <T>({ digest, bytes }: Shared<T>): T => {
  const known = parsed.get(digest)
  if (known !== undefined) {
    parsed.delete(digest)
    parsed.set(digest, known)
    return known as T
  }
  // A decoder does not read shared memory itself.
  const document = JSON.parse(new TextDecoder().decode(new Uint8Array(bytes).slice())) as T
  parsed.set(digest, document)
  const oldest = parsed.keys().next()
  if (parsed.size > MOST_PARSED && !oldest.done) parsed.delete(oldest.value)
  return document
}
