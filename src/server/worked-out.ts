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

const keyOf = (of: readonly string[]): string =>
  createHash('sha256')
    .update([program(), ...of].join('\n'))
    .digest('base64url')

/**
 * Answers of the pool, from memory, from the file, or worked out now; asked for twice at once each is worked out once.
 *
 * @param all for each answer all that decides it: digests of documents, and what else
 * @param make gives those that are not there yet, by their places, together: as JSON text, or why it cannot be
 * @returns one for each; it fails with a CannotReckonError where it cannot be worked out
 */
export const allWorkedOut = <T>(
  all: readonly (readonly string[])[],
  make: (missing: readonly number[]) => Promise<readonly KeptAnswer[]>,
): readonly Promise<T>[] => {
  const keys = all.map(keyOf)
  const known = keys.map(key => memory.get(key) as Promise<T> | undefined)
  const open = keys.flatMap((_, i) => (known[i] ? [] : [i]))
  const found = open.length ? find(open, keys, make) : undefined
  return keys.map(
    (key, i) =>
      known[i] ??
      (memory.getOr(key, () => {
        const answer = answerOf<T>(key, i, found)
        // Whoever asked for several may end at the first that fails.
        answer.catch(() => undefined)
        return answer
      }) as Promise<T>),
  )
}

const answerOf = async <T>(key: string, i: number, found: ReturnType<typeof find> | undefined): Promise<T> => {
  try {
    return read<T>((await found)?.get(i))
  } catch (error) {
    // What failed for another reason than what was asked may not fail again.
    if (!(error instanceof CannotReckonError)) memory.forget(key)
    throw error
  }
}

/**
 * One such answer.
 *
 * @param make gives it as JSON text
 * @throws CannotReckonError where it cannot be worked out
 */
export const workedOut = <T>(of: readonly string[], make: () => Promise<string>): Promise<T> => {
  const [answer] = allWorkedOut<T>([of], async () => [{ text: await make() }])
  return answer ?? Promise.reject(new Error('nothing was asked'))
}

const read = <T>(kept: KeptAnswer | undefined): T => {
  if (!kept) throw new Error('the pool did not answer all that it was asked')
  if ('failed' in kept) throw new CannotReckonError(kept.failed)
  return JSON.parse(kept.text) as T
}

const find = async (
  open: readonly number[],
  keys: readonly string[],
  make: (missing: readonly number[]) => Promise<readonly KeptAnswer[]>,
): Promise<ReadonlyMap<number, KeptAnswer>> => {
  const keyAt = (i: number): string => keys[i] ?? ''
  const db = await store()
  const there = db && (await readKept(db, open.map(keyAt)))
  const answers = new Map<number, KeptAnswer>()
  for (const i of open) {
    const kept = shared.coherionUnwritten?.get(keyAt(i)) ?? there?.get(keyAt(i))
    if (kept) answers.set(i, kept)
  }
  const missing = open.filter(i => !answers.has(i))
  const made = missing.length ? await makeAll(missing, make) : []
  missing.forEach((i, place) => {
    const answer = made[place]
    if (!answer) return
    answers.set(i, answer)
    keep(keyAt(i), answer)
  })
  return answers
}

const FAILS_AGAIN: readonly Why[] = ['unresolvable', 'too-long', 'too-much-memory']

const makeAll = async (
  missing: readonly number[],
  make: (missing: readonly number[]) => Promise<readonly KeptAnswer[]>,
): Promise<readonly KeptAnswer[]> => {
  try {
    return await make(missing)
  } catch (error) {
    if (!(error instanceof Refusal) || !FAILS_AGAIN.includes(error.why)) throw error
    // One that takes too long must not take the others with it.
    if (missing.length > 1) return (await Promise.all(missing.map(i => makeAll([i], make)))).flat()
    return [
      { failed: error.message, until: error.why === 'unresolvable' ? undefined : Date.now() + TRIED_AGAIN_AFTER_MS },
    ]
  }
}

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
