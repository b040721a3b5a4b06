import { expect, iAm, test } from './support/drivers'

/** A job from the list that was pasted to the debrief, in the office, in the tent without network, and on a film set. */

const TOMORROW = new Date(Date.now() + 24 * 3600_000).toISOString().slice(0, 10)

const LIST = `18:00 Lantern parade, 20 min, at the quay, Perpetua Nye + Bram Tollard, Ring action
18:22 Jugglers, 10 min, Perpetua Nye, High rope
18:40 Stilt walkers straight at the camera, 15 min, Perpetua Nye, Ring action
nonsense without a time
19:10 Fire, 20 min, dark, Imelda Frost, Night fire`

test('what a key recalls is a fact of the body, and the plan of a day goes by it', async ({ page }) => {
  const tollgate = page.getByRole('region', { name: 'TSP-T2, ' })
  const baseline = tollgate.getByRole('listitem').filter({ hasText: 'House baseline' })
  await page.goto('/work/jobs/saltmarsh-ring')
  await expect(baseline).toHaveText(/^Gate key House baseline, while it is held/)
  await expect(baseline).toContainText('Set Gate key to Side plate')
  await page.goto('/work/jobs/saltmarsh-ring/sheet?person=bram-tollard')
  await expect(page.getByText(/Hold Gate key while you shoot/)).toBeVisible()

  // On a body whose keys recall nothing, slots are all there is.
  await page.goto('/name/bodies/tollgate/edit?part=facts')
  await iAm(page, 'Ottoline Marsh')
  const sets = page.getByRole('textbox', { name: 'Sets that keys recall while held' })
  await expect(sets).toHaveValue('1')
  await page.getByRole('checkbox', { name: 'a set on a key stores everything' }).uncheck()
  await expect(page.getByRole('group', { name: 'Settings that a key recalls' })).toBeVisible()
  await sets.fill('0')
  await sets.blur()
  await expect(page.getByRole('group', { name: 'Settings that a key recalls' })).toHaveCount(0)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.goto('/work/jobs/saltmarsh-ring')
  await expect(baseline).toHaveText(/^Plate \d House baseline/)
})

test('a running order becomes a plan, call sheets, a day that changes without network, and a debrief', async ({
  page,
  context,
  browser,
  baseURL,
  expectAccessible,
}) => {
  test.slow()
  // In the office: a job, and its scenes from a list.
  await page.goto('/work/jobs')
  await iAm(page, 'Ottoline Marsh')
  await expect(page.getByRole('link', { name: /Saltmarsh Ring Festival/ })).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Lantern evening')
  await page.getByLabel('First day').fill(TOMORROW)
  await page.getByLabel('Time zone of the place').fill('UTC')
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Lantern evening')
  await page.getByLabel('Or paste a list').fill(LIST)
  await page.getByRole('button', { name: 'Read the list' }).click()
  await expect(page.getByText('4 scenes can be added.')).toBeVisible()
  await expect(page.getByRole('alert').filter({ hasText: 'line 4' })).toContainText('nonsense without a time')
  await page.getByRole('button', { name: 'Add 4 scenes' }).click()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()

  // The plan: who has what, and what is stored at home.
  const order = page.getByRole('list', { name: 'Running order' })
  await expect(order.getByRole('button', { name: /Jugglers/ })).toContainText(/Perpetua Nye: TSP-S2: recall Keep \d/)
  await expect(page.getByText(/nobody could have a better camera, and no other slots take fewer presses/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Cameras, their slots and keys' })).toContainText('High rope')
  await expect(page.getByText(/The quay has no coordinates|quay has no coordinates/)).toBeVisible()
  await order.getByRole('button', { name: /Jugglers/ }).click()
  const panel = page.getByRole('complementary', { name: 'Jugglers' })
  await expect(panel.getByText(/TSP-S2: .*agrees to \d+ %.*carries it/)).toBeVisible()
  await panel.getByRole('combobox', { name: 'Camera' }).fill('TSP-S1')
  await page.getByRole('option', { name: 'TSP-S1' }).click()
  await expect(order.getByRole('button', { name: /Jugglers/ })).toContainText('TSP-S1')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(order.getByRole('button', { name: /Jugglers/ })).toContainText('TSP-S2')
  await expectAccessible()
  await panel.getByRole('button', { name: 'Close' }).click()

  // Printed call sheets are remembered, so that the next ones say what changed.
  await page.getByRole('button', { name: 'Print call sheets' }).click()
  const printed = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: 'For each, A4' }).click()
  expect((await printed).suggestedFilename()).toBe('lantern-evening.pdf')
  const sheet = await page.request.get('/api/v1/jobs/lantern-evening/sheets?each=yes&paper=letter')
  expect(sheet.headers()['content-type']).toBe('application/pdf')
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get('/api/v1/jobs/lantern-evening/plan')).json()))
    .toContain('"printed"')

  // In the tent, on a phone: everything is kept before the network goes.
  const phone = await browser.newContext({
    ...(baseURL === undefined ? {} : { baseURL }),
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    locale: 'en-GB',
    timezoneId: 'UTC',
  })
  const now = await phone.newPage()
  await now.goto('/work/now?job=lantern-evening&person=perpetua-nye')
  await iAm(now, 'Perpetua Nye')
  await expect(now.getByRole('region', { name: 'Next' })).toContainText('Lantern parade')
  const kept = (what: string) =>
    expect
      .poll(() =>
        now.evaluate(async part => (await (await caches.open('cards')).keys()).some(k => k.url.includes(part)), what),
      )
      .toBe(true)
  await kept('/work/now')
  await kept('/work/rescues')
  if (process.env['SHOTS']) await now.screenshot({ path: '/tmp/shots/now-phone.png', fullPage: true })
  await phone.setOffline(true)
  await now.reload()
  await expect(now.getByRole('region', { name: 'Next' })).toContainText('Lantern parade')
  const later = now.getByRole('button', { name: '30 min later' })
  expect((await later.boundingBox())?.height).toBeGreaterThanOrEqual(44)
  await later.tap()
  await expect(now.getByText('One thing waits for the network; it is safe here, and planned with.')).toBeVisible()
  // The plan of the rest stands at once: the jugglers come first now.
  await expect(now.getByRole('region', { name: 'Next' })).toContainText('Jugglers')
  await expect(now.getByText(/Perpetua Nye: Lantern parade at 18:30 in place of 18:00/)).toBeVisible()

  // Two rescues: a stranger half-presses and nothing happens; and it takes what is in front.
  await now.getByRole('link', { name: 'What is going wrong?' }).tap()
  await now.getByRole('button', { name: 'Half-press does nothing' }).tap()
  await expect(now.getByText(/Press the thumb key/).first()).toBeVisible()
  await now.getByRole('button', { name: 'This helped' }).first().tap()
  await expect(now.getByText('Counted once for this scene.')).toBeVisible()
  await now.getByRole('button', { name: 'Something else' }).tap()
  await now.getByRole('button', { name: 'Took what is in front' }).tap()
  await now.getByRole('button', { name: 'This helped' }).first().tap()
  await now.getByRole('button', { name: 'This helped' }).first().tap()
  await expect(
    now.getByText('Counted twice for this scene.').or(now.getByText('Counted 2 times for this scene.')),
  ).toBeVisible()

  // The network is back: what was said comes in, each once.
  await phone.setOffline(false)
  await now.goto('/work/now?job=lantern-evening&person=perpetua-nye')
  await expect(now.getByText('for the network')).toHaveCount(0)
  const said = async () =>
    (
      (await (await page.request.get('/api/v1/jobs/lantern-evening/plan')).json()) as {
        happened: { what: { kind: string } }[]
      }
    ).happened
      .map(h => h.what.kind)
      .sort()
  await expect.poll(said).toEqual(['moved', 'printed', 'rescued', 'rescued', 'rescued'])

  // A camera fails: the best of those that are left, with its card.
  await now.getByRole('button', { name: 'TSP-S2 fails' }).tap()
  await expect(now.getByRole('region', { name: 'Next' })).not.toContainText('TSP-S2')
  await expect(now.getByText(/with TSP-\w+ in place of TSP-S2/).first()).toBeVisible()
  await expect(now.getByRole('link', { name: /The card of/ })).toBeVisible()
  await phone.close()

  // The sheet says what is otherwise than on paper; the debrief what it taught.
  await page.goto('/work/jobs/lantern-evening/sheet?person=perpetua-nye')
  await expect(page.getByText(/Changed since the last print; it was .*18:00 to 18:20/)).toBeVisible()
  await expect(page.getByRole('list', { name: 'Likely troubles' }).first()).toBeVisible()
  await expectAccessible()
  await page.goto('/work/jobs/lantern-evening/debrief')
  await expect(page.getByText(/Took what is in front, 2 times \(Perpetua Nye\)/)).toBeVisible()
  await expect(page.getByText(/Half-press does nothing, once/)).toBeVisible()
  await expect(page.getByText('Lantern parade was moved to 18:30.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'To write into the standard' })).toBeVisible()
  await page.getByLabel('What was missing').fill('a second battery')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText(/Ottoline Marsh: a second battery/)).toBeVisible()
  await expectAccessible()
  await context.close()
})

test('two edit one job: both edits stand, and nothing is lost', async ({ page, context }) => {
  const other = await context.newPage()
  for (const p of [page, other]) {
    await p.goto('/work/jobs/saltmarsh-ring?scene=trapeze')
    await expect(p.getByLabel('Minutes')).toHaveValue('15')
    await expect(p.getByLabel('Far', { exact: true })).toHaveCount(1)
    // What is typed before the page has come alive is not heard.
    await p.waitForFunction(() =>
      [...document.querySelectorAll('main input')].every(e => Object.keys(e).some(k => k.startsWith('__reactProps'))),
    )
  }
  await page.getByLabel('Minutes').fill('18')
  await page.getByLabel('Minutes').press('Enter')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await other.getByLabel('Far', { exact: true }).fill('30')
  await other.getByLabel('Far', { exact: true }).press('Enter')
  await other.getByRole('button', { name: 'See what differs' }).click()
  await other
    .getByRole('button', { name: /Merge|Keep both|Take both/ })
    .first()
    .click()
  await expect(other.getByText('Saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Minutes')).toHaveValue('18')
  await expect(page.getByLabel('Far', { exact: true })).toHaveValue('30 m')
})

test('a rack of two people on screen, and a take with marks for the ring', async ({ page, expectAccessible }) => {
  await page.goto('/work/film?standard=talk-on-camera')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Film')
  const steps = page.getByRole('list', { name: 'Steps' })
  await expect(steps.getByRole('listitem').filter({ hasText: 'Aurelle Sorrel' })).toContainText('Glide')
  // A hundred frames a second shown at 25: four times slower, so it has to travel four times faster.
  await page.getByLabel('Taken at, frames/s').fill('100')
  await page.getByLabel('Taken at, frames/s').press('Enter')
  await expect(
    page.getByText(/Everything lasts 4 times as long on screen: .* wait 0\.5 s and travel 0\.3 s/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Best on each' }).click()
  await expect(page.getByRole('button', { name: 'Best on each' })).toHaveAttribute('aria-pressed', 'true')
  await expectAccessible()

  const mark = (n: number) => page.getByRole('group', { name: `Mark ${n}` })
  await mark(2).getByLabel('Distance').fill('1.2')
  await mark(2).getByLabel('Distance').press('Enter')
  const table = page.getByRole('list', { name: 'Marks with their depth' })
  await expect(table.getByRole('listitem').nth(1)).toContainText('1.2 m')
  await expect(table.getByRole('listitem').nth(1)).toContainText(
    /From the one before: 4\.0 s, [↺↻] (anti)?clockwise, \d+° a second/,
  )
  await expect(page.getByRole('img', { name: /Strip for the ring, \d+ mm long, 3 marks/ })).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Strip on A4' }).click()
  expect((await download).suggestedFilename()).toBe('ring-strip.pdf')
  await mark(2).getByLabel('Distance').fill('0.06')
  await mark(2).getByLabel('Distance').press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'a mark is nearer' })).toBeVisible()
  await mark(2).getByLabel('Distance').fill('1.2')
  await mark(2).getByLabel('Distance').press('Enter')
  // What was read off the ring counts before the thin lens.
  await page.getByRole('button', { name: 'Add a reading' }).click()
  await page.getByRole('group', { name: 'Reading 1' }).getByLabel('Distance').fill('1.2')
  await page.getByRole('group', { name: 'Reading 1' }).getByLabel('Distance').press('Enter')
  await expect(table.getByRole('listitem').nth(1)).toContainText('90° or')
  await page.getByRole('button', { name: 'Rehearse it as a metronome' }).click()
  await expect(page.getByRole('timer')).toContainText('Get ready.')
  await expect(page.getByRole('timer')).toContainText(/He\s*in \d/)
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('timer')).toHaveCount(0)
  // What was typed is still there.
  await page.reload()
  await expect(mark(2).getByLabel('Distance')).toHaveValue('1.2 m')
})
