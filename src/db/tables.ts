import { AsyncLocalStorage } from 'node:async_hooks'

/**
 * Which tables an answer was made from, and whether they have been written to since: an answer stays right as long as
 * nothing it was read from changes.
 */

/** Tables with how often each had been written to when it was first read. */
export type Reads = Map<string, number>

/** Bundles of the server are several; all of them mean the same tables. */
const shared = globalThis as {
  coherionTables?: { readonly written: Map<string, number>; readonly watched: AsyncLocalStorage<Reads> }
}
const state = () =>
  (shared.coherionTables ??= { written: new Map<string, number>(), watched: new AsyncLocalStorage<Reads>() })

/** Notes what is read in the course of some work. */
export const watchReads = <T>(reads: Reads, work: () => T): T => state().watched.run(reads, work)

/** Whether nothing that was read has been written to since. */
export const areCurrent = (reads: Reads): boolean => {
  const { written } = state()
  for (const [table, count] of reads) if ((written.get(table) ?? 0) !== count) return false
  return true
}

interface Touched {
  readonly reads: readonly string[]
  readonly writes: readonly string[]
}

const MOST_STATEMENTS = 2000
const statements = new Map<string, Touched>()

const NAMED = /\b(?:from|join|into|update)\s+[`"]?(\w+)/gi
const WRITES = /^\s*(?:insert|update|delete|replace|drop|alter|create)\b/i
const WRITTEN = /^\s*(?:insert\s+(?:or\s+\w+\s+)?into|replace\s+into|update|delete\s+from)\s+[`"]?(\w+)/i

/** @example touchedBy('select * from `units` left join `people` on 1') // reads units and people */
export const touchedBy = (sql: string): Touched => {
  const known = statements.get(sql)
  if (known) return known
  const named = [...new Set(Array.from(sql.matchAll(NAMED), m => (m[1] ?? '').toLowerCase()))]
  const written = WRITTEN.exec(sql)?.[1]?.toLowerCase()
  const touched: Touched = WRITES.test(sql)
    ? { reads: named.filter(t => t !== written), writes: written === undefined ? named : [written] }
    : { reads: named, writes: [] }
  if (statements.size >= MOST_STATEMENTS) statements.clear()
  statements.set(sql, touched)
  return touched
}

/** Is told of every statement as it is about to run. */
export const noteStatement = (sql: string): void => {
  const { written, watched } = state()
  const { reads, writes } = touchedBy(sql)
  for (const table of writes) written.set(table, (written.get(table) ?? 0) + 1)
  const mine = watched.getStore()
  if (mine) for (const table of reads) if (!mine.has(table)) mine.set(table, written.get(table) ?? 0)
}
