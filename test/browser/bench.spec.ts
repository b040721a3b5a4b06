import { readFileSync } from 'node:fs'
import { expect, FIVE, test } from './support/drivers'

/** What the made body really does, by the labels of its steps; taps come a quarter of a second late. */
const TRUTH: Readonly<Record<string, number>> = {
  'Stick −2': 4.2,
  'Stick −1': 3.1,
  'Stick 0': 1.05,
  'Stick +1': 0.52,
  'Stick +2': 0.26,
}
const THUMB_MS = 250

test.describe('by thumb, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('a scale is measured, says what keeping it changes, and stands in the Concordance as measured', async ({
    page,
    concordance,
    expectAccessible,
  }) => {
    test.setTimeout(120_000)
    await page.clock.install()
    await page.goto('/prove/bench?bodies=tollgate')
    await page.getByRole('combobox', { name: 'Takes of each step' }).click()
    await page.getByRole('option', { name: '3', exact: true }).click()
    await page.getByRole('link', { name: 'Measure by thumb' }).click()
    await expect(page.getByText('Your thumb first: 0 of 5')).toBeVisible()

    const pad = (words: string | RegExp) => page.getByRole('button', { name: words })
    for (let i = 1; i <= 5; i++) {
      // On a slow machine the sign may be there before anybody looks; the median of five does not mind.
      await expect(pad(/Wait for the colour|Tap now/)).toBeVisible()
      await page.clock.fastForward(3100)
      await expect(pad('Tap now')).toBeVisible()
      await page.clock.fastForward(THUMB_MS)
      await pad('Tap now').click()
    }
    await expect(page.getByText('0 of 15 takes')).toBeVisible()
    await expectAccessible()

    const label = page.getByText(/^Stick [−+]?\d$/)
    const take = async () => {
      const seconds = TRUTH[(await label.textContent()) ?? ''] ?? NaN
      await pad('Tap as the board covers the chart').click()
      await page.clock.fastForward(seconds * 1000 + THUMB_MS)
      await pad('Tap when the board is sharp').click()
    }
    await take()
    await expect(page.getByText('1 of 15 takes')).toBeVisible()
    // The page is lost in the middle: what was tapped is still there.
    await page.reload()
    await expect(page.getByText('1 of 15 takes')).toBeVisible()
    for (let n = 1; n < 15; n++) {
      await take()
      await expect(page.getByText(n === 14 ? '15 of 15 takes' : `${n + 1} of 15 takes`)).toBeVisible()
    }
    await page.getByRole('button', { name: 'See what it comes to' }).click()

    await expect(page.getByText(/Later steps are quicker/)).toBeVisible()
    const changes = page.getByRole('region', { name: 'What keeping it changes' })
    await expect(changes).toContainText(
      /Through the crowd: Stick −1 instead of Stick −2; TSP-T1, TSP-T2, TSP-T3 would owe a card/,
    )
    await expectAccessible()
    await page.getByRole('button', { name: 'Keep it in the profile of Tollgate' }).click()
    await expect(page.getByText(/In the profile of Tollgate since/)).toBeVisible()

    await page.setViewportSize({ width: 1280, height: 900 })
    await concordance.open(`${FIVE}&standard=through-the-crowd&cell=tollgate:track.hold`)
    await expect(concordance.explanation).toContainText('Stick −1')
    await expect(concordance.explanation).toContainText(/measured 3 times on \d{4}-\d\d-\d\d/)
  })
})

test('a run of the demo: every take on its axis, what it changes, and the way back', async ({
  page,
  expectAccessible,
}) => {
  await page.goto('/prove/bench?standard=ring-action&bodies=sorrel,tollgate,linnet,wicket')
  const alike = page.getByRole('region', { name: 'Are the bodies in hand alike for Ring action' })
  await expect(alike).toContainText(/Hold when blocked, wanted 1.2 s ± 30 %\s*Alike within a factor of/)
  await expect(alike).toContainText('nobody has measured it: Tollgate')
  await expect(alike).toContainText('Nothing to set it with: Wicket')
  await expectAccessible()
  // A file that is no run changes nothing and says why; a run out of another house comes in.
  const choose = async (name: string, content: unknown) => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: 'Take a run or a test from a file' }).click()
    await (await chooser).setFiles({ name, mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(content)) })
  }
  await choose('no-run.json', { format: 'coherion.body/1' })
  await expect(page.getByText(/this file holds a body/)).toBeVisible()
  await choose('lens-test.json', JSON.parse(readFileSync('docs/formats/examples/lens-test.json', 'utf8')))
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Too few pictures to tell/)
  await page.goBack()
  await page.getByRole('link', { name: /^Tollgate/ }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Hold when blocked, measured by thumb')
  await expect(page.getByRole('img', { name: /^Takes of 5 steps: Stick −2/ })).toBeVisible()
  const changes = page.getByRole('region', { name: 'What keeping it changes' })
  await expect(changes).toContainText('would owe a card')
  await expect(changes).toContainText(/Ring action wants 1\.2 s: nearest is Stick 0, in \d+ draws of 100/)
  await expectAccessible()
  await page.getByRole('button', { name: 'Keep it in the profile of Tollgate' }).click()
  await expect(page.getByText(/In the profile of Tollgate since/)).toBeVisible()
  // As any change of a profile, it stands in its history and can be taken back there.
  await page.goto('/name/bodies/tollgate/edit?part=history')
  await expect(page.getByText(/measured Hold when blocked: 25 takes on 2026-10-18/)).toBeVisible()
})
