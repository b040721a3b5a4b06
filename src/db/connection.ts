import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import knex, { type Knex } from 'knex'
import { BACKUPS, DATABASE } from './backups'
import { migrationSource } from './migrations'
import { noteRead, noteWritten, watchOthers } from './tables'

export type Db = Knex

/** A connection of better-sqlite3, as far as it is used here. */
interface Raw {
  readonly open: boolean
  readonly pragma: (text: string) => unknown
  prepare: (sql: string) => { readonly pluck: () => { readonly get: () => unknown } }
}

/** What Knex tells of a statement. */
interface Ran {
  readonly sql: string
  readonly bindings?: readonly unknown[]
  readonly context?: { readonly changes?: number }
}

const MOST_PREPARED = 400
/** Many rows written at once make a statement of their own length, which nobody asks for again. */
const MOST_LONG = 4000
const IS_QUERY = /^\s*(?:select|insert|update|delete|replace|with)\b/i

/** The same few hundred statements are asked for all day; the database's library would compile each anew every time. */
const keepPrepared = (raw: Raw): void => {
  const kept = new Map<string, ReturnType<Raw['prepare']>>()
  const prepare = raw.prepare.bind(raw)
  raw.prepare = sql => {
    const before = kept.get(sql)
    if (before) return before
    const made = prepare(sql)
    if (sql.length > MOST_LONG || !IS_QUERY.test(sql)) return made
    if (kept.size >= MOST_PREPARED) kept.clear()
    kept.set(sql, made)
    return made
  }
}

/** Whose data a folder holds. The demo and a team's own data never mix. */
export type Purpose = 'demo' | 'own'

/** The data cannot be used as it is; it says what is wrong and what to do. */
export class DamagedDataError extends Error {
  constructor(folder: string, what: string) {
    const backups = join(folder, BACKUPS)
    const newest = (existsSync(backups) ? readdirSync(backups) : [])
      .filter(name => name.endsWith('.db'))
      .sort((a, b) => statSync(join(backups, b)).mtimeMs - statSync(join(backups, a)).mtimeMs)[0]
    super(
      `${what}. Nothing was changed. ` +
        (newest
          ? `The newest backup is ${join(backups, newest)}: npm run restore -- ${join(backups, newest)} puts it in its place and keeps what is there now.`
          : `There is no backup in ${backups}; move ${folder} to a safe place and ask somebody who knows SQLite before anything else is done to it.`),
    )
    this.name = 'DamagedDataError'
  }
}

/** A house that was is never begun anew because its file is gone or empty. */
const expectWhole = (folder: string): void => {
  const filename = join(folder, DATABASE)
  if (existsSync(filename)) {
    if (statSync(filename).size === 0) throw new DamagedDataError(folder, `${filename} is empty`)
    return
  }
  const hasLog = existsSync(`${filename}-wal`)
  const hasBackups = existsSync(join(folder, BACKUPS)) && readdirSync(join(folder, BACKUPS)).length > 0
  if (hasLog || hasBackups)
    throw new DamagedDataError(
      folder,
      `${filename} is missing, though there ${hasLog ? 'is a log of it' : 'are backups'}`,
    )
}

const expectSound = async (db: Db, folder: string): Promise<void> => {
  const said = await db
    .raw<readonly { quick_check: string }[]>('PRAGMA quick_check(1)')
    .then(rows => rows.map(r => r.quick_check).join('; '))
    .catch((error: unknown) => {
      if (isBusy(error)) throw error
      return error instanceof Error ? error.message : String(error)
    })
  if (said !== 'ok') throw new DamagedDataError(folder, `${join(folder, DATABASE)} is damaged (${said})`)
}

/**
 * Opens the database of a data folder, creating and migrating it as needed. An existing database is looked over first,
 * and backed up into `backups/` before it is migrated.
 *
 * @throws DamagedDataError where it is not whole; Error when the folder holds data of the other purpose
 */
export const openDatabase = async (folder: string, purpose: Purpose): Promise<Db> => {
  expectWhole(folder)
  mkdirSync(join(folder, BACKUPS), { recursive: true })
  const filename = join(folder, DATABASE)
  const isNew = !existsSync(filename)
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (raw: Raw, done: (error: Error | null, raw: unknown) => void) => {
        // Waiting happens in withRetry, where it does not hold up other requests.
        raw.pragma('busy_timeout = 50')
        try {
          raw.pragma('journal_mode = WAL')
          raw.pragma('synchronous = FULL')
          raw.pragma('foreign_keys = ON')
          const version = raw.prepare('PRAGMA data_version').pluck()
          watchOthers(() => (raw.open ? Number(version.get()) : -1))
          keepPrepared(raw)
          done(null, raw)
        } catch (error) {
          // What is no database says so here; it is told as damage by whoever opens it.
          done(isDamage(error) ? null : (error as Error), raw)
        }
      },
    },
    migrations: { migrationSource },
  })
  db.on('query', ({ sql, bindings = [] }: Ran) => noteRead(sql, bindings))
  // What changed no row leaves every answer as right as it was.
  db.on('query-response', (_: unknown, { sql, bindings = [], context }: Ran) => {
    if (context?.changes !== 0) noteWritten(sql, bindings)
  })
  try {
    if (!isNew) await withRetry(() => expectSound(db, folder))
    await withRetry(() => migrate(db, folder, isNew))
    await withRetry(() => claim(db, purpose, folder))
  } catch (error) {
    await db.destroy()
    throw error
  }
  return db
}

const migrate = async (db: Db, folder: string, isNew: boolean): Promise<void> => {
  const [, pending] = (await db.migrate.list()) as [unknown[], unknown[]]
  if (pending.length === 0) return
  if (!isNew) {
    const stamp = new Date().toISOString().replaceAll(/[:.]/g, '-')
    await db.raw('VACUUM INTO ?', [join(folder, BACKUPS, `before-migration-${stamp}.db`)])
  }
  // A table that others refer to can only be rebuilt while nobody checks; everything is checked afterwards.
  await db.raw('PRAGMA foreign_keys = OFF')
  try {
    await db.migrate.latest()
    const broken = await db.raw<readonly unknown[]>('PRAGMA foreign_key_check')
    if (broken.length) throw new Error(`${folder}: ${broken.length} references lead nowhere after the migration`)
  } finally {
    await db.raw('PRAGMA foreign_keys = ON')
  }
}

const claim = async (db: Db, purpose: Purpose, folder: string): Promise<void> => {
  await db('meta').insert({ key: 'purpose', value: purpose }).onConflict('key').ignore()
  const row = await db<{ key: string; value: string }>('meta').where({ key: 'purpose' }).first()
  if (row && row.value !== purpose)
    throw new Error(
      `${folder} holds ${row.value === 'demo' ? 'the demo' : 'a team’s own data'}; set COHERION_DATA to another folder`,
    )
}

const codeOf = (error: unknown): string =>
  error instanceof Error && 'code' in error && typeof error.code === 'string' ? error.code : ''

const isBusy = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(codeOf(error))
const isDamage = (error: unknown): boolean => /^SQLITE_(CORRUPT|NOTADB)/.test(codeOf(error))

/** How long a busy database is tried again before it counts as a failure. */
const PATIENCE_MS = 15_000

/** Runs a piece of work again while another process holds the database. The work must be one transaction or one read. */
export const withRetry = async <T>(work: () => Promise<T>): Promise<T> => {
  const giveUpAt = Date.now() + PATIENCE_MS
  for (let wait = 20; ; wait = Math.min(250, wait * 2)) {
    try {
      return await work()
    } catch (error) {
      if (!isBusy(error) || Date.now() > giveUpAt) throw error
      await new Promise(resolve => setTimeout(resolve, wait))
    }
  }
}
