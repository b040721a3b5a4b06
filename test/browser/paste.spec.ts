import type { Page } from '@playwright/test'
import { bodyRows } from '../fixtures/trade-menus'
import { expect, iAm, test } from './support/drivers'

/** A body nobody has entered, from its pasted menu to a signed card, in the trade's plain words. */

const undecided = (page: Page) => page.getByText(/\d+ settings? undecided|every setting decided/).first()

test('fifty-five settings with keys, rules and facts: read a page at a time, and the first card signed', async ({
  page,
  request,
  expectAccessible,
}) => {
  test.setTimeout(240_000)
  const { name, text, rows } = bodyRows('unseen', 'u1-mirrorless')
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
  await expectAccessible()
  await did(page.getByRole('button', { name: 'Begin the profile' }).click())
  await did(page.getByRole('button', { name: 'Read it a page at a time' }).click())

  const list = page.getByRole('group', { name: /^Readings of/ })
  for (let pages = 0; pages < 12; pages++) {
    await expect(list.getByRole('checkbox').first()).toBeVisible()
    await expect(list).not.toContainText('asking')
    if (pages === 0) await expectAccessible()
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
  expect(body.settings.length).toBeGreaterThanOrEqual(55)
  expect(
    setting('Focus mode')
      ?.options.slice(0, 3)
      .map(o => o.means),
  ).toEqual([{ 'mode.drive': 'single' }, { 'mode.drive': 'automatic' }, { 'mode.drive': 'continuous' }])
  expect(setting('Tracking sensitivity in AF-C')?.options[0]?.guessed).toEqual(['track.hold'])
  expect(setting('AF-ON button')?.options[0]?.means).toMatchObject({ 'trigger.start': { press: 'held' } })

  // The rules that such menus usually have are one key away, and bind at once.
  await did(page.getByRole('tab', { name: 'Rules' }).click())
  const usual = page.getByRole('region', { name: 'Usual rules' })
  const isSo = usual.getByRole('button', { name: /^It is so: / })
  await expect(isSo.first()).toBeVisible()
  let rules = await isSo.count()
  for (; rules > 0; rules--) {
    await did(isSo.first().click())
    await expect(isSo).toHaveCount(rules - 1)
  }
  await expect(page.getByRole('list', { name: 'Rules' })).toContainText('Spot metering point cannot be used')
  // Every fact that the profile began with is looked at on the body.
  await did(page.getByRole('tab', { name: 'Facts' }).click())
  const looked = page.getByRole('button', { name: /^I have looked/ })
  await expect(looked.first()).toBeVisible()
  for (let facts = await looked.count(); facts > 0; facts--) {
    await did(looked.first().click())
    await expect(looked).toHaveCount(facts - 1)
  }
  await expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 20_000 })

  // A unit of it, and its first card: walked, proved and signed.
  const unit = {
    tag: 'ZZ-1',
    kind: 'body',
    model: 'stilt',
    serial: '',
    firmware: '1.0',
    owner: '',
    hiredUntil: '',
    notes: '',
  }
  expect((await request.post('/api/v1/units', { data: { unit } })).ok()).toBe(true)
  await page.goto('/keep/readiness?standard=ring-action&bodies=stilt')
  await iAm(page, 'Bram Tollard')
  await page
    .getByRole('list', { name: 'Units' })
    .getByRole('listitem')
    .filter({ hasText: 'ZZ-1' })
    .getByRole('link')
    .click()
  const boxes = page.getByRole('checkbox', { name: /^Step \d+:/ })
  await expect(boxes.first()).toBeVisible()
  const steps = await boxes.count()
  await expect(page.getByRole('listitem').filter({ hasText: 'Tracking sensitivity in AF-C' })).toContainText(
    'is a guess until somebody measures or confirms it',
  )
  for (let i = 1; i <= steps; i++) await did(page.getByRole('checkbox', { name: new RegExp(`^Step ${i}:`) }).check())
  const proof = page.getByRole('region', { name: 'Prove and sign' })
  for (const box of await proof.getByRole('checkbox').all()) if (!(await box.isChecked())) await did(box.check())
  await did(proof.getByRole('button', { name: 'Sign as Bram Tollard' }).click())
  await expect(page.getByRole('status').filter({ hasText: 'signed by Bram Tollard' })).toBeInViewport()
  console.log(`${name}: ${rows.length} settings in ${actions} actions, ${steps} steps on the first card`)
  expect(actions).toBeLessThan(200)
})

test('on a phone the readings of a page fit, one thumb wide, and a direction is said before it is taken', async ({
  page,
  request,
  expectAccessible,
}) => {
  await page.setViewportSize({ width: 390, height: 800 })
  const menu = '# AF\nTracking sensitivity: 1 | 2 | 3 | 4 | 5\nFocus mode: AF-S | AF-C | MF\nPlum: Pear | Quince'
  await request.post('/api/v1/bodies/new', { data: { maker: 'Marl', model: 'Dunnock', menu } })
  await page.goto('/name/bodies/dunnock/edit')
  await page.getByRole('button', { name: 'Read it a page at a time' }).click()
  const row = (name: string) => page.getByRole('group', { name, exact: true })
  await expect(row('Focus mode').getByRole('checkbox')).toBeChecked()
  await expect(row('Plum').getByRole('checkbox')).not.toBeChecked()
  const scale = row('Tracking sensitivity')
  await expect(scale).toContainText('Nothing says which way it runs')
  await expect(scale.getByRole('checkbox')).toBeDisabled()
  await scale.getByRole('button', { name: '5 >' }).click()
  await expect(scale.getByRole('checkbox')).toBeChecked()
  await expect(scale).toContainText('5 = 4.5 s')
  await scale.getByRole('button', { name: '< 1' }).click()
  await expect(scale).toContainText('1 = 4.5 s')
  const wide = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(wide).toBeLessThanOrEqual(390)
  await expectAccessible()
  await page.getByRole('button', { name: 'Take 2 readings and go on' }).click()
  await expect(page.getByText('1 setting undecided', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('3 settings undecided', { exact: false })).toBeVisible()
})
