import type { Page } from '@playwright/test'
import { expect, test } from './support/drivers'

const shot = async (page: Page, name: string) => {
  if (process.env['SHOTS']) await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: true })
}

/** Sharp of 100, as the line of a set-up says it. */
const sharpOf = async (page: Page, name: RegExp) => {
  const line = page.getByText(name).first()
  await expect(line).toBeVisible({ timeout: 30_000 })
  return Number(/: (\d+) of 100 sharp/.exec((await line.textContent()) ?? '')?.[1])
}

test('club passing is rehearsed with two schools, and the thumb keeps more', async ({ page, expectAccessible }) => {
  test.slow()
  await page.goto('/practise/rehearsal?standard=ring-action&body=sorrel&passage=club-passing')
  await expect(page.getByRole('heading', { level: 1, name: 'Rehearsal' })).toBeVisible()
  await page.getByLabel('School', { exact: true }).click()
  await page.getByRole('option', { name: 'thumb start' }).click()
  await page.getByLabel('With another school').click()
  await page.getByRole('option', { name: 'shutter start' }).click()
  await expect(page.getByText(/thumb start keeps more: between \d+ and \d+ of 100, on the same chances/)).toBeVisible({
    timeout: 60_000,
  })
  expect(await sharpOf(page, /thumb start: \d+ of 100 sharp/)).toBeGreaterThan(
    await sharpOf(page, /shutter start: \d+ of 100 sharp/),
  )
  // The sweep is filled to its last cell, and the present choice is marked.
  await expect(page.getByText(/As set now about \d+ of 100/)).toBeVisible({ timeout: 60_000 })
  await expect(page.getByRole('table').locator('td[data-now=true]')).toHaveCount(1)
  await shot(page, 'rehearsal')
  await expectAccessible()
})

test('a passage is scrubbed by hand, its scene is changed, and what cannot be says so', async ({ page }) => {
  test.slow()
  await page.goto('/practise/rehearsal?standard=ring-action&body=sorrel&passage=parade')
  const stage = page.getByRole('region', { name: 'One passage' })
  await expect(stage.getByRole('img', { name: /Distance against time/ })).toBeVisible()
  await expect(stage.getByText(/^0\.0 s: .*subject at 22\.0 m/)).toBeVisible()
  const slider = stage.getByRole('slider')
  await slider.focus()
  await page.keyboard.press('End')
  await expect(stage.getByText(/^8\.0 s: .*subject at 7\.0 m/)).toBeVisible()
  const before = await sharpOf(page, /: \d+ of 100 sharp/)
  await page.getByRole('button', { name: 'Change the scene' }).click()
  // In the dark, and much harder to keep.
  await page.getByLabel('Hard to keep, times').fill('8')
  await page.getByLabel('Light on it, 0 to 1').fill('0.05')
  await expect.poll(async () => sharpOf(page, /: \d+ of 100 sharp/), { timeout: 30_000 }).toBeLessThan(before - 10)
  await page.getByLabel('Place 1: m away').fill('0')
  await expect(page.getByText(/nothing goes through the camera/)).toBeVisible()
  // What was changed stays on this device, and can be put back.
  await page.getByLabel('Place 1: m away').fill('22')
  await page.reload()
  await page.getByRole('button', { name: 'Change the scene (changed by you)' }).click()
  await expect(page.getByLabel('Hard to keep, times')).toHaveValue('8')
  await page.getByRole('button', { name: 'As it came' }).click()
  await expect(page.getByLabel('Hard to keep, times')).toHaveValue('1.2')
})

test('a target leads to a passage in which it can be seen', async ({ page }) => {
  await page.goto('/decide/standards/ring-action?target=track.hold')
  await page.getByRole('link', { name: 'See it in a rehearsal' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Rehearsal' })).toBeVisible()
  await expect(page.getByLabel('Scene')).toHaveText(/Clown through the standing crowd/)
})

test('a rehearsal stands on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/practise/rehearsal?standard=ring-action&body=wicket&passage=tumbling-pass')
  await sharpOf(page, /: \d+ of 100 sharp/)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await shot(page, 'rehearsal-phone')
})
