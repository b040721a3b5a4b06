import type { RescueHand } from '../../src/server/rescues'
import { expect, test } from './support/drivers'

test('half-press does nothing: a stranger is told of the thumb key, in the words of the body in hand', async ({
  page,
  expectAccessible,
}) => {
  await page.goto('/keep/readiness?standard=ring-action')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.keyboard.press('!')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('What is going wrong?')
  await expectAccessible()
  await page.getByRole('combobox', { name: 'Body', exact: true }).click()
  await page.getByRole('option', { name: 'Aurelle Sorrel', exact: true }).click()
  await expect(page.getByText('By what “Ring action” sets on it.')).toBeVisible()
  await page.getByLabel('In your words').fill('half')
  await expect(page.getByRole('list', { name: 'Symptoms' }).getByRole('listitem')).toHaveCount(1)
  await page.getByLabel('In your words').press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Press the thumb key' })).toBeVisible()
  await expect(page.getByText(/On the Aurelle Sorrel: Pad 1\./)).toBeVisible()
  await expect(page.getByText(/Somebody who does not know the camera half-presses/)).toBeVisible()
  await expect(page.getByRole('link', { name: 'At home: in Ring action' }).first()).toBeVisible()
  await expectAccessible()
  // A body whose half-press focuses is told of other things first.
  await page.getByRole('combobox', { name: 'Body', exact: true }).click()
  await page.getByRole('option', { name: 'Bransk Tollgate', exact: true }).click()
  await page.getByRole('button', { name: 'Something else' }).click()
  await page.getByLabel('In your words').fill('zebra')
  await expect(page.getByText('No word of that is known here. Which of these is nearest?')).toBeVisible()
})

test.describe('on a phone, without network', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('what helps is there with one thumb, for the camera as it is known to be set', async ({ page, context }) => {
    await page.goto('/work/rescues?unit=tsp-l1')
    await expect(page.getByText('By what this camera is known to be set to.')).toBeVisible()
    // The page is kept once it has come to rest.
    await expect
      .poll(() =>
        page.evaluate(async () =>
          (await (await caches.open('cards')).keys()).some(k => k.url.includes('/work/rescues')),
        ),
      )
      .toBe(true)
    await context.setOffline(true)
    await page.reload()
    const symptom = page.getByRole('button', { name: 'Stays on the background' })
    expect((await symptom.boundingBox())?.height).toBeGreaterThanOrEqual(44)
    await symptom.tap()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Stays on the background')
    await expect(page.getByText(/Turn the ring a little toward it/)).toBeVisible()
    await page.getByRole('button', { name: 'Something else' }).tap()
    await page.getByRole('button', { name: 'Two tones' }).tap()
    await expect(page.getByText(/One tone is one focus/)).toBeVisible()
    if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/shots/rescue-phone.png', fullPage: true })
    await context.setOffline(false)
    // The kept page says what is known by now: somebody sets the half-press to the other one meanwhile.
    const isMetering = async () => {
      const hand = (await (await page.request.get('/api/v1/rescues?unit=tsp-l1')).json()) as RescueHand
      return hand.means['trigger.shutter'] === 'meters-only'
    }
    const before = await isMetering()
    const told = before ? 'half-flight-and-light' : 'half-light-only'
    const said = await page.request.post('/api/v1/units/tsp-l1/events', {
      data: { kind: 'told', standard: 'ring-action', setting: 'half', option: told, person: 'imelda-frost' },
    })
    expect(said.ok(), await said.text()).toBe(true)
    await page.goto('/work/rescues?unit=tsp-l1')
    await page.getByRole('button', { name: 'Half-press does nothing' }).tap()
    await expect(page.getByText(/a thumb key focuses/)).toHaveCount(before ? 0 : 1)
    expect(await isMetering()).toBe(!before)
  })
})
