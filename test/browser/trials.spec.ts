import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { withExif } from '../fixtures/made/exif'
import { expect, iAm, test } from './support/drivers'

const shot = async (page: Page, name: string) => {
  if (process.env['SHOTS']) await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: true })
}

test('a plan says what it could tell before anybody begins, and is written down', async ({
  page,
  expectAccessible,
}) => {
  await page.goto('/prove/trials')
  await expect(page.getByRole('link', { name: /Thumb start or shutter start/ })).toContainText('kept more than')
  await shot(page, 'trials')
  await expectAccessible()
  await page.getByRole('link', { name: 'Plan a trial' }).click()
  const write = page.getByRole('button', { name: 'Write the plan' })
  await write.click()
  await expect(page.getByText('The question, in a few words')).toBeVisible()
  await page.getByLabel('The question').fill('Large or small area for jugglers?')
  await page.getByRole('combobox', { name: 'It speaks about' }).fill('Area')
  await page.getByRole('option', { name: 'Area', exact: true }).click()
  await page.getByLabel('Way 1', { exact: true }).fill('Small area')
  await page.getByLabel('Way 2', { exact: true }).fill('Large area')
  await page.getByLabel('Situation 1', { exact: true }).fill('Juggler, hands in front')
  await page.getByLabel('Passes a block').fill('10')
  await page.getByLabel('Rounds').fill('1')
  await expect(page.getByText(/this trial would most likely leave it open/)).toBeVisible()
  // What was typed stays, whatever happens to the page.
  await page.reload()
  await expect(page.getByLabel('Way 2', { exact: true })).toHaveValue('Large area')
  await page.getByLabel('Passes a block').fill('160')
  await expect(page.getByText('That is enough for the difference that matters.')).toBeVisible()
  await shot(page, 'trial-plan')
  await expectAccessible()
  await page.getByLabel('Passes a block').fill('2000000')
  await expect(page.getByText('A whole number from 1 to 2000')).toBeVisible()
  await page.getByLabel('Passes a block').fill('4')
  await write.click()
  await expect(page.getByRole('heading', { level: 1, name: 'Large or small area for jugglers?' })).toBeVisible()
  await expect(page.getByText('Nothing has been counted yet.').first()).toBeVisible()
})

test('the finished trial of the demo says what can be said, and goes out and comes in as a file', async ({
  page,
  standard,
}, info) => {
  await page.goto('/prove/trials')
  await page.getByRole('link', { name: /Thumb start or shutter start/ }).click()
  await expect(page.getByRole('list', { name: 'What can be said' })).toContainText(
    /Thumb start kept more than Shutter start: \d+ of 100 against \d+ of 100, between \d+ and \d+ more/,
  )
  await expect(page.getByText(/they agree well \(kappa 0\.\d\d\)/)).toBeVisible()
  await shot(page, 'trial-result')
  await page.getByRole('button', { name: 'Write it into the draft' }).click()
  await page.getByRole('link', { name: 'Change what it speaks about there' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ring action' })).toBeVisible()
  await standard.part('Guide')
  await expect(page.getByText('Source: own trial of 2026-10-12.')).toBeVisible()
  await standard.part('Targets')
  await standard.target('AF start').click()
  await expect(standard.panel).toContainText('own trial of 2026-10-12: Thumb start kept more than Shutter start')
  await page.goBack()
  const said = await page.getByRole('list', { name: 'What can be said' }).textContent()
  const waiting = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Trial as a file' }).click()
  const file = info.outputPath('trial.json')
  await (await waiting).saveAs(file)
  expect(readFileSync(file, 'utf8')).toContain('coherion.trial/1')
  await page.getByRole('button', { name: 'Throw this trial away' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Trials' })).toBeVisible()
  await page.getByLabel('Read a trial from a file').setInputFiles(file)
  await expect(page.getByRole('list', { name: 'What can be said' })).toHaveText(said ?? '')
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('passes are counted with one thumb, also without the network, and what can be said follows', async ({
    page,
    server,
    context,
    expectAccessible,
  }) => {
    const way = (id: string, name: string) => ({ id, name })
    const plan = {
      format: 'coherion.trial/1',
      name: 'One juggler',
      ways: [way('a', 'Small area'), way('b', 'Large area')],
      situations: [way('s', 'Hands in front')],
      expected: 0.8,
      matters: 0.2,
      passes: 8,
      rounds: 1,
      secondsAPass: 5,
      seed: 4,
      counts: [] as object[],
      notes: [],
    }
    const response = await fetch(`${server.address}/api/v1/trials`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ document: plan }),
    })
    const { id } = (await response.json()) as { id: number }
    const address = `/prove/trials/${id}/count`
    await page.goto(address)
    await iAm(page, 'Imelda Frost')
    const pad = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}, \\d+ so far`) })
    const tap = async (name: string) => {
      const before = Number((await pad(name).textContent())?.match(/\d+/)?.[0])
      await pad(name).click()
      await expect(pad(name)).toHaveAccessibleName(`${name}, ${before + 1} so far`)
      // No thumb is quicker.
      await page.waitForTimeout(260)
    }
    const first = (await page.getByRole('heading', { level: 1 }).textContent()) ?? ''
    await tap('Sharp')
    await tap('Soft')
    await page.getByRole('button', { name: 'took what was in front' }).click()
    await tap('Missed')
    await page.getByRole('button', { name: 'Take the last one back' }).click()
    await expect(pad('Missed')).toHaveAccessibleName('Missed, 0 so far')
    // A thumb that trembles counts once.
    await pad('Sharp').dblclick()
    await expect(pad('Sharp')).toHaveAccessibleName('Sharp, 2 so far')
    await page.getByRole('button', { name: 'Start the clock' }).click()
    await page.waitForTimeout(300)
    await tap('Sharp')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await expectAccessible()
    await shot(page, 'trial-count')
    const noted = page.waitForResponse(r => r.url().endsWith('/notes') && r.ok())
    await page.getByLabel('Note').fill('Light going')
    await page.getByLabel('Note').blur()
    await noted

    // The page has to have come to rest and been kept; then the network goes.
    await expect
      .poll(() => page.evaluate(async a => (await (await caches.open('cards')).match(a)) !== undefined, page.url()))
      .toBe(true)
    await context.setOffline(true)
    await tap('Sharp')
    await tap('Soft')
    await expect(page.getByText('2 wait for the network; they are safe here.')).toBeVisible()
    await page.reload()
    await expect(pad('Sharp')).toHaveAccessibleName('Sharp, 4 so far')
    await tap('Sharp')
    await context.setOffline(false)
    await expect(page.getByText(/wait for the network/)).toHaveCount(0)
    await tap('Sharp')
    await expect(page.getByText('This block is full.')).toBeVisible()
    await page.getByRole('button', { name: 'Set the next one' }).click()
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(first)
    for (let i = 0; i < 8; i++) await tap('Missed')
    await page.getByRole('link', { name: 'See what can be said' }).click()
    await expect(page.getByText('Hands in front. Light going')).toBeVisible()
    await expect(page.getByRole('list', { name: 'What can be said' })).toContainText(
      `${first} kept more than ${first === 'Small area' ? 'Large area' : 'Small area'}: 75 of 100 against 0 of 100`,
    )
    await expect(page.getByText('took what was in front')).toBeVisible()
    const stored = (await (await fetch(`${server.address}/api/v1/trials/${id}`)).json()) as typeof plan
    expect(stored.counts).toHaveLength(16)

    // The page was kept before; on the next visit it knows what the same person counted on another phone since.
    const more = { ...stored.counts[0], id: 'on-another-phone', block: 1, made: new Date().toISOString() }
    await fetch(`${server.address}/api/v1/trials/${id}/counts`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ count: more }),
    })
    await page.goto(address)
    await expect(page.getByText('Block 2 of 2: 9 of 8 passes')).toBeVisible()
  })
})

/** A picture of stripes, sharp or blurred, with the time it was taken. */
const striped = async (name: string, at: Date, blur: number) => {
  const [width, height] = [900, 600]
  const rgb = Buffer.alloc(width * height * 3)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      rgb.fill(((x >> 3) + (y >> 4)) % 2 ? 210 : 60, (y * width + x) * 3, (y * width + x) * 3 + 3)
  const image = sharp(rgb, { raw: { width, height, channels: 3 } })
  const jpeg = await (blur > 0 ? image.blur(blur) : image).jpeg({ quality: 85 }).toBuffer()
  const two = (n: number) => String(n).padStart(2, '0')
  const taken = `${at.getUTCFullYear()}:${two(at.getUTCMonth() + 1)}:${two(at.getUTCDate())} ${two(at.getUTCHours())}:${two(at.getUTCMinutes())}:${two(at.getUTCSeconds())}`
  const exif = {
    make: 'Aurelle',
    model: 'Sorrel',
    taken,
    offset: '+00:00',
    exposure: [1, 500] as const,
    fNumber: 4,
    focalMm: 85,
    iso: 800,
  }
  return { name, mimeType: 'image/jpeg', buffer: Buffer.from(withExif(jpeg, exif)) }
}

test('a trial is counted from its pictures, with one key for each pass, and says what to set in between', async ({
  page,
  server,
  expectAccessible,
}) => {
  test.slow()
  const plan = {
    format: 'coherion.trial/1',
    name: 'From pictures',
    ways: [
      { id: 'a', name: 'Ring action', standard: 'ring-action' },
      { id: 'b', name: 'High rope', standard: 'high-rope' },
    ],
    situations: [{ id: 's', name: 'Runner' }],
    unit: 'TSP-S1',
    expected: 0.8,
    matters: 0.2,
    passes: 3,
    rounds: 1,
    secondsAPass: 10,
    seed: 3,
    counts: [],
    notes: [],
  }
  const response = await fetch(`${server.address}/api/v1/trials`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document: plan }),
  })
  const { id } = (await response.json()) as { id: number }
  await page.goto(`/prove/trials/${id}`)
  await iAm(page, 'Saskia Venn')
  await page.getByRole('link', { name: 'Count from pictures' }).click()
  // Two blocks of three passes of two frames; the last pass of each is soft.
  const start = Date.UTC(2026, 10, 20, 10)
  const files = [0, 1].flatMap(block =>
    [0, 1, 2].flatMap(pass =>
      [0, 1].map(frame =>
        striped(
          `B${block}P${pass}F${frame}.JPG`,
          new Date(start + block * 120_000 + pass * 9000 + frame * 1000),
          pass === 2 ? 6 : 0,
        ),
      ),
    ),
  )
  await page
    .getByLabel(/Choose the pictures/)
    .first()
    .setInputFiles(await Promise.all(files))
  await expect(page.getByText('0 of 3 passes judged; 3 were planned.')).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('heading', { name: 'Pass 1 of 3' })).toBeVisible()
  await expect(page.getByRole('img', { name: 'B0P0F0.JPG, where it should be sharp' }).first()).toBeVisible()
  await page.getByLabel('Softest first').click()
  // The figure sorts and does not judge.
  await expect(page.getByText(/^B0P2F0\.JPG, \d+ % as crisp/)).toBeVisible({ timeout: 30_000 })
  await expect(page.getByText('0 of 3 passes judged; 3 were planned.')).toBeVisible()
  await shot(page, 'trial-pictures')
  await expectAccessible()
  await page.keyboard.press('2')
  await page.getByRole('button', { name: 'stayed behind' }).click()
  await page.keyboard.press('1')
  await page.keyboard.press('1')
  await expect(page.getByText('3 of 3 passes judged; 3 were planned.')).toBeVisible()
  await page.keyboard.press('3')
  await expect(page.getByRole('heading', { name: /Pass 3 of 3: missed/ })).toBeVisible()
  await page.keyboard.press('Backspace')
  await expect(page.getByText('2 of 3 passes judged; 3 were planned.')).toBeVisible()
  await page.keyboard.press('1')
  await page.getByRole('link', { name: 'What can be said so far' }).click()
  await expect(page.getByText('2 of 3 sharp', { exact: false }).first()).toBeVisible()

  // On the phone the next block begins with what is set otherwise on this camera.
  await page.getByRole('link', { name: 'Count passes' }).click()
  const toSet = page.getByRole('region', { name: 'To set before this block' })
  await expect(toSet.getByText(/To set on TSP-S1 now, \d+ presses:/)).toBeVisible()
  expect(await toSet.getByRole('listitem').count()).toBeGreaterThan(1)
})

test('a trial stands in the target that it is about', async ({ page }) => {
  await page.goto('/decide/standards/ring-action?target=trigger.start')
  const own = page.getByRole('region', { name: 'Your own trials' })
  await expect(own.getByRole('link', { name: /Thumb start or shutter start/ })).toBeVisible()
  await expect(own).toContainText('kept more than')
})
