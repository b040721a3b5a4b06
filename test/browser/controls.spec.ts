import { type Page } from '@playwright/test'
import { expect, FIVE, test } from './support/drivers'

/** Set, Controls: one meaning under one thumb, on every body, and what it costs the hand. */

const body = (page: Page, name: string) => page.getByRole('article', { name, exact: true })
const at = (page: Page, name: string, label: string) =>
  body(page, name).getByRole('combobox', { name: `${label} on ${name}` })
const choose = async (page: Page, school: string) => {
  await page.getByRole('combobox', { name: 'School' }).click()
  await page.getByRole('option', { name: school }).click()
}

test('two schools are compared, one is kept, a function is moved and pinned, and the table and cards follow', async ({
  page,
  concordance,
  standard,
  expectAccessible,
}) => {
  await page.goto(`/set/controls${FIVE}&standard=high-rope`)
  await expect(page.getByText('That is the best possible.')).toBeVisible()
  await expect(body(page, 'Sorrel')).toContainText('Pad 1')

  // What a body cannot carry is said at once, with what comes nearest.
  await choose(page, 'two thumbs')
  await expect(body(page, 'Tollgate')).toContainText('no thumb control takes Second AF start. Nearest is thumb start.')
  await expect(body(page, 'Sorrel')).toContainText('Seek eye everywhere')
  await choose(page, 'thumb stop')
  await expect(body(page, 'Pebble')).toContainText('no thumb control takes AF stop while the shutter starts AF')
  await expectAccessible()

  await page.getByRole('button', { name: 'Begin a new draft' }).click()
  await expect(page.getByText('version 2 · a draft')).toBeVisible()
  await choose(page, 'thumb start')
  await page.getByRole('button', { name: 'Keep these maps in version 2' }).click()
  await standard.expectSaved()

  // Moved by hand, it costs more at once; pinned, the best map goes round it.
  const cost = body(page, 'Sorrel').getByRole('button', { name: /what Sorrel costs the hand/ })
  const before = await cost.textContent()
  await at(page, 'Sorrel', 'AF start').click()
  await page.getByRole('option', { name: 'Pad 3' }).click()
  await expect(cost).not.toHaveText(before ?? '')
  await expect(body(page, 'Sorrel')).toContainText('away from home')
  await expect(page.getByText(/The best around the pins costs \d+\./)).toBeVisible()
  await cost.click()
  await expect(page.getByLabel('Explanation')).toContainText('away from its home')
  await page.keyboard.press('Escape')
  await body(page, 'Sorrel').getByRole('button', { name: 'Pin AF start on Sorrel' }).click()
  await at(page, 'Sorrel', 'Exposure hold').click()
  await page.getByRole('option', { name: 'Brow' }).click()
  await page.getByRole('button', { name: 'Take the best maps' }).click()
  await expect(at(page, 'Sorrel', 'AF start')).toHaveText('Pad 3')
  await expect(at(page, 'Sorrel', 'Exposure hold')).not.toHaveText('Brow')
  await expectAccessible()
  await standard.expectSaved()

  // The Concordance and the cards go by the map.
  await concordance.open(`${FIVE}&standard=high-rope@2`)
  // A thumb that has to look for it elsewhere is told so, whatever else is right about it.
  await expect(concordance.cell('AF start', 'Pursue').first()).toContainText('must broken')
  await page.goto(`/set/cards/sorrel?standard=high-rope@2`)
  await expect(page.getByText('Pad 3 does').first()).toBeVisible()
})

test('a function is dragged onto a control, and taken back', async ({ page, standard, request }) => {
  await request.post('/api/v1/standards/high-rope/versions', { data: {} })
  await page.goto('/set/controls?bodies=sorrel,tollgate&standard=high-rope@2')
  await page.getByRole('button', { name: 'Keep these maps in version 2' }).click()
  const hold = body(page, 'Sorrel').getByRole('listitem').filter({ hasText: 'Exposure hold' })
  await hold.dragTo(body(page, 'Sorrel').locator('[data-control=heel]'), {
    sourcePosition: { x: 60, y: 12 },
  })
  await expect(at(page, 'Sorrel', 'Exposure hold')).toHaveText('Heel')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(at(page, 'Sorrel', 'Exposure hold')).not.toHaveText('Heel')
  await standard.expectSaved()
})

test('a camera is handed to a stranger, nobody forgets it, and who carries what weighs on the map', async ({
  page,
}) => {
  await page.goto('/set/controls/sorrel?standard=ring-action')
  const there = page.getByRole('region', { name: 'Before you hand it over' })
  await expect(there.getByRole('listitem')).toHaveCount(2)
  await expect(there).toContainText('Half press: Gaze and light')
  await expect(page.getByRole('region', { name: 'When it is back' })).toContainText('Half press: Light alone')
  await page.getByRole('button', { name: 'TSP-S1 is handed over' }).click()
  await expect(page.getByRole('button', { name: 'TSP-S1 is back' })).toBeVisible()

  await page.goto('/keep/kit')
  await expect(page.getByRole('row').filter({ hasText: 'TSP-S1' })).toContainText('Handed over: to be set back.')
  const carries = page.getByRole('region', { name: 'Who carries what' })
  await carries.getByLabel('Wilhelmina Dow').fill('QUAY-2')
  const stored = page.waitForResponse(r => r.url().includes('/api/v1/people/') && r.request().method() === 'PUT')
  await page.getByRole('option', { name: /^QUAY-2/ }).click()
  await stored
  await expect(carries.getByRole('button', { name: 'QUAY-2' })).toBeVisible()
  await page.reload()
  await expect(carries.getByRole('button', { name: 'QUAY-2' })).toBeVisible()

  await page.goto('/set/controls?standard=ring-action')
  await expect(page.getByRole('region', { name: 'Who has to relearn' })).toContainText('Wilhelmina Dow')
})

test('a pin the hand cannot keep is named and can be taken out, and the last good maps stay', async ({
  page,
  request,
}) => {
  await request.post('/api/v1/standards/high-rope/versions', { data: {} })
  await page.goto('/set/controls?bodies=sorrel,tollgate&standard=high-rope@2')
  await page.getByRole('button', { name: 'Keep these maps in version 2' }).click()
  const pin = body(page, 'Tollgate').getByRole('button', { name: 'Pin AF start on Tollgate' })
  await pin.click()
  await page.getByLabel('Spare the thumb').check()
  await expect(page.getByText('AF start cannot be used on Rear key A of Tollgate as the hand has to')).toBeVisible()
  await expect(body(page, 'Sorrel')).toContainText('Exposure hold')
  await expect(pin).toHaveAttribute('aria-pressed', 'true')
  await pin.click()
  await expect(page.getByText('as the hand has to')).toBeHidden()
  await page.getByRole('button', { name: 'Take the best maps' }).click()
  await expect(at(page, 'Sorrel', 'AF start')).toHaveText('Collar')
})

test('what is kept for bodies that are not in hand stays, and one that joins gets the best map', async ({
  page,
  request,
  standard,
}) => {
  await request.post('/api/v1/standards/high-rope/versions', { data: {} })
  await page.goto('/set/controls?bodies=sorrel,tollgate&standard=high-rope@2')
  await page.getByRole('button', { name: 'Keep these maps in version 2' }).click()
  await at(page, 'Tollgate', 'AF start').click()
  await page.getByRole('option', { name: 'Post' }).click()
  await page.getByLabel('Session, minutes').fill('55')
  await page.getByLabel('Session, minutes').blur()
  await standard.expectSaved()

  await page.goto('/set/controls?bodies=sorrel,linnet&standard=high-rope@2')
  await expect(at(page, 'Linnet', 'AF start')).toHaveText('Side key')
  await expect(page.getByText('The map of one body that is not in hand stays as it is.')).toBeVisible()
  await page.getByRole('button', { name: 'Take the best maps' }).click()
  await standard.expectSaved()
  await page.goto('/set/controls?bodies=tollgate&standard=high-rope@2')
  await expect(at(page, 'Tollgate', 'AF start')).toHaveText('Post')
  await choose(page, 'thumb stop')
  await expect(page.getByLabel('Session, minutes')).toHaveValue('55')
})

test('a body takes the nearest school it can carry, a must gives way with a reason, and it is printed', async ({
  page,
  request,
  concordance,
  standard,
}) => {
  await page.addInitScript(() => {
    window.print = () => document.body.setAttribute('data-printed', 'yes')
  })
  await request.post('/api/v1/standards/high-rope/versions', { data: {} })
  await page.goto('/set/controls?bodies=sorrel,pebble&standard=high-rope@2')
  await choose(page, 'thumb stop')
  await page.getByRole('button', { name: 'Take thumb start on Pebble' }).click()
  await expect(body(page, 'Pebble')).toContainText('Takes thumb start, not thumb stop: no thumb control takes AF stop')
  await page.getByRole('combobox', { name: 'Another function' }).click()
  await page.getByRole('option', { name: 'Recall home' }).click()
  await expect(at(page, 'Pebble', 'AF start')).toHaveText('Thumb F')
  await expect(body(page, 'Sorrel')).toContainText('Back to rest')
  await page.getByRole('button', { name: 'Keep these maps in version 2' }).click()
  await expect(page.getByText('The must stands until you write why it may give way.')).toBeVisible()
  await page.getByLabel('Why may it give way?').fill('The rope walker never stops.')
  await expect(page.getByText('The must stands until you write why it may give way.')).toBeHidden()
  await standard.expectSaved()

  await page.getByRole('button', { name: 'Print' }).click()
  await page.getByRole('menuitem', { name: 'Letter' }).click()
  await expect(page.locator('body[data-printed=yes]')).toBeVisible()
  const paper = await page.pdf({ preferCSSPageSize: true })
  expect(paper.toString('latin1')).toContain('/MediaBox [0 0 612 792]')

  await concordance.open('?bodies=sorrel,pebble&standard=high-rope@2')
  await concordance.grid.getByRole('row').filter({ hasText: 'Shutter half-press' }).getByRole('gridcell').nth(1).click()
  await expect(page.getByLabel('Explanation')).toContainText(
    'Pebble takes thumb start here instead of thumb stop: no thumb control takes AF stop while the shutter starts AF.',
  )
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 800 }, hasTouch: true })

  test('one body’s map and the thumb load fit, and the load is said calmly', async ({
    page,
    request,
    expectAccessible,
  }) => {
    await request.post('/api/v1/standards/high-rope/versions', { data: {} })
    await page.goto('/set/controls?bodies=sorrel&standard=high-rope@2')
    await expect(body(page, 'Sorrel')).toContainText('Pursue')
    const load = page.getByRole('region', { name: 'Thumb load' })
    await load.getByLabel('Of that following, %').fill('90')
    await load.getByLabel('Of it shooting, %').fill('100')
    await load.getByLabel('Of it shooting, %').blur()
    // With 90 % following, thumb start holds 90 % of the shooting and thumb stop 10 %: common practice, no published source.
    await expect(load).toContainText('the thumb holds for 54 minutes of every hour')
    // The drawing comes in a script of its own, once it is about to be seen.
    await load.getByRole('img', { name: /^Minutes held in an hour/ }).scrollIntoViewIfNeeded()
    await expect(load.locator('[role=img] svg path').first()).toBeAttached()
    await expect(load).toContainText('That is much. With thumb stop it would be 6.0 minutes.')
    await expect(load).toContainText('Pain that stays is for a doctor')
    // Somebody who follows less has a session of their own.
    await load.getByLabel('Whose session').click()
    await page.getByRole('option', { name: 'Imelda Frost' }).click()
    await load.getByLabel('Of that following, %').fill('20')
    await load.getByLabel('Of that following, %').blur()
    await expect(load).toContainText('the thumb holds for 12 minutes of every hour')
    await expect(load.getByRole('img', { name: /by person: the team 54, Imelda Frost 12/ })).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
    await expectAccessible()
  })
})
