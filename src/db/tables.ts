import { AsyncLocalStorage } from 'node:async_hooks'

/**
 * What an answer was read from, and whether that has been written to since: an answer stays right as long as nothing it
 * was read from changes. It goes by table; in tables that people write to all day, by the unit or the card as well.
 */

/** What was read, with how often each had been written to when it was first read. */
export type Reads = Map<string, number>

/** Bundles of the server are several; all of them mean the same tables. */
const shared = globalThis as {
  coherionTables?: {
    readonly written: Map<string, number>
    readonly watched: AsyncLocalStorage<Reads>
    byOthers: () => number
  }
}
const state = () =>
  (shared.coherionTables ??= {
    written: new Map<string, number>(),
    watched: new AsyncLocalStorage<Reads>(),
    byOthers: () => 0,
  })

/** What another process writes nobody tells of; the database counts it. @source SQLite, PRAGMA data_version */
export const watchOthers = (count: () => number): void => {
  state().byOthers = count
}

const OTHERS = '*others'

/** Notes what is read in the course of some work. */
export const watchReads = <T>(reads: Reads, work: () => T): T => {
  reads.set(OTHERS, state().byOthers())
  return state().watched.run(reads, work)
}

/** Whether nothing that was read has been written to since. */
export const areCurrent = (reads: Reads): boolean => {
  const { written, byOthers } = state()
  for (const [key, count] of reads) if ((key === OTHERS ? byOthers() : (written.get(key) ?? 0)) !== count) return false
  return true
}

/** Columns by which statements on a table keep to a part of it. */
const PARTS: Readonly<Record<string, readonly string[]>> = { unit_events: ['unit_id', 'kind'], ticks: ['card_id'] }
/** Tables that may stand beside such a one without having a column of that name. */
const BESIDE = ['people']
const MOST_VALUES = 30

/** Where the values of one column stand among the bindings of a statement. */
interface Bound {
  readonly column: string
  readonly from: number
  readonly count: number
}

interface Statement {
  readonly writes: string | undefined
  /** A new row says what it is; any other write may touch rows that it does not name. */
  readonly isInsert: boolean
  readonly tables: readonly string[]
  readonly bound: ReadonlyMap<string, readonly Bound[]>
}

const NAMED = /\b(?:from|join|into|update)\s+[`"]?(\w+)/gi
const WRITTEN = /^\s*(?:insert\s+(?:or\s+\w+\s+)?into|replace\s+into|update|delete\s+from)\s+[`"]?(\w+)/i

const marksIn = (text: string): number => text.split('?').length - 1

const insertBound = (sql: string, columns: readonly string[]): readonly Bound[] => {
  const listed =
    /\(([^()]*)\) values \(/i
      .exec(sql)?.[1]
      ?.split(',')
      .map(c => c.trim().replaceAll('`', '')) ?? []
  // Several rows at once, or a value that is no binding, say less than one row of bindings.
  if (marksIn(sql) !== listed.length) return []
  return columns.flatMap(column => {
    const at = listed.indexOf(column)
    return at < 0 ? [] : [{ column, from: at, count: 1 }]
  })
}

const whereBound = (sql: string, table: string, columns: readonly string[], isAlone: boolean): readonly Bound[] => {
  const at = sql.search(/\bwhere\b/i)
  if (at < 0 || /\bor\b/i.test(sql) || (sql.match(/\bselect\b/gi)?.length ?? 0) > 1) return []
  const where = sql.slice(at)
  return columns.flatMap(column => {
    const name = isAlone ? `(?:\`${table}\`\\.)?` : `\`${table}\`\\.`
    const found = new RegExp(`${name}\`${column}\` (?:= (\\?)|in \\((\\?(?:, \\?)*)\\))`).exec(where)
    if (!found) return []
    const from = marksIn(sql.slice(0, at + found.index))
    return [{ column, from, count: marksIn(found[1] ?? found[2] ?? '') }]
  })
}

const MOST_STATEMENTS = 2000
const statements = new Map<string, Statement>()

const statementOf = (sql: string): Statement => {
  const known = statements.get(sql)
  if (known) return known
  const tables = [...new Set(Array.from(sql.matchAll(NAMED), m => (m[1] ?? '').toLowerCase()))]
  const writes = WRITTEN.exec(sql)?.[1]?.toLowerCase()
  const isInsert = /^\s*(?:insert|replace)\b/i.test(sql)
  const bound = new Map(
    tables
      .filter(t => PARTS[t])
      .map(t => {
        const columns = PARTS[t] ?? []
        const isAlone = tables.every(other => other === t || BESIDE.includes(other))
        return [t, isInsert ? insertBound(sql, columns) : whereBound(sql, t, columns, isAlone)] as const
      }),
  )
  const made: Statement = { writes, isInsert, tables, bound }
  if (statements.size >= MOST_STATEMENTS) statements.clear()
  statements.set(sql, made)
  return made
}

const partKey = (table: string, column: string, value: unknown): string => `${table}.${column}=${String(value)}`
const anyKey = (table: string, column: string): string => `${table}.${column}=*`

/**
 * What a statement reads: a table, or parts of one, each with whatever may have been written to any part of it.
 *
 * @example keysRead('select * from `ticks` where `card_id` = ?', ['a']) // ['ticks.card_id=a', 'ticks.card_id=*']
 */
export const keysRead = (sql: string, bindings: readonly unknown[]): readonly string[] => {
  const { tables, bound, writes } = statementOf(sql)
  return tables
    .filter(t => t !== writes)
    .flatMap(table => {
      const [part] = bound.get(table) ?? []
      if (!part || part.count > MOST_VALUES) return [table]
      const values = bindings.slice(part.from, part.from + part.count)
      return [...values.map(v => partKey(table, part.column, v)), anyKey(table, part.column)]
    })
}

/** What a statement writes to: the table, the parts it names, and any part of a column by which it does not say. */
export const keysWritten = (sql: string, bindings: readonly unknown[]): readonly string[] => {
  const { writes, bound } = statementOf(sql)
  if (writes === undefined) return []
  const parts = bound.get(writes) ?? []
  return [
    writes,
    ...(PARTS[writes] ?? []).flatMap(column => {
      const part = parts.find(p => p.column === column)
      if (!part) return [anyKey(writes, column)]
      return bindings.slice(part.from, part.from + part.count).map(v => partKey(writes, column, v))
    }),
  ]
}

/** Is told of every statement as it is about to run. */
export const noteRead = (sql: string, bindings: readonly unknown[]): void => {
  const { written, watched } = state()
  const mine = watched.getStore()
  if (mine) for (const key of keysRead(sql, bindings)) if (!mine.has(key)) mine.set(key, written.get(key) ?? 0)
}

/** Is told of every statement once it has changed something. */
export const noteWritten = (sql: string, bindings: readonly unknown[]): void => {
  const { written } = state()
  for (const key of keysWritten(sql, bindings)) written.set(key, (written.get(key) ?? 0) + 1)
}
