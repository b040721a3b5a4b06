import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { basename, join } from 'node:path'
import knex, { type Knex } from 'knex'

/**
 * Copies of the data that are whole at one moment, made while everybody goes on working, each opened and counted before
 * it counts. They go by a rule: every hour of the last day, every day of the last two weeks, every week of the last two
 * months; what was made by hand or before a migration stays.
 */

export const DATABASE = 'coherion.db'
export const BACKUPS = 'backups'

/** What has to be in a database for it to be ours, and is counted in a backup. */
const COUNTED = ['people', 'bodies', 'lenses', 'units', 'standard_versions', 'unit_events', 'history'] as const

export interface Backup {
  readonly file: string
  readonly at: string
  readonly bytes: number
  /** Rows by table. */
  readonly counts: Readonly<Record<string, number>>
}

export const openFile = (filename: string, isReadOnly: boolean): Knex =>
  knex({
    client: 'better-sqlite3',
    connection: { filename, options: { readonly: isReadOnly, fileMustExist: true } } as never,
    useNullAsDefault: true,
    pool: { min: 1, max: 1 },
  })

/** Sees whether a file is a whole database of ours. @throws Error saying what is wrong with it */
export const checkFile = async (filename: string): Promise<Readonly<Record<string, number>>> => {
  if (!existsSync(filename)) throw new Error(`there is no file ${filename}`)
  if (statSync(filename).size === 0) throw new Error(`${filename} is empty`)
  const db = openFile(filename, true)
  try {
    const found = await db.raw<readonly { integrity_check: string }[]>('PRAGMA integrity_check(3)')
    const said = found.map(r => r.integrity_check)
    if (said.join() !== 'ok') throw new Error(`${filename} is damaged: ${said.join('; ')}`)
    const counts: Record<string, number> = {}
    for (const table of COUNTED)
      if (await db.schema.hasTable(table)) {
        const row = (await db(table).count({ n: '*' }).first()) as { n: number } | undefined
        counts[table] = row?.n ?? 0
      }
    if (counts['people'] === undefined) throw new Error(`${filename} holds something else than Coherion’s data`)
    return counts
  } finally {
    await db.destroy()
  }
}

const stampOf = (at: string): string => at.replaceAll(/[:.]/g, '-')
const KEPT_BY_RULE = /^auto-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)-\d{3}Z\.db$/

/** When a backup by the rule was made; undefined for any other file. */
const madeAt = (file: string): number | undefined => {
  const match = KEPT_BY_RULE.exec(basename(file))
  return match ? Date.parse(`${match[1]}T${match[2]}:${match[3]}:${match[4]}Z`) : undefined
}

/**
 * Makes a backup while the server works, and looks whether it is whole.
 *
 * @param kind auto: it goes by the rule; hand: it stays
 * @throws Error where it could not be made, or is not whole; then there is none
 */
export const makeBackup = async (folder: string, at: string, kind: 'auto' | 'hand'): Promise<Backup> => {
  mkdirSync(join(folder, BACKUPS), { recursive: true })
  const file = join(folder, BACKUPS, `${kind}-${stampOf(at)}.db`)
  const unfinished = `${file}.unfinished`
  rmSync(unfinished, { force: true })
  const db = openFile(join(folder, DATABASE), true)
  try {
    await db.raw('VACUUM INTO ?', [unfinished])
  } finally {
    await db.destroy()
  }
  try {
    const counts = await checkFile(unfinished)
    renameSync(unfinished, file)
    return { file, at, bytes: statSync(file).size, counts }
  } catch (error) {
    rmSync(unfinished, { force: true })
    throw error
  }
}

const HOUR_MS = 3600 * 1000
const DAY_MS = 24 * HOUR_MS
const WEEK_MS = 7 * DAY_MS

/** For so long back, one of each so long is kept. */
const RULE = [
  { back: DAY_MS, each: HOUR_MS },
  { back: 14 * DAY_MS, each: DAY_MS },
  { back: 8 * WEEK_MS, each: WEEK_MS },
] as const

/**
 * Which of several backups the rule lets go, seen from the newest: the newest of each hour, day or week stays, and the
 * newest five whatever a clock says.
 *
 * @param times when they were made, in milliseconds
 */
export const letGo = (times: readonly number[]): readonly number[] => {
  const sorted = [...times].sort((a, b) => b - a)
  const newest = sorted[0] ?? 0
  const kept = new Set(sorted.slice(0, 5))
  for (const { back, each } of RULE) {
    const slots = new Set<number>()
    for (const t of sorted.filter(x => newest - x <= back)) {
      const slot = Math.floor(t / each)
      if (!slots.has(slot)) kept.add(t)
      slots.add(slot)
    }
  }
  return sorted.filter(t => !kept.has(t))
}

/** Backups by the rule, newest first. */
export const listBackups = (folder: string): readonly { readonly file: string; readonly at: number }[] => {
  const path = join(folder, BACKUPS)
  if (!existsSync(path)) return []
  return readdirSync(path)
    .flatMap(name => {
      const at = madeAt(name)
      return at === undefined ? [] : [{ file: join(path, name), at }]
    })
    .sort((a, b) => b.at - a.at)
}

/** Makes a backup by the rule, and lets go of those it does not keep. */
export const backUpByRule = async (folder: string, at: string): Promise<Backup> => {
  const made = await makeBackup(folder, at, 'auto')
  const all = listBackups(folder)
  const gone = new Set(letGo(all.map(b => b.at)))
  for (const { file, at: time } of all) if (gone.has(time) && file !== made.file) rmSync(file, { force: true })
  return made
}

/** Whether a server, or anything else, works with the data just now. */
export const isInUse = async (folder: string): Promise<boolean> => {
  const filename = join(folder, DATABASE)
  if (!existsSync(filename) || statSync(filename).size === 0) return false
  const db = openFile(filename, false)
  try {
    // Leaving the log behind needs the file for oneself.
    await db.raw('PRAGMA journal_mode = DELETE')
    return false
  } catch (error) {
    return error instanceof Error && 'code' in error && String(error.code).startsWith('SQLITE_BUSY')
  } finally {
    await db.destroy()
  }
}

/**
 * Puts a backup in the place of the data. What was there is moved aside with its log and lost to nobody.
 *
 * @returns where what was there is now; undefined where there was nothing
 * @throws Error where the file is not whole; nothing is changed then
 */
export const restore = async (folder: string, file: string, at: string): Promise<string | undefined> => {
  await checkFile(file)
  mkdirSync(join(folder, BACKUPS), { recursive: true })
  const fresh = join(folder, `${DATABASE}.restored`)
  rmSync(fresh, { force: true })
  const source = openFile(file, true)
  try {
    await source.raw('VACUUM INTO ?', [fresh])
  } finally {
    await source.destroy()
  }
  await checkFile(fresh)
  const tails = ['', '-wal', '-shm'].filter(tail => existsSync(join(folder, DATABASE + tail)))
  const aside = tails.length ? join(folder, BACKUPS, `replaced-${stampOf(at)}`) : undefined
  if (aside) {
    mkdirSync(aside, { recursive: true })
    // The log first: beside another file it would be taken for its own.
    for (const tail of tails.toReversed()) renameSync(join(folder, DATABASE + tail), join(aside, DATABASE + tail))
  }
  renameSync(fresh, join(folder, DATABASE))
  return aside
}
