import { existsSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import knex, { type Knex } from 'knex'
import { migrationSource } from './migrations'

export type Db = Knex

/** Whose data a folder holds. The demo and a team's own data never mix. */
export type Purpose = 'demo' | 'own'

const FILE = 'coherion.db'

/**
 * Opens the database of a data folder, creating and migrating it as needed. An existing database is backed up
 * into `backups/` before it is migrated.
 *
 * @throws Error when the folder holds data of the other purpose
 */
export const openDatabase = async (folder: string, purpose: Purpose): Promise<Db> => {
  mkdirSync(join(folder, 'backups'), { recursive: true })
  const filename = join(folder, FILE)
  const isNew = !existsSync(filename)
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (raw: { pragma: (text: string) => void }, done: (error: Error | null, raw: unknown) => void) => {
        // Waiting happens in withRetry, where it does not hold up other requests.
        raw.pragma('busy_timeout = 50')
        raw.pragma('journal_mode = WAL')
        raw.pragma('synchronous = FULL')
        raw.pragma('foreign_keys = ON')
        done(null, raw)
      },
    },
    migrations: { migrationSource },
  })
  try {
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
    await db.raw('VACUUM INTO ?', [join(folder, 'backups', `before-migration-${stamp}.db`)])
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

const isBusy = (error: unknown): boolean =>
  error instanceof Error &&
  'code' in error &&
  typeof error.code === 'string' &&
  /^SQLITE_(BUSY|LOCKED)/.test(error.code)

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
