import { type Page } from '@playwright/test'
import { expect, iAm, test } from './support/drivers'

/** Set and keep: a card from what a unit is known to be set to, proved and signed, and who is ready. */

const unit = (page: Page, tag: string) =>
  page.getByRole('list', { name: 'Units' }).getByRole('listitem').filter({ hasText: tag })

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 800 }, hasTouch: true })

  test('a card is walked with a wrong value, a blocked step and a server that goes away, and signed', async ({
    page,
    card,
    server,
    request,
    context,
    expectAccessible,
  }) => {
    await page.goto('/keep/readiness?standard=ring-action&bodies=tollgate')
    await expect(unit(page, 'TSP-T1')).toContainText('differs by')
    await iAm(page, 'Bram Tollard')
    await unit(page, 'TSP-T1').getByRole('link').click()
    await expect(page.getByText('the fewest there are').or(page.getByText('above the fewest'))).toBeVisible()
    const boxes = page.getByRole('checkbox', { name: /^Step \d+:/ })
    const steps = await boxes.count()

    // On paper a code leads back here, and nothing that only a screen can do.
    const code = page.getByRole('img', { name: 'Code that leads to the card of Tollgate TSP-T1' })
    await expect(code).toBeHidden()
    await page.emulateMedia({ media: 'print' })
    await expect(code).toBeVisible()
    await expect(page.getByRole('button', { name: 'Step 1 is not as it says' })).toBeHidden()
    await page.emulateMedia({ media: 'screen' })

    // It will not change: the rule, and what frees it.
    const key = page.getByRole('listitem').filter({ hasText: 'Rear key A:' })
    await key.getByRole('button', { name: /is not as it says/ }).click()
    await expect(key).toContainText('keeps its works order until Key bank is at Own order')
    await expect(key).toContainText('First set Key bank: Own order.')
    await expectAccessible()

    // It says something else: what is known is corrected, and where it says what is wanted nothing is left to do.
    const first = page.getByRole('listitem').filter({ hasText: 'Ring after anchor: Free' })
    await first.getByRole('button', { name: /is not as it says/ }).click()
    await expect(first).toContainText('Cannot find it?')
    await first.getByRole('combobox', { name: 'It says something else' }).click()
    await page.getByRole('option', { name: 'Free' }).click()
    await expect(boxes).toHaveCount(steps - 1)

    await card.tick(1)
    await server.kill()
    await card.step(2).check()
    await expect(page.getByText('1 not yet saved')).toBeVisible()
    await server.up()
    await card.expectSaved()
    await card.expectDone(2)
    await context.setOffline(true)
    await card.step(3).check()
    await expect(page.getByText('1 not yet saved')).toBeVisible()
    await context.setOffline(false)
    await card.expectSaved()
    for (let i = 4; i < steps; i++) await card.step(i).check()
    await card.expectSaved()

    // A proof on the camera itself, then a name and a time.
    const proof = page.getByRole('region', { name: 'Prove and sign' })
    const sign = proof.getByRole('button', { name: 'Sign as Bram Tollard' })
    await expect(sign).toBeDisabled()
    for (const box of await proof.getByRole('checkbox', { name: /^(Half-press|Hold|Focus|Point|Let|Cover)/ }).all())
      await box.check()
    await sign.click()
    // It says so where nobody can miss it, and asks for no second proof.
    const signed = page.getByRole('status').filter({ hasText: 'signed by Bram Tollard for version 2' })
    await expect(signed).toBeInViewport()
    await expect(proof).toBeHidden()
    await expect(page.getByRole('button', { name: 'Prove and sign again' })).toBeVisible()
    await expect(page.getByRole('heading', { name: /Look at these 3/ })).toBeVisible()

    // What it is set to now stands on its own page, all of it as wanted.
    await page.getByRole('link', { name: 'What happened to TSP-T1' }).click()
    const now = page.getByRole('region', { name: 'What it is set to now' })
    await expect(now).toContainText('Against Ring action, version 2: matches the standard.')
    await expect(now).toContainText('0 settings differ, 0 not known')
    await expectAccessible()
    await page.goto('/keep/readiness?standard=ring-action&bodies=tollgate')
    await expect(unit(page, 'TSP-T1')).toContainText('matches the standard')
    await expect(page.getByRole('region', { name: 'Since last week' })).toContainText('signed for Ring action')
    await expectAccessible()

    // Another firmware, and it is not ready any more.
    const { units } = (await (await request.get('/api/v1/units')).json()) as {
      units: { id: string; revision: number; firmware: string }[]
    }
    const { id, revision, ...rest } = units.find(u => u.id === 'tsp-t1') ?? { id: '', revision: 0, firmware: '' }
    const { modelName: _, ...fields } = rest as Record<string, unknown>
    const saved = await request.put(`/api/v1/units/${id}`, {
      data: { unit: { ...fields, firmware: '3.1' }, revision },
    })
    expect(saved.ok()).toBe(true)
    await page.reload()
    await expect(unit(page, 'TSP-T1')).toContainText('runs another firmware since it was signed')
  })
})

test('readiness is looked at by person and by standard, what is owed is shown, and cards are printed', async ({
  page,
  expectAccessible,
}) => {
  await page.goto('/keep/readiness?standard=ring-action')
  await expect(page.getByRole('region', { name: 'For tomorrow' })).toContainText(/\d+ cards to walk, about/)
  await page.getByRole('button', { name: 'Show them' }).click()
  await expect(page.getByRole('list', { name: 'Units', exact: true }).getByRole('listitem')).toHaveCount(1)
  await expect(unit(page, 'TSP-F1')).toContainText('version 2 is new')

  // The card that is owed, and another one, in one PDF.
  await page.getByRole('button', { name: 'Print cards' }).click()
  const dialog = page.getByRole('dialog', { name: 'Print cards into one PDF' })
  await expect(dialog.getByRole('button', { name: 'Make a PDF of 1' })).toBeVisible()
  await expectAccessible()
  await dialog.getByRole('combobox', { name: 'Paper' }).click()
  await page.getByRole('option', { name: /^Pocket/ }).click()
  await dialog.getByRole('button', { name: 'Make a PDF of 1' }).click()
  await expect(dialog.getByText('1 card is ready to print.')).toBeVisible()
  const made = await dialog.getByRole('link', { name: /^Open cards-ring-action/ }).getAttribute('href')
  const begins = await page.evaluate(async address => (await (await fetch(address)).text()).slice(0, 5), made ?? '')
  expect(begins).toBe('%PDF-')
  await dialog.getByRole('button', { name: 'Close' }).click()

  await page.getByRole('button', { name: 'Show all' }).click()
  await page.getByRole('button', { name: 'By person' }).click()
  await expect(page.getByRole('region', { name: 'Bram Tollard' })).toContainText('of 2 ready')
  await expectAccessible()
  await page.getByRole('button', { name: 'By standard' }).click()
  const rope = page.getByRole('listitem').filter({ hasText: 'High rope' })
  await expect(rope).toContainText('0 of 24 ready')
  await rope.getByRole('link').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ready for High rope?')
})

test('two standards go into two memory slots in one walk, each stored last', async ({
  page,
  card,
  expectAccessible,
}) => {
  await card.open('sorrel', '?standard=ring-action&unit=tsp-s2')
  await iAm(page, 'Ottoline Marsh')
  const slots = page.getByRole('region', { name: 'Memory slots' })
  const store = async (slot: string, standard: string) => {
    await slots.getByRole('combobox', { name: `Store in ${slot}` }).click()
    await page.getByRole('option', { name: standard, exact: true }).click()
  }
  await store('Keep 1', 'Ring action')
  await expect(page.getByRole('checkbox', { name: 'Step 1: store in Keep 1' })).toBeVisible()
  await store('Keep 2', 'High rope')
  const stops = page.getByRole('list', { name: 'Stops' }).getByRole('listitem')
  await expect(stops).toHaveText([/^Ring action into Keep 1, 0 steps/, /^High rope into Keep 2, \d+ steps/])
  await expectAccessible()
  await page.getByRole('checkbox', { name: 'Step 1: store in Keep 1' }).check()
  await card.expectSaved()
  await expect(stops.first()).toContainText('stored')
  await expect(slots).toContainText('holds Ring action, version 2, Ottoline Marsh')

  await stops.nth(1).getByRole('link').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Sorrel TSP-S2 for High rope')
  const last = page.getByRole('checkbox', { name: /store in Keep 2/ })
  await expect(last).toBeDisabled()
  const boxes = page.getByRole('checkbox', { name: /^Step \d+:/ })
  const count = await boxes.count()
  for (let i = 1; i < count; i++) await card.step(i).check()
  await last.check()
  await card.expectSaved()
  await expect(slots).toContainText('holds High rope, version 1')
})

test('what a unit is set to is read from a file, and a wrong file says where it is wrong', async ({ page }) => {
  await page.goto('/keep/kit/tsp-l2?standard=ring-action')
  const choose = (settings: object) =>
    page.locator('input[type=file]').setInputFiles({
      name: 'tsp-l2.json',
      mimeType: 'application/json',
      buffer: Buffer.from(
        JSON.stringify({ format: 'coherion.state/1', body: 'linnet', firmware: '1.4', unit: 'TSP-L2', settings }),
      ),
    })
  await choose({ kin: 'kin-fish' })
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was changed' })).toContainText(
    'tsp-l2.json, settings.kin: "kin-fish" stands there; expected one of',
  )
  await choose({ kin: 'kin-off', temper: 'temper-2' })
  await expect(page.getByRole('listitem').first()).toContainText('2 settings read from a file')
  await expect(page.getByRole('link', { name: 'Save what is known as a file' })).toBeVisible()
})

test('a unit’s life can be told and taken back, and the calendar says when to look again', async ({
  page,
  request,
}) => {
  await page.goto('/keep/kit/tsp-s2?standard=ring-action')
  await expect(page.getByRole('img', { name: 'Code that leads to the card of TSP-S2' })).toBeVisible()
  await page.getByRole('button', { name: 'It came back from a loan' }).click()
  await expect(page.getByRole('listitem').first()).toContainText('came back from a loan')
  await page.goto('/keep/readiness?standard=ring-action&bodies=sorrel')
  await expect(unit(page, 'TSP-S2')).toContainText('came back from a loan: may be set to anything')
  await page.getByRole('button', { name: /not known/ }).click()
  await expect(unit(page, 'TSP-S1')).toBeHidden()
  await page.getByRole('button', { name: /not known/ }).click()

  await page.goto('/keep/kit/tsp-s2?standard=ring-action')
  await page.getByRole('button', { name: 'Take back: came back from a loan' }).click()
  await expect(page.getByRole('button', { name: 'Count again: came back from a loan' })).toBeVisible()
  await page.goto('/keep/readiness?standard=ring-action&bodies=sorrel')
  await expect(unit(page, 'TSP-S2')).toContainText('matches the standard')

  await page.getByRole('combobox', { name: 'Look again after' }).click()
  await page.getByRole('option', { name: '1 week' }).click()
  await page.goto('/keep/readiness?standard=ring-action&bodies=tollgate')
  await expect(unit(page, 'TSP-T2')).toContainText('was signed too long ago')
  const calendar = await (await request.get('/api/v1/readiness/calendar?standard=ring-action')).text()
  expect(calendar).toMatch(/^BEGIN:VCALENDAR\r\n/)
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(24)
  // A whole day has no time of day, and ends with the next (RFC 5545, 3.6.1).
  expect(calendar).toMatch(/DTSTART;VALUE=DATE:\d{8}\r\nDTEND;VALUE=DATE:\d{8}\r\n/)
  for (const line of calendar.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
  expect(calendar.replaceAll('\r\n\t', '')).toContain('SUMMARY:TSP-S2 for Ring action: look again')
})

test('a long life begins with its newest forty events, and the rest is a tap away', async ({ page, request }) => {
  for (let i = 0; i < 45; i++) await request.post('/api/v1/units/tsp-l2/events', { data: { kind: 'repaired' } })
  await page.goto('/keep/kit/tsp-l2?standard=ring-action')
  const events = page.getByRole('button', { name: /^Take back: / })
  await expect(events).toHaveCount(40)
  const before = page.getByRole('link', { name: /^Show the \d+ that happened before, too$/ })
  const more = Number(/\d+/.exec((await before.textContent()) ?? '')?.[0])
  expect(more).toBeGreaterThanOrEqual(5)
  await before.click()
  await expect(events).toHaveCount(40 + more)
  await expect(before).toBeHidden()
})

test('what is wrong is said, and nothing is recorded', async ({ request }) => {
  const happen = async (event: object, unitId = 'tsp-l1') => {
    const response = await request.post(`/api/v1/units/${unitId}/events`, { data: event })
    return { status: response.status(), ...((await response.json()) as { detail?: string }) }
  }
  const standing = { standard: 'ring-action' }
  expect(await happen({ kind: 'reset' }, 'nobody')).toMatchObject({ status: 404 })
  expect(await happen({ kind: 'reset' }, 'lens-1')).toMatchObject({ status: 404 })
  expect(await happen({ kind: 'exploded' })).toMatchObject({ status: 422 })
  expect(await happen({ kind: 'told', setting: 'kin', option: 'unicorns', ...standing })).toMatchObject({
    status: 422,
    detail: expect.stringContaining('no setting “kin” that can say “unicorns”'),
  })
  expect(await happen({ kind: 'signed', timed: true, person: 'imelda-frost', ...standing })).toMatchObject({
    status: 422,
    detail: expect.stringContaining('steps left'),
  })
  expect(await happen({ kind: 'reset', person: 'nobody' })).toMatchObject({ status: 422 })
  expect((await request.put('/api/v1/units/tsp-l1/events/99999', { data: { undone: true } })).status()).toBe(404)
  expect((await request.put('/api/v1/readiness/interval', { data: { weeks: 0 } })).status()).toBe(422)
  const { events } = (await (await request.get('/api/v1/units/tsp-l1/events')).json()) as { events: unknown[] }
  expect(events).toHaveLength(1)
})

test('a unit says what it is set to now, against what standard, and what is not known since when', async ({ page }) => {
  await page.goto('/keep/kit/tsp-l3?standard=ring-action')
  const now = page.getByRole('region', { name: 'What it is set to now' })
  const temper = now.getByRole('row').filter({ hasText: 'Temper 5' })
  await expect(temper).toContainText('Temper 4')
  await expect(temper).toContainText('seen, Saskia Venn')
  await expect(now).toContainText('1 setting differs, 0 not known')
  await page.getByRole('button', { name: 'It came back from repair' }).click()
  await expect(now).toContainText('came back from repair: may be set to anything')
  await expect(now.getByRole('row').filter({ hasText: 'Temper' }).first()).toContainText('not known since the repair')
  await expect(now).toContainText('0 as wanted')
  await page.goto('/keep/kit/tsp-l3?standard=high-rope')
  await expect(now).toContainText('Against High rope')
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('the head of every page is one bar; where to go and what is in hand stand behind it', async ({
    page,
    concordance,
    expectAccessible,
  }) => {
    for (const path of ['/keep/readiness', '/set/cards/linnet?unit=tsp-l1', '/name/phrasebook', '/decide/standards']) {
      await page.goto(path)
      const heading = await page.getByRole('heading', { level: 1 }).boundingBox()
      expect(heading?.y, path).toBeLessThan(130)
      expect((await page.getByRole('banner').boundingBox())?.height, path).toBeLessThanOrEqual(96)
    }
    await page.getByRole('button', { name: 'Menu: Decide, Standards' }).click()
    const menu = page.getByRole('dialog', { name: 'Menu' })
    await expectAccessible()
    await menu.getByRole('button', { name: /Standard in hand/ }).click()
    await page.getByRole('menuitem', { name: 'High rope' }).click()
    await menu.getByRole('link', { name: 'Readiness' }).click()
    await expect(menu).toBeHidden()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ready for High rope?')
    await concordance.open()
    for (const chip of await page.getByRole('button').all()) {
      const box = await chip.boundingBox()
      if (box) expect(box.x + box.width).toBeLessThanOrEqual(391)
    }
  })
})

test('the bar names the standard whose page is open, and the kit is looked at by kind', async ({ page }) => {
  await page.goto('/decide/standards/night-fire?standard=ring-action')
  await expect(page.getByRole('button', { name: 'Standard in hand: Night fire' })).toBeVisible()
  await page.goto('/decide/standards/ring-action?version=3')
  await expect(page.getByRole('button', { name: 'Standard in hand: Ring action, version 3' })).toBeVisible()
  await page.goto('/decide/standards')
  await page.getByRole('button', { name: 'Make High rope the usual one' }).click()
  await expect(page.getByRole('button', { name: 'Standard in hand: High rope' })).toBeVisible()
  await page.goto('/keep/kit')
  await page.getByRole('button', { name: 'Lenses', exact: true }).click()
  const rows = page.getByRole('table', { name: 'Units' }).getByRole('row')
  await expect(rows.filter({ hasText: 'TSP-S1' })).toHaveCount(0)
  await expect(rows.nth(1)).not.toContainText(/\blens\b/)
  await page.getByRole('button', { name: 'Bodies', exact: true }).click()
  await expect(rows.filter({ hasText: 'TSP-S1' })).toHaveCount(1)
})
