import { expect, test } from './support/drivers'

const DEPTH = 'How deep is it sharp?'
const RECOMPOSE = 'Recompose, or move the point?'
const AREA = 'Which area fits?'
const LIMITER = 'Which limiter position?'
const MISS = 'What does a miss look like?'
const SUN = 'Where is the sun?'
const AIR = 'Does the air hold still?'

test('a marionette in close-up: by dragging and by keys, to an area that the standard asks for', async ({
  page,
  optics,
  standard,
  expectAccessible,
}) => {
  await optics.open('?standard=close-and-tiny')
  await optics.choose('Body', 'Aurelle Sorrel')
  await optics.choose('Lens', 'Aurelle Dewdrop 100 mm f/2.8')
  await optics.choose('Subject', 'face')
  await page.getByRole('button', { name: 'Sizes' }).click()
  await optics.type('Width', '8 cm')
  await optics.type('Height', '10 cm')
  await optics.type('Front to back', '5 cm')
  await optics.type('Width of the eye', '1.2 cm')
  await optics.type('Distance', '60 cm')
  await expect(optics.question(DEPTH)).toContainText(/mm is sharp; the subject is 5 cm deep/)

  // The lens is closed by keys, and the verdict follows.
  const aperture = page.getByRole('slider', { name: /^Aperture/ })
  await aperture.focus()
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight')
  await expect(aperture).toHaveAttribute('aria-valuetext', 'f/6.3')
  await optics.ask(DEPTH)
  await expect(optics.question(DEPTH)).toContainText(/diffraction softens all of it/)
  await expect(optics.question(DEPTH).locator('svg').first()).toBeVisible()
  // A figure says how it came about.
  await optics
    .question(DEPTH)
    .getByRole('button', { name: /^hyperfocal/ })
    .click()
  await expect(optics.question(DEPTH)).toContainText('f² / (N c) + f')

  // The place is dragged into the corner: the plane moves further than is sharp.
  await optics.drag('Where the subject is wanted', -90, -70)
  await expect(optics.question(RECOMPOSE)).toContainText('Move the point')
  await optics.handle('Area, moved over the frame').focus()
  await optics.ask(RECOMPOSE)
  await expect(optics.question(RECOMPOSE)).toContainText(/f\/\d+ would make it safe/)

  // Nearer with the subject held; a miss by keys.
  await optics.drag('Subject, moved along the axis', -60)
  await expect(optics.handle('Subject, moved along the axis')).toHaveAttribute('aria-valuetext', /^(4|5)\d cm away$/)
  await optics.handle('Plane of focus').focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(optics.question(MISS)).toContainText(/behind the subject (shows|still looks sharp)/)

  await optics.ask(AREA)
  await optics
    .question(AREA)
    .getByRole('button', { name: /^Patch M/ })
    .click()
  await expect(optics.question(AREA).getByRole('button', { name: /^Patch M on the subject/ })).toBeVisible()
  await expectAccessible()
  await optics.keep(AREA, 'as a target')
  await optics.question(AREA).getByRole('link', { name: 'See it there' }).click()
  await standard.target('Area').first().click()
  await expect(standard.panel).toContainText('Optics: Patch XS is the finest you can hold on the eye')
  const worked = page.getByRole('region', { name: 'Worked out' })
  const reason = worked.getByRole('listitem').filter({ hasText: 'The reason of Area' })

  // From there back to the desk, with the very same scene.
  await reason.getByRole('link', { name: 'On the desk' }).click()
  await expect(page.getByRole('combobox', { name: 'Subject' })).toContainText('face')
  await expect(optics.question(AREA).getByRole('button', { name: AREA })).toHaveAttribute('aria-expanded', 'true')
})

test('a rope walker far and high: kept as a note on the scene, and taken back', async ({ page, optics }) => {
  await optics.open('?standard=high-rope')
  await optics.choose('Body', 'Bransk Tollgate')
  await optics.choose('Lens', 'Bransk Viaduct 500 mm')
  await optics.type('Distance', '40 m')
  await expect(optics.question(RECOMPOSE)).toContainText('You may recompose')
  await expect(optics.question(LIMITER)).toContainText('“distant flight”')
  await optics.ask(AIR)
  await optics
    .question(AIR)
    .getByLabel(/ground in between is warm/)
    .check()
  await expect(optics.question(AIR)).toContainText('short enough')
  await optics.drag('Subject, moved along the axis', 120)
  await expect(optics.question(AIR)).toContainText('the air may shimmer')
  // Undo takes the whole movement back, redo does it again.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('textbox', { name: 'Distance' })).toHaveValue('40 m')

  await optics.ask(RECOMPOSE)
  await optics.keep(RECOMPOSE, 'as a note', 'Rope walker')
  const kept = optics.question(RECOMPOSE).getByRole('alert')
  await expect(kept).toContainText('Kept in “Rope walker”, version 2 of High rope (draft)')
  const card = '/set/cards/tollgate?standard=high-rope@2&for=scenes:Rope%20walker'
  await page.goto(card)
  await expect(page.getByRole('region', { name: 'Worked out' })).toContainText('You may recompose')
  await page.goto('/set/cards/tollgate?standard=high-rope@2')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('High rope')
  await expect(page.getByText('You may recompose')).toHaveCount(0)

  // The desk remembers the scene on this device.
  await optics.open('?standard=high-rope')
  await expect(page.getByRole('textbox', { name: 'Distance' })).toHaveValue('40 m')
  await optics.ask(DEPTH)
  await optics.keep(DEPTH, 'as a figure')
  await optics.question(DEPTH).getByRole('button', { name: 'Take it back' }).click()
  await expect(optics.question(DEPTH)).toContainText('Taken back from version 2')
  await page.goto('/set/cards/tollgate?standard=high-rope@2')
  const figures = page.getByRole('list', { name: 'Worked out for this body' })
  await expect(figures.getByRole('listitem')).toHaveCount(1)
  await expect(figures).toContainText('limiter “distant flight”')
})

test('stilts against the evening sun: a figure on the card, which says when the lens under it changed', async ({
  page,
  optics,
  server,
}) => {
  await optics.open('?standard=ring-action')
  await optics.choose('Body', 'Corvane Linnet')
  await optics.choose('Lens', 'Corvane Swallow 50-140 mm')
  await optics.type('Focal length, mm', '140')
  await optics.type('Distance', '12 m')
  await optics.ask(SUN)
  await optics.type('Latitude, degrees', '51.5')
  await optics.type('Longitude, degrees', '0')
  await optics.type('Clocks ahead of UTC, h', '1')
  await optics.question(SUN).getByLabel('Day and time there').fill('2027-06-21T19:30')
  await expect(optics.question(SUN)).toContainText(/19:30: back-lit, the sun \d+° high in the (west|north-west)/)
  await expect(optics.question(SUN)).toContainText('Never look at the sun through an optical finder')
  // Turned about by the dial, the light comes from behind.
  await optics.handle('Which way the camera looks').focus()
  for (let i = 0; i < 18; i++) await page.keyboard.press('Shift+ArrowRight')
  await expect(optics.question(SUN)).toContainText('lit from the front')

  await optics.ask(RECOMPOSE)
  await optics.keep(RECOMPOSE, 'as a figure')
  const version = /version (\d+)/.exec((await optics.question(RECOMPOSE).getByRole('alert').textContent()) ?? '')?.[1]
  const card = `/set/cards/linnet?standard=ring-action@${version}`
  await page.goto(card)
  const figures = page.getByRole('list', { name: 'Worked out for this body' })
  await expect(figures).toContainText(/recompose anywhere in the frame/)
  await expect(figures).toContainText('Corvane Swallow 50-140 mm f/2.8 at 140 mm, standing person at 12 m')
  await expect(figures).not.toContainText('Changed under it')

  // It is not for another body’s card.
  await page.goto(`/set/cards/sorrel?standard=ring-action@${version}`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Sorrel')
  await expect(page.getByText(/recompose anywhere/)).toHaveCount(0)

  const lens = (await (await fetch(`${server.address}/api/v1/lenses/linnet-50-140`)).json()) as object
  const revision = 1
  const changed = await fetch(`${server.address}/api/v1/lenses/linnet-50-140`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document: { ...lens, closest: { metres: 1.2 } }, revision }),
  })
  expect(changed.status).toBe(200)
  await page.goto(card)
  await expect(figures).toContainText('Changed under it: closest focus: was 1 m, is 1.2 m')
})

test('what is on the desk is told where a decision needs it: in the guide, and beside an area in the Concordance', async ({
  page,
  optics,
  standard,
  concordance,
}) => {
  await optics.open('?bodies=sorrel,tollgate')
  await optics.choose('Body', 'Aurelle Sorrel')
  await optics.choose('Lens', 'Aurelle Longreach 70-200 mm')
  await optics.type('Focal length, mm', '135')
  await optics.type('Distance', '8 m')
  await expect(page).toHaveURL(/distance/)
  await concordance.open('?standard=ring-action&bodies=sorrel,tollgate')
  await concordance.cell('Area', 'Block 21').first().click()
  await expect(concordance.explanation).toContainText(/Block 21 on the subject: \d+ cm × \d+ cm/)
  await expect(concordance.explanation).toContainText('standing person at 8 m, framed the same, as on your desk')

  await standard.open('ring-action', '?version=3&part=guide')
  for (const words of ['people', 'slowly', 'focus, then turn the camera']) await standard.answer(words)
  await page.getByRole('tab', { name: /^How to shoot/ }).click()
  const advice = page.getByRole('article', { name: 'Turn the camera only as far as depth allows' })
  await expect(advice).toContainText('Recompose, or move the point? You may recompose: the plane moves')
})

test('what cannot be is said with the nearest that can, and the picture stays', async ({
  page,
  optics,
  expectAccessible,
}) => {
  await optics.open()
  await optics.choose('Body', 'Aurelle Sorrel')
  await optics.choose('Lens', 'Aurelle Dewdrop 100 mm f/2.8')
  await optics.type('Distance', '20 cm')
  const told = page.getByRole('alert').filter({ hasText: 'inside the closest focus' })
  await expect(told).toContainText('28 cm from the sensor plane')
  await expect(page.getByRole('group', { name: /^From the side, to scale: the subject 28 cm away/ })).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Distance' })).toHaveValue('20 cm')
  await expectAccessible()
  await told.getByRole('button', { name: 'Take 28 cm' }).click()
  await expect(told).toHaveCount(0)
  await optics.type('Distance', 'far away')
  await expect(page.getByText('expected a length such as 2.5 m')).toBeVisible()
  await optics.type('Fills of the frame', '900000 %')
  await expect(page.getByText(/^at most .* % with this lens$/)).toBeVisible()
  await optics.type('Fills of the frame', '150 %')
  await page.getByRole('textbox', { name: 'Distance' }).focus()
  await expect(page.getByRole('textbox', { name: 'Distance' })).not.toHaveValue('28 cm')
  // In feet the same scene says the same.
  await page.getByRole('button', { name: 'feet' }).click()
  await expect(page.getByRole('textbox', { name: 'Distance' })).toHaveValue(/ft$/)
})

test('a scene from an old address says what is not here any more', async ({ page, optics }) => {
  await optics.open('?scene=body~sorrel*lens~long-gone*focalMm~85*distance~3')
  await expect(page.getByText('The lens of this scene is not here any more')).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'Lens' })).toContainText('a lens by its figures')
  await optics.choose('Lens', 'Aurelle Longreach 70-200 mm')
  await expect(page.getByText('not here any more')).toHaveCount(0)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('the desk fits, and every question opens', async ({ page, optics, expectAccessible }) => {
    await optics.open('?bodies=linnet')
    for (const title of [
      DEPTH,
      RECOMPOSE,
      AREA,
      LIMITER,
      'What does it frame like?',
      'Step back and crop?',
      'Is the time short enough?',
      MISS,
      SUN,
      AIR,
    ]) {
      await optics.ask(title)
      await expect(optics.question(title).getByRole('list', { name: 'Figures' })).toBeAttached()
    }
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await optics.ask(LIMITER)
    await expectAccessible()
  })
})
