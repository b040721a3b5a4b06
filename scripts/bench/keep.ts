import { type Browser, chromium } from '@playwright/test'
import { bodyAt, factoryState, type State } from '../../src/core/bodies'
import { resolve } from '../../src/core/resolve'
import { planSteps } from '../../src/core/steps/plan'
import { settled } from '../../src/core/steps/walk'
import { type Db, openDatabase } from '../../src/db/connection'
import { demoBodies, demoStandards } from '../../src/demo/world'
import { TestServer } from '../../test/browser/support/server'
import template from '../../test/browser/support/template'
import { generateBody } from '../../test/fixtures/generate'
import { random } from '../../test/fixtures/random'
import { figure } from './record'
import settings from '../chromium.json' with { type: 'json' }

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN

const STEPS = 20

/** Two states that are so many steps apart, at random, on a menu of 120 rows. */
const twoStates = (seed: number) => {
  const r = random(seed)
  const body = generateBody(seed, { settings: 120, rules: 30 })
  const from = factoryState(body)
  const order = body.settings.filter(s => s.options.length > 1).sort(() => r.next() - 0.5)
  for (let count = STEPS; count <= order.length; count++) {
    const wanted = order.slice(0, count).map(s => [s.id, r.pick(s.options.filter(o => o.id !== s.default)).id])
    const to = settled(body, { ...from, ...(Object.fromEntries(wanted) as State) })
    if (planSteps(body, from, to).steps.length === STEPS) return { body, from, to }
  }
  return undefined
}

const benchPlanning = (): void => {
  const cases = Array.from({ length: 60 }, (_, i) => twoStates(i + 1) ?? []).flat()
  const times = cases.map(({ body, from, to }) => {
    const began = performance.now()
    planSteps(body, from, to)
    return performance.now() - began
  })
  console.log(
    `Planning ${STEPS} steps on a menu of 120 rows, ${times.length} bodies: median ${figure('plan-20-steps', median(times), 200)}, slowest ${Math.max(...times).toFixed(0)} ms`,
  )
}

const UNITS = 500

/** Many units of the demo's bodies, each reset and set by card, half of them signed. */
export const addUnits = async (db: Db): Promise<void> => {
  const standard = demoStandards().find(s => s.id === 'ring-action')
  if (!standard) throw new Error('no standard')
  const walks = demoBodies().map(profile => {
    const firmware = profile.firmware.to
    const body = bodyAt(profile, firmware)
    return {
      profile,
      firmware,
      steps: planSteps(body, factoryState(body), resolve(body, standard, { firmware }).state).steps,
    }
  })
  const r = random(5)
  const at = (daysAgo: number) => new Date(Date.now() - daysAgo * 24 * 3600 * 1000).toISOString()
  for (let n = 0; n < UNITS - 24; n++) {
    const { profile, firmware, steps } = r.pick(walks)
    const id = `many-${n}`
    const unit = {
      id,
      kind: 'body',
      body_id: profile.id,
      tag: id.toUpperCase(),
      serial: '',
      firmware,
      owner: '',
      hired_until: '',
      notes: '',
    }
    await db('units').insert({ ...unit, revision: 1, created_at: at(60) })
    const made = steps.slice(0, r.chance(0.5) ? steps.length : r.int(0, steps.length))
    const events = [
      { kind: 'reset' },
      ...made.map(s => ({ kind: 'set', setting: s.setting, option: s.to, how: 'card' })),
      ...(made.length === steps.length ? [{ kind: 'signed', standard: 'ring-action', version: 2, minutes: 6 }] : []),
    ]
    const day = r.int(1, 40)
    await db.batchInsert(
      'unit_events',
      events.map((e, i) => ({
        unit_id: id,
        seq: (i + 1) * 2 ** 20,
        at: at(day),
        kind: e.kind,
        data: JSON.stringify(e),
      })),
      50,
    )
  }
}

const timed = async (address: string): Promise<number> => {
  const began = performance.now()
  const response = await fetch(address)
  await response.arrayBuffer()
  if (!response.ok) throw new Error(`${address}: ${response.status}`)
  return performance.now() - began
}

const VISITS = 15

const benchReadiness = async (server: TestServer, browser: Browser): Promise<void> => {
  const db = await openDatabase(server.folder, 'demo')
  await addUnits(db)
  const events = (await db('unit_events').count({ n: '*' }).first()) as { n: number }
  const api = `${server.address}/api/v1/readiness?standard=ring-action`
  const first = await timed(api)
  const again = []
  for (let i = 0; i < VISITS; i++) {
    // Something happens to a unit in between, as on a working day.
    await db('unit_events').insert({
      unit_id: `many-${i}`,
      seq: 2 ** 40,
      at: new Date().toISOString(),
      kind: 'repaired',
      data: '{"kind":"repaired"}',
    })
    again.push(await timed(api))
  }
  await db.destroy()
  console.log(`Readiness of ${UNITS} units with ${events.n} events`)
  console.log(
    `  server, first time: ${figure('readiness-first', first)} (every body resolved); after that, with a change each time: median ${figure('readiness-changed', median(again), 200)}, slowest ${Math.max(...again).toFixed(0)} ms`,
  )
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const usable = []
  for (let i = 0; i < 5; i++) {
    await page.goto('about:blank')
    const began = Date.now()
    await page.goto(`${server.address}/keep/readiness?standard=ring-action`, { waitUntil: 'commit' })
    await page.getByRole('list', { name: 'Units' }).getByRole('link').first().waitFor()
    const filter = page.getByRole('button', { name: /not known/ })
    // Usable: a press on a filter is answered.
    for (let tries = 0; (await filter.getAttribute('aria-pressed')) !== 'true'; tries++) {
      if (tries % 10 === 0) await filter.click()
      await page.waitForTimeout(10)
    }
    usable.push(Date.now() - began)
  }
  console.log(`  page usable: median ${figure('readiness-usable', median(usable), 1000)}`)
  await page.close()
}

const benchPaper = async (server: TestServer): Promise<void> => {
  const { units } = (await (await fetch(`${server.address}/api/v1/readiness?standard=ring-action`)).json()) as {
    units: { unit: string }[]
  }
  const ids = units.slice(0, 30).map(u => u.unit)
  const address = `${server.address}/api/v1/cards/pdf?standard=ring-action&paper=a4&units=${ids.join(',')}`
  const [first, again] = [await timed(address), await timed(address)]
  console.log(`30 units in one PDF: ${figure('pdf-30-first', first, 10_000)}, again ${figure('pdf-30', again, 10_000)}`)
}

/** A card that is kept on the device, opened again with the server there and without. */
const benchReopening = async (server: TestServer, browser: Browser): Promise<void> => {
  const context = await browser.newContext({ viewport: { width: 390, height: 800 } })
  const page = await context.newPage()
  const address = `${server.address}/set/cards/wicket?standard=ring-action&unit=quay-1`
  await page.goto(address)
  while (!(await page.evaluate(async () => Boolean(await (await caches.open('cards')).match(location.href)))))
    await page.waitForTimeout(50)
  const paints = async () => {
    const all = []
    for (let i = 0; i < 7; i++) {
      await page.goto('about:blank')
      await page.goto(address)
      await page.waitForFunction(() => performance.getEntriesByName('first-contentful-paint').length > 0)
      all.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN))
    }
    return median(all)
  }
  const there = await paints()
  await server.kill()
  const gone = await paints()
  console.log(
    `A reopened card paints after ${figure('card-reopened', there, 300)}, without a server after ${figure('card-reopened-away', gone, 300)}`,
  )
  await context.close()
}

/** Cards, paper and readiness. */
export const benchKeep = async (): Promise<void> => {
  benchPlanning()
  await template()
  const server = await TestServer.start('demo')
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: settings.args,
  })
  await benchPaper(server)
  await benchReadiness(server, browser)
  await benchReopening(server, browser)
  await browser.close()
  await server.stop()
}
