import { type APIRequestContext, type Page } from '@playwright/test'
import { CardDriver, expect, iAm, test } from './support/drivers'

/** A card in bad reception: it opens, what is ticked waits, comes in once and in order, and goes with what others did. */

const QUAY = '?standard=ring-action&unit=quay-1'

/** Waits until the page that is open would open without the network. */
const expectKept = (page: Page) =>
  expect
    .poll(() => page.evaluate(async () => Boolean(await (await caches.open('cards')).match(location.href))))
    .toBe(true)

interface Life {
  readonly events: readonly { readonly words: string; readonly at: string; readonly by: string | null }[]
}
const lifeOf = async (request: APIRequestContext, unit: string): Promise<Life['events']> =>
  ((await (await request.get(`/api/v1/units/${unit}/events`)).json()) as Life).events

interface Profile {
  readonly settings: readonly { readonly id: string; readonly label: string }[]
  readonly rules: readonly { readonly when: readonly { setting: string }[]; readonly then: { setting: string } }[]
}

test.describe('by the page alone', () => {
  // A service worker would send by the clock of this machine, which cannot be set for it.
  test.use({ serviceWorkers: 'block' })

  test('the profile of the body changes while its card is open, on a phone whose clock is wrong', async ({
    page,
    card,
    context,
    request,
  }) => {
    await page.clock.setSystemTime(new Date(Date.now() + 3 * 3600 * 1000))
    await card.open('wicket', QUAY)
    await iAm(page, 'Tobiah Lark')
    const { steps } = (await (
      await request.get('/api/v1/cards?standard=ring-action&body=wicket&unit=quay-1')
    ).json()) as { steps: { settingId: string; setting: string; to: string }[] }
    const profile = (await (await request.get('/api/v1/bodies/wicket')).json()) as Profile
    // The second step goes with its setting; no rule is about it.
    const bound = new Set(profile.rules.flatMap(r => [r.then.setting, ...r.when.map(c => c.setting)]))
    const number = steps.findIndex((s, i) => i > 0 && !bound.has(s.settingId)) + 1
    const gone = steps[number - 1]
    expect(gone).toBeDefined()

    await context.setOffline(true)
    await card.step(1).check()
    await card.step(number).check()
    await expect(page.getByText('2 not yet saved')).toBeVisible()
    const settings = profile.settings.filter(s => s.id !== gone?.settingId)
    const saved = await request.post('/api/v1/bodies?conflict=replace&file=wicket.json', {
      data: { ...profile, settings },
    })
    expect(saved.ok(), await saved.text()).toBe(true)
    await context.setOffline(false)

    await expect(page.getByText('not yet saved')).toBeHidden()
    await expect(page.getByText('The profile of Wicket was changed since you opened this card')).toBeVisible()
    const remark = page.getByRole('alert').filter({ hasText: 'was not taken' })
    await expect(remark).toContainText(`${gone?.setting}: ${gone?.to} ticked`)
    await expect(page.getByText('The clock of this device is 3 hours fast')).toBeVisible()
    await expect(card.step(1)).toBeChecked()
    await expect(page.getByRole('checkbox', { name: new RegExp(`: ${gone?.setting} to`) })).toHaveCount(0)
    // It was written down at the right time.
    const [set] = (await lifeOf(request, 'quay-1')).filter(e => e.by === 'Tobiah Lark')
    expect(Math.abs(Date.parse(set?.at ?? '') - Date.now())).toBeLessThan(10 * 60 * 1000)
  })
})

test('a code that is no longer valid says so, and leads on', async ({ page }) => {
  for (const address of [
    '/set/cards/wicket?standard=ring-action&unit=quay-99',
    '/set/cards/sparrow?standard=ring-action',
    '/set/cards/wicket?standard=ring-fiction&unit=quay-1',
    '/set/cards/wicket?standard=ring-action@99&unit=quay-1',
  ]) {
    await page.goto(address)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('This card is not there any more')
  }
  await page.getByRole('link', { name: 'Choose a card' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Cards for/)
})

test('a card that was opened once opens while the server is gone; its ticks wait, outlive the page and come in once', async ({
  page,
  card,
  server,
  request,
  context,
}) => {
  await card.open('wicket', QUAY)
  await iAm(page, 'Tobiah Lark')
  await expectKept(page)
  // What was done after the page was kept is there all the same.
  await card.tick(4)
  await page.getByRole('button', { name: 'Step 5 is not as it says' }).click()
  const fifth = page.getByRole('listitem').filter({ has: card.step(5) })
  const [, wanted = ''] = ((await card.step(5).getAttribute('aria-label')) ?? '').split(' to ')
  const count = await page.getByRole('checkbox', { name: /^Step \d+:/ }).count()
  await fifth.getByRole('combobox', { name: 'It says something else' }).click()
  await page.getByRole('option', { name: wanted, exact: true }).click()
  await expect(page.getByRole('checkbox', { name: /^Step \d+:/ })).toHaveCount(count - 1)
  await card.expectSaved()
  await server.kill()
  await page.reload()
  await expect(page.getByText('The server does not answer. The card goes on as it is')).toBeVisible()
  await expect(card.step(4)).toBeChecked()
  await expect(page.getByRole('checkbox', { name: /^Step \d+:/ })).toHaveCount(count - 1)
  await card.step(1).check()
  await card.step(2).check()
  await card.step(2).uncheck()
  await card.step(3).check()
  await expect(page.getByText('4 not yet saved')).toBeVisible()
  await page.close()

  // Another day, another page: another address to the same card, as paper has it, leads to it.
  const again = await context.newPage()
  await again.goto(`${server.address}/set/cards/wicket?standard=ring-action@2&unit=quay-1`)
  const later = new CardDriver(again)
  await expect(again.getByText('4 not yet saved')).toBeVisible()
  await expect(later.step(1)).toBeChecked()
  await expect(later.step(2)).not.toBeChecked()

  // What is not kept says so, and what is.
  await again.goto(`${server.address}/decide/concordance`)
  await expect(again.getByRole('heading', { name: 'The server does not answer' })).toBeVisible()
  await again.getByRole('link', { name: 'QUAY-1 for Ring action' }).click()

  await server.up()
  await later.expectSaved()
  await later.expectDone(3)
  const set = (await lifeOf(request, 'quay-1')).filter(e => e.words.includes(' set to '))
  expect(set.map(e => e.by)).toEqual(Array.from({ length: 4 }, () => 'Tobiah Lark'))
  expect(new Set(set.map(e => e.words)).size).toBe(4)
})

test('the network is cut in between; what two people did is merged by step, and what does not count is said', async ({
  page,
  card,
  context,
  request,
}) => {
  await card.open('wicket', QUAY)
  await iAm(page, 'Tobiah Lark')
  await expectKept(page)
  await context.setOffline(true)
  await card.step(1).check()
  await card.step(2).check()
  await expect(page.getByText('2 not yet saved')).toBeVisible()

  // Somebody else has the same unit in hand, with network: one step the same, one that says something else.
  const { steps } = (await (
    await request.get('/api/v1/cards?standard=ring-action&body=wicket&unit=quay-1')
  ).json()) as { steps: { key: string; settingId: string; option: string; options: { id: string; label: string }[] }[] }
  const [first, second, third] = steps
  const standing = { standard: 'ring-action', person: 'imelda-frost' }
  const tick = (step: string | undefined) =>
    request.put('/api/v1/ticks', { data: { ...standing, body: 'wicket', unit: 'quay-1', step, ticked: true } })
  expect((await tick(third?.key)).ok()).toBe(true)
  const other = second?.options.find(o => o.id !== second.option)
  const told = { ...standing, kind: 'told', setting: second?.settingId, option: other?.id }
  expect((await request.post('/api/v1/units/quay-1/events', { data: told })).ok()).toBe(true)

  await context.setOffline(false)
  await expect(page.getByText('not yet saved')).toBeHidden()
  const remark = page.getByRole('alert').filter({ hasText: 'does not count any more' })
  await expect(remark).toContainText(`says ${other?.label}`)
  await expect(remark).toContainText('Imelda Frost')
  await expect(card.step(1)).toBeChecked()
  await expect(card.step(2)).not.toBeChecked()
  await expect(card.step(3)).toBeChecked()
  expect(
    (await lifeOf(request, 'quay-1')).filter(e => e.by === 'Tobiah Lark' && e.words.includes(' set to ')),
  ).toHaveLength(2)
  await remark.getByRole('button', { name: 'Close' }).click()
  await expect(remark).toBeHidden()
  await page.reload()
  await expect(card.step(1)).toBeChecked()
  await expect(remark).toBeHidden()
  expect(first?.key).toBeTruthy()
})
