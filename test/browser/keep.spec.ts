import { type Page } from '@playwright/test'
import { expect, iAm, test } from './support/drivers'

/** Set and keep: a card from what a unit is known to be set to, proved and signed, and who is ready. */

const unit = (page: Page, tag: string) =>
  page.getByRole('list', { name: 'Units' }).getByRole('listitem').filter({ hasText: tag })

for (const [name, viewport] of [
  ['at a desk', { width: 1280, height: 800 }],
  ['on a phone', { width: 390, height: 800 }],
] as const)
  test.describe(name, () => {
    test.use({ viewport, hasTouch: name === 'on a phone' })

    test('a card is walked with a wrong value, a blocked step and a server that goes away, and signed', async ({
      page,
      card,
      server,
      request,
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
      for (let i = 3; i < steps; i++) await card.step(i).check()
      await card.expectSaved()

      // A proof on the camera itself, then a name and a time.
      const proof = page.getByRole('region', { name: 'Prove and sign' })
      const sign = proof.getByRole('button', { name: 'Sign as Bram Tollard' })
      await expect(sign).toBeDisabled()
      for (const box of await proof.getByRole('checkbox', { name: /^(Half-press|Hold|Focus|Point|Let|Cover)/ }).all())
        await box.check()
      await sign.click()
      await expect(page.getByText(/Signed by Bram Tollard for version 2/)).toBeVisible()
      await expect(page.getByRole('heading', { name: /Look at these 3/ })).toBeVisible()
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

test('a unit’s life can be told and taken back, and the calendar says when to look again', async ({
  page,
  request,
}) => {
  await page.goto('/keep/kit/tsp-s2?standard=ring-action')
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
