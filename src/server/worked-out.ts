import 'server-only'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { type KeptAnswer, openWorkedOut, readKept, WORKED_OUT, writeKept } from '@/db/worked-out'
import { WORKERS } from '@/pool/pool'
import { Refusal, type Why } from '@/pool/refusal'
import { dataFolder } from './database'
import { remember } from './remember'

/**
 * What the pool worked out, kept by what it was made from: the program and the content of every document, so that a
 * restart works nothing out again and nothing that changed is ever taken for what it was.
 */

/** What went wrong for good: it goes wrong again until a document is changed. */
export class CannotReckonError extends Error {
  constructor(message: string) {
    super(message)
    this.name = 'CannotReckonError'
  }
}

const shared = globalThis as {
  coherionWorkedOut?: Promise<Knex | undefined>
  coherionUnwritten?: Map<string, KeptAnswer>
  coherionProgram?: string
}

/** A digest of the workers' program: another program may answer otherwise. */
const program = (): string => {
  if (shared.coherionProgram !== undefined) return shared.coherionProgram
  const hash = createHash('sha256')
  for (const name of readdirSync(WORKERS).sort()) hash.update(name).update(readFileSync(join(WORKERS, name)))
  shared.coherionProgram = hash.digest('base64url')
  return shared.coherionProgram
}

/** Undefined where the file cannot be used: everything is worked out anew then, which is only slower. */
const store = (): Promise<Knex | undefined> =>
  (shared.coherionWorkedOut ??= openWorkedOut(dataFolder()).catch(async (error: unknown) => {
    console.error('what was worked out before cannot be read; it is begun anew:', error)
    for (const tail of ['', '-wal', '-shm']) rmSync(join(dataFolder(), WORKED_OUT + tail), { force: true })
    return openWorkedOut(dataFolder()).catch(() => undefined)
  }))

const WRITE_AFTER_MS = 200

const keep = (key: string, kept: KeptAnswer): void => {
  const unwritten = (shared.coherionUnwritten ??= new Map<string, KeptAnswer>())
  if (unwritten.size === 0)
    setTimeout(() => {
      const now = new Map(unwritten)
      unwritten.clear()
      void store()
        .then(db => db && writeKept(db, now))
        .catch((error: unknown) => console.error('what was worked out could not be kept:', error))
    }, WRITE_AFTER_MS).unref()
  unwritten.set(key, kept)
}

const memory = remember<Promise<unknown>>('worked out', 12_000)

/** What took too long on a busy machine may not on a quiet one; until then it holds nobody up again. */
const TRIED_AGAIN_AFTER_MS = 24 * 3600_000

/**
 * An answer of the pool, from memory, from the file, or worked out now; asked for twice at once it is worked out once.
 *
 * @param of all that decides the answer: digests of documents, and what else
 * @param make gives it as JSON text
 * @throws CannotReckonError where it cannot be worked out
 */
export const workedOut = <T>(of: readonly string[], make: () => Promise<string>): Promise<T> => {
  const key = createHash('sha256')
    .update([program(), ...of].join('\n'))
    .digest('base64url')
  return memory.getOr(key, () => {
    const answer = find<T>(key, make)
    // What failed for another reason than what was asked may not fail again.
    answer.catch((error: unknown) => {
      if (!(error instanceof CannotReckonError)) memory.forget(key)
    })
    return answer
  }) as Promise<T>
}

const find = async <T>(key: string, make: () => Promise<string>): Promise<T> => {
  const db = await store()
  const kept = shared.coherionUnwritten?.get(key) ?? (db && (await readKept(db, key)))
  if (kept && 'failed' in kept) throw new CannotReckonError(kept.failed)
  if (kept) return JSON.parse(kept.text) as T
  try {
    const text = await make()
    keep(key, { text })
    return JSON.parse(text) as T
  } catch (error) {
    if (!(error instanceof Refusal) || !FAILS_AGAIN.includes(error.why)) throw error
    const until = error.why === 'unresolvable' ? undefined : Date.now() + TRIED_AGAIN_AFTER_MS
    keep(key, { failed: error.message, until })
    throw new CannotReckonError(error.message)
  }
}

const FAILS_AGAIN: readonly Why[] = ['unresolvable', 'too-long', 'too-much-memory']

/** Why something cannot be worked out though the rest can be shown without it; undefined for any other error. */
export const whyNot = (error: unknown): string | undefined =>
  error instanceof CannotReckonError ? error.message : undefined

/** A body that cannot be reckoned, and why. */
export interface NotReckoned {
  /** Its model. */
  readonly body: string
  readonly why: string
}

/** Does the same for each of several bodies; those that cannot be reckoned stand beside the others, each once. */
export const eachReckoned = async <Item, T>(
  items: readonly Item[],
  modelOf: (item: Item) => string,
  work: (item: Item) => Promise<T>,
): Promise<{ readonly done: readonly T[]; readonly failed: readonly NotReckoned[] }> => {
  const settled = await Promise.allSettled(items.map(work))
  const failed = new Map<string, string>()
  const done = settled.flatMap((s, i) => {
    if (s.status === 'fulfilled') return [s.value]
    const why = whyNot(s.reason)
    if (why === undefined) throw s.reason
    const item = items[i]
    if (item !== undefined) failed.set(modelOf(item), why)
    return []
  })
  return { done, failed: [...failed].map(([body, why]) => ({ body, why })) }
}
