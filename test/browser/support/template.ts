import { mkdirSync, rmSync } from 'node:fs'
import { openDatabase } from '../../../src/db/connection'
import { seedDemo } from '../../../src/demo/seed'
import { TEMPLATE } from './server'

/** Seeds the demo once; every test starts on a copy of it. */
const makeTemplate = async (): Promise<void> => {
  rmSync(TEMPLATE, { recursive: true, force: true })
  mkdirSync(TEMPLATE, { recursive: true })
  const db = await openDatabase(TEMPLATE, 'demo')
  await seedDemo(db, new Date().toISOString())
  await db.destroy()
}

export default makeTemplate
