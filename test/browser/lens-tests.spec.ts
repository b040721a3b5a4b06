import { readdirSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { RULER_TRUTH } from '../fixtures/made/plans'
import { expect, test } from './support/drivers'

const made = (beginning: string) =>
  readdirSync('public/made')
    .filter(f => f.startsWith(beginning))
    .sort()
    .map(f => `public/made/${f}`)

const choose = async (page: Page, label: string, option: string | RegExp) => {
  await page.getByRole('combobox', { name: label, exact: true }).click()
  const one = page.getByRole('option', { name: option })
  // A list that has just opened under a pointer takes no choice yet.
  await expect(async () => {
    if (await one.isVisible()) await one.click()
    await expect(one).toBeHidden({ timeout: 2000 })
  }).toPass()
}
const shot = async (page: Page, name: string) => {
  if (process.env['SHOTS']) await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: true })
}

test('a lens that focuses in front is found so, corrected in two rounds, and its offset stands on the lens and the unit', async ({
  page,
  expectAccessible,
}) => {
  test.setTimeout(180_000)
  await page.goto('/prove/bench/focus?bodies=tollgate')
  await choose(page, 'Lens', /Span 70-300/)
  await choose(page, 'Unit', 'TSP-T1')
  await page.getByLabel('Focal length (mm)').fill('200')
  await page.getByLabel('Distance (m)').fill('1,5')
  await page
    .getByLabel('Choose the pictures')
    .setInputFiles(['public/made/ruler-at-0-01.jpg', 'public/made/chart-f8.jpg'])
  await expect(page.getByRole('heading', { name: '1 of 2 pictures can be used' })).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText('this is the chart and not the ruler')).toBeVisible()
  await expect(page.getByText(/These pictures are of different lenses/)).toBeVisible()
  await page.getByRole('button', { name: 'Begin again' }).click()

  await page.getByLabel('Choose the pictures').setInputFiles(made('ruler-at-0'))
  await expect(page.getByRole('heading', { name: '10 of 10 pictures can be used' })).toBeVisible({ timeout: 60_000 })
  await choose(page, 'Shim for this lens is set to', '+5')
  await page.getByLabel('Add more pictures').setInputFiles(made('ruler-at-plus-5'))
  await expect(page.getByRole('heading', { name: '20 of 20 pictures can be used' })).toBeVisible({ timeout: 60_000 })
  await shot(page, 'focus-pictures')
  await expectAccessible()
  await page.getByRole('button', { name: 'See what they come to' }).click()

  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Shim for this lens +5 is as near as it can be set')
  await shot(page, 'focus-result')
  await expectAccessible()
  const perStep = /moves focus by (\d\.\d+) mm/.exec((await page.getByText(/moves focus by/).textContent()) ?? '')
  expect(Math.abs(Number(perStep?.[1]) - RULER_TRUTH.perStep)).toBeLessThan(0.25)
  await page.getByRole('button', { name: /^Keep on Span 70-300/ }).click()
  await expect(page.getByText(/Kept on Span 70-300 mm .* since/)).toBeVisible()

  await page.goto('/name/lenses/tollgate-70-300')
  await expect(
    page.getByText(/^\+5 \(\d{4}-\d\d-\d\d; measured on 10 pictures: \d\.\d mm in front with it/),
  ).toBeVisible()
  await page.goto('/keep/kit/tsp-t1')
  await expect(page.getByRole('region', { name: 'Measured on it' })).toContainText(
    /Span 70-300 mm f\/4.5-5.6\s*AF offset \+5\s*\d{4}-\d\d-\d\d, on this camera/,
  )
})

test('ten pictures with nothing set say what to try next', async ({ page }) => {
  await page.goto('/prove/bench/focus?bodies=tollgate')
  await choose(page, 'Lens', /Span 70-300/)
  await page.getByLabel('Distance (m)').fill('1.5')
  await page.getByRole('button', { name: 'Try it with made pictures of this lens' }).click()
  await expect(page.getByRole('heading', { name: '10 of 10 pictures can be used' })).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'See what they come to' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'Set Shim for this lens to +5 and take ten pictures more',
  )
  await expect(page.getByRole('button', { name: /^Keep on/ })).toHaveCount(0)
})

test('the aperture at which a lens is sharpest is found and kept on the lens', async ({ page, expectAccessible }) => {
  test.setTimeout(120_000)
  await page.goto('/prove/bench/sharpness?bodies=sorrel')
  await choose(page, 'Lens', /Hearth 24-70/)
  await page.getByLabel('Choose the pictures').setInputFiles(made('chart-'))
  await expect(page.getByRole('heading', { name: '6 of 6 pictures can be used' })).toBeVisible({ timeout: 60_000 })
  await shot(page, 'chart-pictures')
  await expectAccessible()
  await page.getByRole('button', { name: 'See what they come to' }).click()
  // By the made lens: the centre is sharpest at f/5.6, the softest corner at f/8.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'Sharpest over the whole frame at f/8, in the centre at f/5.6',
  )
  await expect(page.getByText(/The lower right corner is \d+ % softer/)).toBeVisible()
  await shot(page, 'chart-result')
  await expectAccessible()
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.getByRole('button', { name: /^Keep on Hearth 24-70/ }).click()
  await expect(page.getByText(/Kept on Hearth 24-70 mm .* since/)).toBeVisible()
  await page.goto('/name/lenses/sorrel-24-70')
  await expect(page.getByText(/^f\/8 \(chart, \d{4}-\d\d-\d\d\)$/)).toBeVisible()
})

test('the sheets are printed on either paper', async ({ request }) => {
  for (const sheet of ['ruler', 'chart', 'rack'])
    for (const paper of ['a4', 'letter']) {
      const answer = await request.get(`/api/v1/sheets/${sheet}?paper=${paper}&focal=135`)
      expect(answer.status()).toBe(200)
      expect((await answer.body()).subarray(0, 5).toString()).toBe('%PDF-')
    }
  expect((await request.get('/api/v1/sheets/poster')).status()).toBe(404)
  expect((await request.get('/api/v1/sheets/ruler?paper=a0')).status()).toBe(422)
})
