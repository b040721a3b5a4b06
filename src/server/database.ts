import 'server-only'
import { resolve } from 'node:path'
import { type Db, openDatabase, type Purpose } from '@/db/connection'

const purpose = (): Purpose => (process.env['COHERION_PURPOSE'] === 'demo' ? 'demo' : 'own')

/** Where this server keeps its data. */
export const dataFolder = (): string =>
  resolve(/* turbopackIgnore: true */ process.env['COHERION_DATA'] ?? `data/${purpose()}`)

/** Survives the reloading of modules, so that one process holds one connection. */
const shared = globalThis as { coherionDb?: Promise<Db> }

/** The database of the data folder this server was started with. */
export const database = (): Promise<Db> => {
  shared.coherionDb ??= openDatabase(dataFolder(), purpose()).catch((error: unknown) => {
    delete shared.coherionDb
    throw error
  })
  return shared.coherionDb
}
