import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { type Page } from '@playwright/test'
import { type ConcordanceDriver, expect, FIVE, test } from './support/drivers'
import { newBuild } from './support/new-build'

/** What is reckoned in the background answers as people use a browser: one visit after the other, all kept between. */

const expectServiceWorker = (page: Page) =>
  expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state)).toBe('activated')

const translate = async (page: Page, term: string, concept: string) => {
  await page.goto('/name/phrasebook')
  // By its role: what is sent ahead and not yet in its place is nobody's to write into.
  await page.getByRole('combobox', { name: 'Any word, even half remembered' }).fill(term)
  await expect(page.getByRole('listbox').getByRole('option', { name: concept }).first()).toBeVisible()
}

const level = async (page: Page, concordance: ConcordanceDriver) => {
  await concordance.open(FIVE)
  await page.getByRole('slider').press('End')
  await expect(concordance.explanation.getByText(/being alike counts/)).toBeVisible()
}

const lookOver = async (page: Page) => {
  await page.goto('/name/bodies/wicket/edit')
  await expect(page.getByLabel('How far the profile is')).toContainText('concepts covered')
}

const mapControls = async (page: Page) => {
  await page.goto(`/set/controls${FIVE}&standard=ring-action&school=two-thumbs`)
  await expect(page.getByText(/best possible|above the best/i).first()).toBeVisible()
}

test('every kind of background work answers, whichever came first, on the first visit and on the second', async ({
  page,
  concordance,
  context,
}) => {
  await translate(page, 'hold', 'Hold when blocked')
  await expectServiceWorker(page)
  for (let visit = 1; visit <= 2; visit++) {
    await translate(page, 'hold', 'Hold when blocked')
    await level(page, concordance)
    await lookOver(page)
    await mapControls(page)
    await translate(page, 'lamp', 'AF lamp')
  }
  // Another visit, in another page.
  const next = await context.newPage()
  await lookOver(next)
  await translate(next, 'hold', 'Hold when blocked')
})

test('Coherion is built anew while a page is open: the page goes on, and says what has to be loaded again', async ({
  page,
  server,
  concordance,
  card,
}) => {
  await translate(page, 'hold', 'Hold when blocked')
  await expectServiceWorker(page)
  await card.open('wicket', '?standard=ring-action&unit=quay-1')
  const keptAnswers = () => page.evaluate(async () => (await (await caches.open('answers')).keys()).length)
  await expect.poll(keptAnswers).toBe(1)
  await lookOver(page)
  const built = newBuild()
  await server.kill()
  await server.up(built)
  // The open page takes up the new service worker, and what it asks for is not there under the old name.
  await page.evaluate(async () => {
    const registration = await navigator.serviceWorker.getRegistration()
    const isNew = new Promise(done => navigator.serviceWorker.addEventListener('controllerchange', done))
    await registration?.update()
    await isNew
  })
  // What cards were last known to say is there still, for when there is no network.
  expect(await keptAnswers()).toBe(1)
  await page.keyboard.press('/')
  await page.getByRole('dialog').getByLabel('Any word, even half remembered').fill('hold')
  const answers = page.getByRole('dialog').getByRole('option', { name: 'Hold when blocked' }).first()
  const trouble = page.getByRole('dialog').getByText('where Coherion was updated meanwhile, reload the page')
  await expect(answers.or(trouble)).toBeVisible()
  await page.reload()
  await translate(page, 'hold', 'Hold when blocked')
  await level(page, concordance)
  await lookOver(page)
  // It is built anew beneath the server: what is asked for is gone, and nobody else notices.
  const [script] = (await (await fetch(`${server.address}/away`)).text()).match(/\/_next\/static\/[^"]+\.js/) ?? []
  const ask = async () => (await fetch(`${server.address}${script}`)).status
  expect(await ask()).toBe(200)
  rmSync(join(built, '.next', 'static'), { recursive: true })
  expect(await ask()).not.toBe(200)
  expect((await fetch(`${server.address}/api/v1/standards`)).status).toBe(200)
  await server.kill()
  rmSync(built, { recursive: true, force: true })
})

test('background work that cannot be loaded is said at once, and asked for again', async ({ page, context }) => {
  await context.route(/turbopack-worker/, route => route.abort())
  await page.goto('/name/phrasebook')
  await page.getByLabel('Any word, even half remembered').fill('hold')
  const trouble = page.getByRole('alert').filter({ hasText: 'could not be loaded' })
  await expect(trouble).toBeVisible()
  await context.unroute(/turbopack-worker/)
  // The page may ask again by itself before anybody has pressed it.
  const again = trouble.getByRole('button', { name: 'Try again' })
  await expect(async () => {
    if (await again.isVisible()) await again.click({ timeout: 2000 })
    await expect(page.getByRole('listbox').getByRole('option', { name: 'Hold when blocked' }).first()).toBeVisible({
      timeout: 5000,
    })
  }).toPass()
})
