import { mkdirSync, rmSync } from 'node:fs'
import { openDatabase } from '../../../src/db/connection'
import { seedDemo } from '../../../src/demo/seed'
import { TEMPLATE, TestServer } from './server'

/** What most tests look at first. */
const LOOKED_AT = [
  '/keep/readiness',
  '/keep/readiness?by=standard',
  '/set/cards',
  '/decide/concordance',
  '/decide/concordance?standard=house-baseline',
  '/decide/concordance?standard=high-rope',
  '/set/controls',
  '/name/phrasebook/dictionary',
  // With all walks of its day.
  '/api/v1/jobs/saltmarsh-ring/sheets?each=yes',
]

/** Seeds the demo once and has worked out what is usually asked first; every test starts on a copy of it. */
const makeTemplate = async (): Promise<void> => {
  rmSync(TEMPLATE, { recursive: true, force: true })
  mkdirSync(TEMPLATE, { recursive: true })
  const db = await openDatabase(TEMPLATE, 'demo')
  await seedDemo(db, new Date().toISOString())
  await db.destroy()
  const server = await TestServer.on(TEMPLATE)
  for (const path of LOOKED_AT) await (await fetch(`${server.address}${path}`)).text()
  await server.end()
}

export default makeTemplate
