import { expect, FIVE, test } from './support/drivers'

/** The whole story of a lead; every view is looked at in both themes. */
test('from the standard to the ticked card', async ({ page, concordance, card, server, expectAccessible }) => {
  await page.goto('/')
  await expect(page).toHaveURL(/\/keep\/readiness/)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ready for Ring action?')
  await expectAccessible()
  await concordance.open(FIVE)
  for (const model of ['Sorrel', 'Tollgate', 'Linnet', 'Pebble', 'Wicket'])
    await expect(concordance.grid.getByRole('columnheader', { name: model })).toBeVisible()
  await expect(page.getByRole('button', { name: /9\/10 musts held on every body/ })).toBeVisible()
  await expectAccessible()

  await concordance.open(`${FIVE}&differs=1&cell=linnet:track.hold`)
  await expect(concordance.explanation).toContainText('Near, 0.17 off')
  await expect(concordance.explanation).toContainText('Nearer would be Own: wait: 1.2 s')
  await expect(concordance.explanation).toContainText('work only at Temper own')
  await expect(concordance.explanation.getByRole('listitem').first()).toContainText('It would cost more elsewhere')
  await expectAccessible()

  await concordance.cell('Hold when blocked', 'Stick 0').click()
  await expect(concordance.explanation).toContainText('A Works › A3 Running › row 1')

  await concordance.chooseStandard('House baseline')
  await expect(page).toHaveURL(/standard=house-baseline/)
  await expect(concordance.explanation).toContainText('0.8 s ± 40 %')
  await expect(concordance.cell('Hold when blocked', 'Grip 4 of 7')).toBeVisible()

  await page.getByRole('link', { name: 'Name' }).click()
  await page.getByRole('link', { name: 'Bodies' }).click()
  await page.getByRole('link', { name: /^Tollgate/ }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tollgate')
  await expect(page.getByRole('img', { name: /Back: Rear key A, Rear key B, Post/ })).toBeVisible()
  await expect(page.getByText('can damage it', { exact: false })).toBeVisible()
  await page.getByLabel(/Find a setting/).fill('stick hold')
  await expect(page.getByText('hold when blocked: 2.1 s')).toBeVisible()
  await expect(page.getByText('Key bank', { exact: true })).toBeHidden()
  await expectAccessible()

  await page.getByRole('link', { name: 'Open the card' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tollgate TSP-T1 for House baseline')
  await page.getByRole('button', { name: 'Who are you?' }).click()
  await page.getByRole('menuitem', { name: 'Imelda Frost' }).click()
  await card.tick(2)
  await card.tick(3)
  await card.expectDone(2)
  await expect(page.getByText(/Imelda Frost, /).first()).toBeVisible()
  await expectAccessible()

  const link = page.url()
  await page.close()
  await server.kill()
  await server.up()
  const again = await page.context().newPage()
  await again.goto(link)
  await expect(again.getByRole('checkbox', { checked: true })).toHaveCount(2)
  await expect(again.getByText(/Imelda Frost, /).first()).toBeVisible()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 800 }, hasTouch: true })

  test('the same, one body at a time and nothing to scroll sideways', async ({
    page,
    concordance,
    card,
    expectAccessible,
  }) => {
    const expectNoSidewaysScroll = async () =>
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)

    await concordance.open()
    await expectNoSidewaysScroll()
    await page.getByLabel('Body', { exact: true }).click()
    await page.getByRole('option', { name: /Linnet/ }).click()
    await page.getByRole('button', { name: /Hold when blocked/ }).click()
    await expect(concordance.explanation).toContainText('Near, 0.17 off')
    await expectAccessible()
    await page.getByRole('button', { name: 'Close' }).click()
    await expect(concordance.explanation).toBeHidden()

    await page.goto('/name/bodies/pebble')
    await expectNoSidewaysScroll()
    await expectAccessible()

    await card.open('pebble')
    await expectNoSidewaysScroll()
    await card.tick(1)
    await card.expectDone(1)
    const box = await page.getByRole('checkbox').first().locator('..').boundingBox()
    expect(box?.height).toBeGreaterThanOrEqual(44)
    await expectAccessible()
  })
})
