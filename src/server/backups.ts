import 'server-only'
import { statSync } from 'node:fs'
import { listBackups } from '@/db/backups'
import { work } from '@/pool/pool'
import { dataFolder } from './database'

/** Backups by a rule, made while everybody goes on. */

const HOUR_MS = 3600 * 1000
const LOOK_EVERY_MS = 5 * 60 * 1000

/** One process makes them, however often this is bundled. */
const shared = globalThis as { coherionBackups?: { trouble: string | undefined } }

export interface BackupView {
  /** When the last good one was made; undefined where there is none yet. */
  readonly last: string | undefined
  readonly bytes: number
  readonly kept: number
  /** Why the last attempt failed, where it did. */
  readonly trouble: string | undefined
}

export const readBackups = (): BackupView => {
  const all = listBackups(dataFolder())
  const [newest] = all
  return {
    last: newest && new Date(newest.at).toISOString(),
    bytes: newest ? statSync(newest.file).size : 0,
    kept: all.length,
    trouble: shared.coherionBackups?.trouble,
  }
}

/** Makes one where the last is an hour old; a clock that was ahead does not put it off. */
const makeWhereDue = async (state: { trouble: string | undefined }): Promise<void> => {
  const folder = dataFolder()
  const newest = listBackups(folder)[0]?.at
  const age = newest === undefined ? Infinity : Date.now() - newest
  if (age >= 0 && age < HOUR_MS) return
  try {
    await work('backup', { folder, at: new Date().toISOString() }, { isForAll: true })
    state.trouble = undefined
  } catch (error) {
    state.trouble = error instanceof Error ? error.message : String(error)
    console.error('no backup could be made:', error)
  }
}

export const keepBackups = (): void => {
  if (shared.coherionBackups) return
  const state = (shared.coherionBackups = { trouble: undefined })
  void makeWhereDue(state)
  setInterval(() => void makeWhereDue(state), LOOK_EVERY_MS).unref()
}
