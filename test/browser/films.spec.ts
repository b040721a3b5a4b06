import { readFileSync, writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { film } from '../fixtures/made/film'
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
  const sent: number[] = []
  page.on('request', r => sent.push(r.postDataBuffer()?.length ?? 0))
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
  // The film is two megabytes: nothing like it was sent.
  expect(Math.max(...sent)).toBeLessThan(20_000)
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
  // Made by ffmpeg with libx265: four frames. The browsers that tests run in do not decode it, as most do not.
  await choose('clip.mp4', 'video/mp4', readFileSync('test/fixtures/made/hevc.mp4'))
  await expect(page.getByText(/does not decode H.265 \(HEVC\). Film in H.264, or convert it first/)).toBeVisible()
  await choose('one.jpg', 'image/jpeg', readFileSync('public/made/chart-f8.jpg'))
  await expect(page.getByText(/only to the second/)).toBeVisible()
  // The same page goes on with a film that can be read.
  await page.getByRole('button', { name: 'Try it with a made film of this body' }).click()
  await expect(page.getByRole('heading', { name: 'Mark the two places' })).toBeVisible()
})

test('a burst of pictures is read the same way, by the times in them', async ({ page }, info) => {
  const take = { step: 'cling-2', hold: 1.4, travel: 0.4 }
  const made = film({ width: 320, height: 180, rate: 15, seed: 77, takes: [take] })
  const files = await Promise.all(
    Array.from({ length: made.frames }, async (_, i) => {
      const file = info.outputPath(`burst-${String(i).padStart(3, '0')}.jpg`)
      const [second, rest] = made.timeOf(i).toFixed(3).split('.')
      await sharp(Buffer.from(made.frame(i)), { raw: { width: 320, height: 180, channels: 1 } })
        .jpeg({ quality: 92 })
        .withExif({
          IFD2: {
            DateTimeOriginal: `2026:11:20 10:00:${String(second).padStart(2, '0')}`,
            SubSecTimeOriginal: rest ?? '0',
          },
        })
        .toFile(file)
      return file
    }),
  )
  await page.goto(ADDRESS)
  // In any order: the times in them count.
  await page.getByLabel(/Choose films/).setInputFiles(files.toReversed())
  await page.getByRole('button', { name: 'Follow both places' }).click()
  await expect(page.getByRole('heading', { name: /1 take$/ })).toBeVisible({ timeout: 60_000 })
  const seconds = Number.parseFloat(
    (await page
      .getByText(/^\d\.\d\d s$/)
      .first()
      .textContent()) ?? '',
  )
  expect(Math.abs(seconds - take.hold)).toBeLessThan(0.1)
  await page.getByRole('button', { name: 'See what this take comes to' }).click()
  await expect(
    page.getByRole('heading', { name: 'Hold when blocked, measured from a burst of pictures' }),
  ).toBeVisible()
  await expect(page.getByText(/Too few takes: Cling 1/)).toBeVisible()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('the places are marked and the takes looked at with one thumb', async ({ page, expectAccessible }, info) => {
    await page.goto(ADDRESS)
    await page.getByRole('button', { name: 'Try it with a made film of this body' }).click()
    const near = page.getByRole('slider', { name: /^Near/ })
    await near.press('Shift+ArrowLeft')
    await expect(near).toHaveAttribute('aria-valuetext', /^57 % from the left/)
    await near.press('Shift+ArrowRight')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await shot(page, 'film-phone-mark')
    await page.getByRole('button', { name: 'Follow both places' }).click()
    await page.getByRole('button', { name: 'Stop' }).click()
    await expect(page.getByRole('heading', { name: 'Mark the two places' })).toBeVisible()
    await page.getByRole('button', { name: 'Another film' }).click()
    const bad = info.outputPath('notes.mp4')
    writeFileSync(bad, 'this is no film')
    // One of two cannot be read: the other one is followed all the same.
    await page.getByLabel(/Choose films/).setInputFiles([MADE, bad])
    await page.getByRole('button', { name: 'Follow both places' }).click()
    await expect(page.getByText(/notes.mp4 is no film that can be read/)).toBeVisible({ timeout: 90_000 })
    await expect(page.getByRole('heading', { name: /9 takes/ })).toHaveCount(1)
    await page.getByRole('checkbox', { name: 'Leave out' }).first().check()
    // A page that is lost begins where it was.
    await page.reload()
    await expect(page.getByRole('button', { name: 'See what the 8 takes come to' })).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await expectAccessible()
    await shot(page, 'film-phone-takes')
  })
})
