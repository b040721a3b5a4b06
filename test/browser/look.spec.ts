import { expect, test } from './support/drivers'

test('the night theme stays chosen, in every view', async ({ page, concordance }) => {
  await concordance.open()
  const background = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor)
  const day = await background()
  await page.getByRole('button', { name: 'Night theme' }).click()
  await expect.poll(background).not.toBe(day)
  const night = await background()
  await page.getByRole('link', { name: 'Name' }).click()
  await page.reload()
  expect(await background()).toBe(night)
  await page.getByRole('button', { name: 'Day theme' }).click()
  await expect.poll(background).toBe(day)
})

test('fonts come with the app and nothing is asked of any other server', async ({ page, concordance, server }) => {
  const asked: string[] = []
  page.on('request', request => asked.push(new URL(request.url()).origin))
  await concordance.open('?cell=sorrel:meter.follows')
  await expect(concordance.explanation).toContainText('While Seek is on')
  expect(new Set(asked)).toEqual(new Set([server.address]))
  const loaded = await page.evaluate(async () => {
    await document.fonts.ready
    return [...document.fonts].filter(f => f.status === 'loaded').map(f => f.family)
  })
  expect(loaded.join()).toContain('Bricolage Grotesque')
  expect(loaded.join()).toContain('Atkinson Hyperlegible Next')
  expect(loaded.join()).toContain('Atkinson Hyperlegible Mono')
})

test('from an explanation to the profile and to the card, with the same things in hand', async ({
  page,
  concordance,
}) => {
  await concordance.open('?standard=house-baseline&bodies=linnet,pebble&cell=pebble:track.switch')
  await concordance.explanation.getByRole('link', { name: 'Its card' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Pebble TSP-P1 for House baseline')
  await expect(page).toHaveURL(/bodies=linnet%2Cpebble/)
})

test('a search in the menus that finds nothing says so', async ({ page }) => {
  await page.goto('/name/bodies/wicket')
  await page.getByLabel(/Find a setting/).fill('periscope')
  await expect(page.getByText('Nothing in the menus of Wicket matches “periscope”.')).toBeVisible()
})

test('ticks go back when they are taken back, by keyboard alone', async ({ page, card }) => {
  await card.open('linnet', '?unit=tsp-l2')
  await expect(page.getByText('Say who you are', { exact: false })).toBeVisible()
  await card.step(1).focus()
  await page.keyboard.press('Space')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Space')
  await card.expectSaved()
  await card.expectDone(2)
  await page.keyboard.press('Space')
  await card.expectDone(1)
  await card.expectSaved()
  await page.reload()
  await expect(card.step(1)).toBeChecked()
  await expect(card.step(2)).not.toBeChecked()
})

test('what a body cannot do stands on its card, so that nobody looks for it', async ({ page, card }) => {
  await card.open('wicket')
  await expect(page.getByRole('heading', { name: 'What this body cannot do' })).toBeVisible()
  await expect(page.getByText('No option of this body meets the must “Hold when blocked”.')).toBeVisible()
})
