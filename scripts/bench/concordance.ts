import { chromium } from '@playwright/test'
import { parseBody } from '../../src/core/bodies'
import { openDatabase } from '../../src/db/connection'
import { saveBody } from '../../src/db/documents'
import { generateBody } from '../../test/fixtures/generate'
import template from '../../test/browser/support/template'
import { TestServer } from '../../test/browser/support/server'
import { figure } from './record'
import settings from '../chromium.json' with { type: 'json' }

const BODIES = 60
const VISITS = 30
const PATH = '/decide/concordance?standard=ring-action'

const timed = async (address: string): Promise<number> => {
  const began = performance.now()
  await (await fetch(address)).text()
  return performance.now() - began
}

/** The Concordance of sixty bodies: from the database to the first paint. */
export const benchConcordance = async (): Promise<void> => {
  await template()
  const server = await TestServer.start('demo')
  const db = await openDatabase(server.folder, 'demo')
  let added = 12
  for (let seed = 1; added < BODIES; seed++) {
    const parsed = parseBody(generateBody(seed, { settings: 45, rules: 15 }), 'generated')
    if (!parsed.ok) continue
    await saveBody(db, parsed.value, { at: new Date().toISOString(), personId: null })
    added++
  }
  await db.destroy()

  console.log(`The Concordance page of ${BODIES} bodies`)
  await timed(`${server.address}/name/bodies/linnet`)
  const first = await timed(server.address + PATH)
  const again = []
  for (let i = 0; i < VISITS; i++) again.push(await timed(server.address + PATH))
  again.sort((a, b) => a - b)
  // Another address, so that nothing that is kept can answer: every cell is put into words again.
  const anew = []
  for (let i = 0; i < 7; i++) anew.push(await timed(`${server.address}${PATH}&anew=${i}`))
  const changed = anew.sort((a, b) => a - b)[3] ?? NaN
  console.log(
    `  server, first time: ${figure('concordance-first', first)} (every body resolved); after a change: ${figure('concordance-changed', changed)}; after that: median ${figure('concordance-again', again[VISITS / 2] ?? NaN, 150)}`,
  )

  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: settings.args,
  })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const paints: number[] = []
  for (let i = 0; i < 5; i++) {
    await page.goto(server.address + PATH, { waitUntil: 'load' })
    await page.getByRole('gridcell').first().waitFor()
    await page.waitForFunction(() => performance.getEntriesByName('first-contentful-paint').length > 0)
    paints.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN))
  }
  paints.sort((a, b) => a - b)
  const cells = await page.getByRole('gridcell').count()
  console.log(
    `  first paint: median ${figure('concordance-paint', paints[2] ?? NaN, 1000)}; ${cells} cells rendered of ${BODIES * 34}`,
  )
  await browser.close()
  await server.stop()
}
