import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { withExif, type Written } from '../fixtures/made/exif'
import { expect, test } from './support/drivers'

const shot = async (page: Page, name: string) => {
  if (process.env['SHOTS']) await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: true })
}

const grey = () =>
  sharp({ create: { width: 60, height: 40, channels: 3, background: '#888' } })
    .jpeg()
    .toBuffer()

const two = (n: number) => String(n).padStart(2, '0')
/** As a camera writes it, by a clock that runs on UTC. */
const written = (at: Date): string =>
  `${at.getUTCFullYear()}:${two(at.getUTCMonth() + 1)}:${two(at.getUTCDate())} ${two(at.getUTCHours())}:${two(at.getUTCMinutes())}:${two(at.getUTCSeconds())}`

const minutesAgo = (minutes: number): Date => new Date(Date.now() - minutes * 60_000)

/** A picture of the unit TSP-S2. Its notes say Quest, Patch, Seek and Grip, and Nerve, which nobody has told yet. */
const picture = async (name: string, at: Date, nerve: number, more: Partial<Written> = {}) => ({
  name,
  mimeType: 'image/jpeg',
  buffer: Buffer.from(
    withExif(await grey(), {
      make: 'Aurelle',
      model: 'Sorrel',
      serial: 'AS-40532',
      lens: 'Hearth 24-70 mm f/2.8',
      taken: written(at),
      offset: '+00:00',
      exposure: [1, 500],
      fNumber: 2.8,
      focalMm: 50,
      iso: 1600,
      notes: { 0x21: 2, 0x22: 3, 0x23: 2, 0x24: 5, 0x25: nerve },
      ...more,
    }),
  ),
})

const drop = (page: Page, label: RegExp, files: Awaited<ReturnType<typeof picture>>[]) =>
  page.getByLabel(label).first().setInputFiles(files)

test('a field is found by a few pictures, a drift by more, and the unit falls out of Readiness', async ({
  page,
  expectAccessible,
}) => {
  test.slow()
  const row = page.getByRole('listitem').filter({ hasText: 'TSP-S2' })
  await page.goto('/keep/readiness?standard=ring-action')
  await expect(row.first()).toContainText('matches the standard')

  await page.goto('/name/bodies/sorrel/evidence')
  await expect(page.getByRole('listitem').filter({ hasText: 'Grip' }).first()).toBeVisible()
  await page.getByRole('combobox', { name: 'Setting' }).fill('Nerve')
  await page.getByRole('option', { name: /^Nerve/ }).click()
  const nerves = [5, 2, 5, 2, 5, 2]
  const examples = await Promise.all(nerves.map((n, i) => picture(`nerve-${i + 1}.jpg`, minutesAgo(400 - i), n)))
  const say = async (i: number) => {
    await page.getByLabel(`Option of nerve-${i + 1}.jpg`).click()
    await page.getByRole('option', { name: `Nerve ${nerves[i]} of 7` }).click()
  }
  await drop(page, /Choose the pictures/, examples.slice(0, 2))
  for (const i of [0, 1]) await say(i)
  // Two pictures may agree by chance.
  await expect(page.getByText('2 more pictures of each option would tell it from chance.')).toBeVisible()
  await drop(page, /Add more pictures/, examples.slice(2))
  for (const i of [2, 3, 4, 5]) await say(i)
  await expect(page.getByText('One field goes with the options.', { exact: true })).toBeVisible()
  await shot(page, 'evidence')
  await expectAccessible()
  await page.getByRole('button', { name: 'This field tells it' }).first().click()
  await expect(page.getByText('tells of Nerve from now on')).toBeVisible()
  await expect(page.getByText('is “5”: Nerve 5 of 7')).toBeVisible()

  await page.goto('/prove/audit')
  await page.getByRole('link', { name: 'Audit pictures' }).click()
  const shoot = (n: number, nerve: number) => picture(`TENT_${two(n)}.JPG`, minutesAgo(120 - n), nerve)
  await drop(page, /Choose the pictures/, await Promise.all([1, 2, 3, 4, 5].map(n => shoot(n, n < 4 ? 5 : 2))))
  await expect(page.getByText('5 pictures read, 5 with the makers’ own fields.')).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText('TSP-S2, by its serial number')).toBeVisible()
  await shot(page, 'audit-new')
  await expectAccessible()
  const look = page.getByRole('button', { name: 'See what they say' })
  await look.click()
  await expect(page.getByText('The job needs a name.')).toBeVisible()
  await page.getByLabel('The job').fill('Afternoon in the tent')
  await look.click()
  await expect(page.getByRole('heading', { level: 1, name: 'Afternoon in the tent' })).toBeVisible()
  await expect(
    page.getByRole('heading', { name: 'TSP-S2 drifted: Nerve says Nerve 2 of 7, not Nerve 5 of 7' }),
  ).toBeVisible()
  await expect(page.getByText(/\(TENT_04\.JPG\), in 2 of 5 pictures, to the last/)).toBeVisible()
  await shot(page, 'audit')
  await expectAccessible()
  await page.getByRole('button', { name: 'Write it into its life' }).click()
  await expect(page.getByText('was written into the lives of their cameras')).toBeVisible()

  await page.goto('/keep/readiness?standard=ring-action')
  await expect(row.first()).toContainText('differs by 1 setting')
})

test('a clock that was wrong is put right by a picture of the clock page', async ({ page }) => {
  test.slow()
  await page.goto('/prove/audit/clock')
  await expect(page.getByRole('timer')).toContainText(/\d\d:\d\d:\d\d/)
  await page.goto('/prove/audit/new')
  // The camera's clock is two hours and ten seconds behind.
  const behind = (minutes: number) => new Date(minutesAgo(minutes).getTime() - (2 * 3600 + 10) * 1000)
  await drop(page, /Choose the pictures/, [
    await picture('CLOCK.JPG', behind(60), 5),
    await picture('TENT.JPG', behind(30), 5),
  ])
  await expect(page.getByText('2 pictures read, 2 with the makers’ own fields.')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Clock: right' }).click()
  await page.getByRole('combobox', { name: 'Picture of the clock page' }).fill('CLOCK')
  await page.getByRole('option', { name: 'CLOCK.JPG' }).click()
  const clock = page.getByLabel('The clock in it says')
  const said = new Date(`${await clock.inputValue()}Z`)
  await clock.fill(new Date(said.getTime() + (2 * 3600 + 10) * 1000).toISOString().slice(0, 19))
  await expect(page.getByRole('img', { name: 'The picture CLOCK.JPG' })).toBeVisible()
  await page.getByRole('button', { name: 'It is 2 h 10 s slow: put it right' }).click()
  await expect(page.getByRole('button', { name: 'Clock: 2 h 10 s slow' })).toBeVisible()
  // What was told stays, whatever happens to the page.
  await page.getByLabel('The job').fill('Slow clock')
  await page.getByRole('button', { name: 'See what they say' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Slow clock' })).toBeVisible()
  await expect(page.getByText(/clock 2 h 10 s slow/)).toBeVisible()
})

test('a table of metadata does as well, and what is no picture says so without stopping the rest', async ({ page }) => {
  test.slow()
  await page.goto('/prove/audit/new')
  const heading =
    'SourceFile,EXIF:DateTimeOriginal,EXIF:Make,EXIF:Model,EXIF:SerialNumber,FNumber,MakerUnknown:Unknown_0x0024'
  const row = (n: number, grip: number) =>
    `card/T_${n}.JPG,${written(minutesAgo(200 - n))}+00:00,Aurelle,Sorrel,AS-40532,2.8,${grip}`
  const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page
    .getByLabel(/Choose the pictures/)
    .first()
    .setInputFiles([
      file('festival.csv', [heading, row(1, 5), row(2, 5), row(3, 2)].join('\n')),
      file('nothing.csv', 'Title,Author\na,b\n'),
      { name: 'odd.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('%PDF-1.4 this is no picture') },
      await picture('T_4.JPG', minutesAgo(100), 5, { notes: { 0x24: 2 } }),
    ])
  await expect(page.getByText(/nothing\.csv, row 1: expected a column or key “SourceFile”/)).toBeVisible()
  await expect(page.getByText('5 pictures read, 5 with the makers’ own fields.')).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText('its pictures say no serial number: which was it?')).toBeVisible()
  await page.getByLabel('The job').fill('From a table')
  await page.getByRole('button', { name: 'See what they say' }).click()
  await expect(
    page.getByRole('heading', { name: 'TSP-S2 drifted: Grip says Grip 2 of 7, not Grip 5 of 7' }),
  ).toBeVisible()
  await expect(page.getByText(/One camera is nobody’s here/).first()).toBeVisible()
  await expect(page.getByText(/\(T_3\.JPG\), in 2 of 4 pictures/)).toBeVisible()
})

test('the audit of the festival stands on a phone, goes to paper, and its shares go into thumb load', async ({
  page,
  server,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/prove/audit')
  await page.getByRole('link', { name: /Saltmarsh Ring Festival/ }).click()
  await expect(page.getByRole('heading', { name: /TSP-T2 drifted: Studs says All studs/ })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await shot(page, 'audit-phone')
  const paper = await fetch(`${server.address}/api/v1/audits/1/report?paper=letter`)
  expect(
    Buffer.from(await paper.arrayBuffer())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
  await page.getByRole('button', { name: 'Write it into the draft' }).click()
  await expect(page.getByText(/It is Perpetua Nye’s session in version \d of Ring action \(draft\)/)).toBeVisible()
  // Held against another standard, the same pictures say something else.
  await page.getByRole('button', { name: 'Scenes, clocks, cameras' }).click()
  const scene = page.getByRole('group', { name: 'Scene 1' })
  await scene.getByLabel('Shot by').click()
  await page.getByRole('option', { name: 'High rope' }).click()
  await page.getByRole('button', { name: 'Hold them against this' }).click()
  await expect(page.getByText(/held against High rope, version \d and Ring action/)).toBeVisible()
})
