import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, test } from './support/drivers'

interface Truth {
  readonly step: string
  readonly blocked: number
  readonly leaves: number
  readonly arrives: number
}

const MADE = 'public/made/pebble-cling.mp4'
const TRUTH = JSON.parse(readFileSync('public/made/pebble-cling.json', 'utf8')) as readonly Truth[]
const FRAME = 1 / 60
const ADDRESS = '/prove/bench/film?bodies=pebble&body=pebble&what=track.hold&setting=cling&repeats=3'

const shot = async (page: Page, name: string) => {
  if (process.env['SHOTS']) await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: true })
}

test('a film is dropped, its takes are found to the frame, and what they come to stands in the Concordance', async ({
  page,
  concordance,
  expectAccessible,
}) => {
  test.setTimeout(180_000)
  await page.goto(ADDRESS)
  await page.getByLabel('Choose films').setInputFiles(MADE)
  await expect(page.getByRole('heading', { name: 'Mark the two places' })).toBeVisible()
  await shot(page, 'film-mark')
  await expectAccessible()
  await page.getByRole('button', { name: 'Follow both places' }).click()
  await expect(page.getByRole('heading', { name: /9 takes/ })).toBeVisible({ timeout: 90_000 })
  await shot(page, 'film-takes')
  await expectAccessible()

  const off: number[] = []
  for (const [i, truth] of TRUTH.entries())
    for (const which of ['blocked', 'leaves', 'arrives'] as const) {
      const handle = page.getByRole('slider', { name: `Take ${i + 1} ${which}` })
      const found = Number.parseFloat((await handle.getAttribute('aria-valuetext')) ?? '')
      off.push(Math.abs(found - truth[which]) / FRAME)
    }
  const sorted = off.toSorted((a, b) => a - b)
  console.log(
    `${off.length} moments, off by ${sorted[13]?.toFixed(2)} frames in the middle, ${sorted[25]?.toFixed(2)} at 95 %`,
  )
  expect(sorted[13]).toBeLessThanOrEqual(1)
  expect(sorted[25]).toBeLessThanOrEqual(2)

  // A moment is moved by a frame with a key, and the take's time goes along.
  const handle = page.getByRole('slider', { name: 'Take 1 leaves' })
  const at = async () => Number.parseFloat((await handle.getAttribute('aria-valuetext')) ?? '')
  const before = await at()
  await handle.press('ArrowRight')
  await expect.poll(async () => (await at()) - before).toBeCloseTo(FRAME, 2)
  await handle.press('ArrowLeft')

  await page.getByRole('button', { name: 'See what the 9 takes come to' }).click()
  await expect(page.getByRole('heading', { name: 'Hold when blocked, measured from a film' })).toBeVisible()
  await expect(page.getByText('Later steps take longer.')).toBeVisible()
  await shot(page, 'film-result')
  await expect(page.getByRole('region', { name: 'What keeping it changes' })).toContainText(
    'Night fire: Trail: Cling 2 instead of Trail: Cling 3; TSP-P1 would owe a card',
  )
  await page.getByRole('button', { name: /Keep it in the profile/ }).click()
  await expect(page.getByText('In the profile of Pebble')).toBeVisible()
  await concordance.open('?bodies=pebble,sorrel&standard=night-fire&cell=pebble:track.hold')
  await expect(concordance.explanation).toContainText('Cling 2')
  await expect(concordance.explanation).toContainText(/measured 3 times on \d{4}-\d\d-\d\d/)
})

test('what is no film says so and what to do, and nothing is lost', async ({ page }) => {
  await page.goto(ADDRESS)
  const choose = (name: string, mimeType: string, buffer: Buffer) =>
    page.getByLabel(/Choose films/).setInputFiles({ name, mimeType, buffer })
  await choose('notes.mp4', 'video/mp4', Buffer.from('this is no film'))
  await expect(page.getByText(/notes.mp4 is no film that can be read. MP4, MOV and WebM can be./)).toBeVisible()
  await choose('empty.mov', 'video/quicktime', Buffer.alloc(0))
  await expect(page.getByText(/empty.mov is empty. Copy it from the card once more./)).toBeVisible()
  await choose('one.jpg', 'image/jpeg', readFileSync('public/made/chart-f8.jpg'))
  await expect(page.getByText(/only to the second/)).toBeVisible()
  // The same page goes on with a film that can be read.
  await page.getByRole('button', { name: 'Try it with a made film of this body' }).click()
  await expect(page.getByRole('heading', { name: 'Mark the two places' })).toBeVisible()
})
