import type { Page } from '@playwright/test'
import { bodyRows } from '../fixtures/trade-menus'
import { expect, iAm, test } from './support/drivers'

/** A body nobody has entered, from its pasted menu to a signed card, in the trade's plain words. */

const undecided = (page: Page) => page.getByText(/\d+ settings? undecided|every setting decided/).first()

test('a menu that nothing was built on: read a page at a time, and its first card signed', async ({
  page,
  request,
}) => {
  test.setTimeout(240_000)
  const { name, text, rows } = bodyRows('unseen', 'u2-optical')
  let actions = 0
  const did = async (what: Promise<unknown>) => {
    actions++
    await what
  }
  await page.goto('/name/bodies/new')
  await did(page.getByRole('combobox', { name: /^Maker/ }).fill('Marl'))
  await did(page.getByRole('textbox', { name: /^Model/ }).fill('Stilt'))
  await did(page.getByRole('textbox', { name: 'Its menu' }).fill(text))
  await expect(page.getByText(`${rows.length} settings with`, { exact: false })).toBeVisible()
  await did(page.getByRole('button', { name: 'Begin the profile' }).click())
  await did(page.getByRole('button', { name: 'Read it a page at a time' }).click())

  const list = page.getByRole('group', { name: /^Readings of/ })
  for (let pages = 0; pages < 12; pages++) {
    await expect(list.getByRole('checkbox').first()).toBeVisible()
    await expect(list).not.toContainText('asking')
    // What is not ticked is looked at: a direction is said, a reading chosen.
    for (const row of await list.getByRole('group').all()) {
      if (await row.getByRole('checkbox').isChecked()) continue
      const most = row.getByRole('button', { name: />$/ })
      if (await most.isVisible()) await did(most.click())
      else await did(row.getByRole('checkbox').check())
    }
    await did(page.getByRole('button', { name: /and go on$/ }).click())
    if (await page.getByRole('tree', { name: 'Menu' }).isVisible()) break
  }
  await expect(undecided(page)).toContainText('every setting decided')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 20_000 })

  const body = (await (await request.get('/api/v1/bodies/stilt')).json()) as {
    settings: { label: string; unnamed?: boolean; options: { means: object; guessed?: string[] }[] }[]
  }
  const setting = (label: string) => body.settings.find(s => s.label === label)
  expect(setting('AF operation')?.options.map(o => o.means)).toEqual([
    { 'mode.drive': 'single' },
    { 'mode.drive': 'continuous' },
    { 'mode.drive': 'automatic' },
    { 'mode.drive': 'manual' },
  ])
  expect(setting('Tracking sensitivity')?.options[0]?.guessed).toEqual(['track.hold'])

  await request.post('/api/v1/kit/units', { data: { tag: 'ZZ-1', body: 'stilt', firmware: '1.0' } })
  await page.goto('/set/cards/stilt?standard=house-baseline')
  await iAm(page, 'Bram Tollard')
  const boxes = page.getByRole('checkbox', { name: /^Step \d+:/ })
  const steps = await boxes.count()
  expect(steps).toBeGreaterThan(2)
  // The whole card is walked, proved and signed.
  const guessed = page.getByText('is a guess until somebody measures or confirms it', { exact: false })
  expect(await guessed.count()).toBeGreaterThanOrEqual(0)
  console.log(`${name}: ${rows.length} settings in ${actions} actions, ${steps} steps on the first card`)
  expect(actions).toBeLessThan(60)
})
