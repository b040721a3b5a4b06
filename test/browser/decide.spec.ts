import { type Page } from '@playwright/test'

import { demoStandards } from '../../src/demo/world'
import { withTarget } from '../../src/core/standards/edit'
import { expect, test } from './support/drivers'

/** Deciding: the guide, layers, versions, levelling and comparison, as a lead does it. */

const sign = async (page: Page, name: string) => {
  await page.getByRole('button', { name: 'Who are you?' }).click()
  await page.getByRole('menuitem', { name }).click()
}

test('from the guide’s questions to a levelled fleet and its cards', async ({
  page,
  standard,
  concordance,
  card,
  expectAccessible,
}) => {
  await page.goto('/decide/standards')
  await sign(page, 'Ottoline Marsh')
  await expectAccessible()
  await standard.begin('Silks drop', { kind: 'scene', below: 'Ring action, version 2' })

  // What is usual is proposed before anything is said; every answer changes it at once.
  await expect(standard.topic('How eagerly it follows speed')).toBeHidden()
  for (const answer of [
    'people',
    'suddenly',
    'small, up to a third of the height',
    'one',
    'nobody',
    'one lit figure in the dark',
    'practised hands',
    'pictures',
    'a colleague who knows it',
  ])
    await standard.answer(answer)
  await page.getByLabel('How long is the session?', { exact: true }).fill('30')
  await expect(standard.topic('How eagerly it follows speed')).toContainText('Quick')
  await expect(standard.topic('When the first frame is taken')).toContainText('Practitioners disagree here')
  await expect(standard.topic('What starts focusing')).toContainText('The thumb starts; hold to follow, let go to lock')
  await standard.topic('What starts focusing').getByRole('button', { name: 'What would change its mind' }).click()
  await expect(standard.topic('What starts focusing')).toContainText('Would change its mind: ')
  await expectAccessible()

  await page.getByRole('button', { name: /^Accept all \d+ that are open$/ }).click()
  await expect(standard.topic('How eagerly it follows speed').getByRole('button', { name: 'Accepted' })).toBeVisible()
  await standard.topic('How many frames').getByRole('button', { name: 'Take it back' }).click()
  await expect(standard.topic('How many frames')).toContainText('refused')
  // Where what was accepted relaxes a must below, the must stands until somebody writes why it gives way.
  await expect(page.getByText('The must stands until you write why it may give way.').first()).toBeVisible()
  const reasons = page.getByRole('textbox', { name: 'Why may it give way?' })
  for (const reason of await reasons.all()) {
    await reason.fill('Silks are dropped by two people who know these bodies.')
    await reason.blur()
  }
  await expect(page.getByText('The must stands until you write why it may give way.')).toHaveCount(0)
  // Another of the answers that fit.
  await standard
    .topic('When the first frame is taken')
    .getByRole('button', { name: 'Accept', exact: true })
    .first()
    .click()
  await standard.expectSaved()

  // One target is changed by hand, and the bodies follow it.
  await standard.part('Targets')
  await standard.target('Hold when blocked').click()
  await expect(standard.bodies).toContainText('Missing on')
  const before = (await standard.bodies.textContent()) ?? ''
  await standard.panel.getByRole('slider', { name: /^Waits/ }).focus()
  await page.keyboard.press('End')
  await expect(standard.panel.getByLabel('Amount, s')).toHaveValue('5')
  await expect(standard.bodies).not.toHaveText(before)
  await expect(standard.panel).toContainText('Focus is still on the subject afterwards.')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(standard.panel.getByLabel('Amount, s')).not.toHaveValue('5')
  await standard.target('First frame').click()
  await expect(standard.panel.getByRole('combobox')).toHaveText('balanced')
  await expectAccessible()

  await standard.part('Versions')
  await expect(page.getByText(/It is the first version: \d+ units are set/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Approve version 1' })).toBeDisabled()
  await page.getByLabel('Why is it approved?').fill('Agreed after the rehearsal.')
  await page.getByRole('button', { name: 'Approve version 1' }).click()
  await expect(page.getByRole('heading', { name: 'Version 1 counts' })).toBeVisible()
  await expect(page.getByText('Ottoline Marsh · Agreed after the rehearsal.')).toBeVisible()

  // The fleet is levelled, and the table follows the slider.
  await page.getByRole('link', { name: 'In the Concordance' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Silks drop')
  const agreement = page.getByRole('button', { name: /agreement$/ })
  const best = (await agreement.textContent()) ?? ''
  await page.getByRole('slider', { name: /From best on each body/ }).focus()
  await page.keyboard.press('End')
  await expect(concordance.explanation).toContainText('being alike counts 99 against 1')
  await expect(concordance.explanation).toContainText('What each body gives up')
  await expect(agreement).not.toHaveText(best)
  await expect(concordance.explanation).toContainText('What would help most', { timeout: 60_000 })
  await expect(concordance.explanation).toContainText('Who holds the others back')
  await expect(page).toHaveURL(/level=9900/)
  await expectAccessible()
  const levelled = (await agreement.textContent()) ?? ''
  await page.getByRole('button', { name: 'Keep it in a new draft' }).click()
  await expect(page).toHaveURL(/standard=silks-drop%402/)
  await expect(page.getByText('version 2', { exact: true })).toBeVisible()
  await expect(agreement).toHaveText(levelled)

  // Once approved, the cards are made from it and say so.
  await page.goto('/decide/standards/silks-drop?version=2&part=versions')
  // Above the parts, and a moment later in what differs from the version before.
  await expect(page.getByText('being alike counts 99 against 1', { exact: false }).first()).toBeVisible()
  await page.getByLabel('Why is it approved?').fill('All bodies alike for the silks.')
  await page.getByRole('button', { name: 'Approve version 2' }).click()
  await expect(page.getByRole('heading', { name: 'Version 2 counts' })).toBeVisible()
  await card.open('sorrel', '?standard=silks-drop')
  await expect(page.getByText('to version 2, levelled with the other bodies.', { exact: false })).toBeVisible()
})

test('a must stands until somebody writes why it may give way', async ({ page, standard }) => {
  await standard.open('through-the-crowd')
  await page.getByRole('button', { name: 'Begin a new draft' }).click()
  await expect(page.getByText('version 2 · a draft')).toBeVisible()
  await standard.target('Focus tone').click()
  await expect(standard.panel).toContainText('House baseline: no, a must')
  await standard.panel.getByRole('button', { name: 'Change it in Through the crowd' }).click()
  await standard.panel.getByRole('combobox').click()
  await page.getByRole('option', { name: 'yes' }).click()
  await expect(standard.panel.getByRole('alert')).toContainText('It stands until you write why')
  await expect(standard.target('Focus tone')).toContainText('a must that stands')
  await standard.expectSaved()
  await standard.part('Versions')
  await expect(page.getByText('relaxes the must “focus tone” of “House baseline”', { exact: false })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Send for review' })).toBeDisabled()

  await standard.part('Targets')
  await standard.panel.getByLabel(/^Why may the must/).fill('Nobody hears it in the crowd.')
  await standard.panel.getByLabel(/^Why may the must/).blur()
  await expect(standard.panel.getByRole('alert')).toBeHidden()
  await expect(standard.panel).toContainText('instead of House baseline: no, a must')
  await standard.panel.getByRole('button', { name: /Take it out: House baseline counts again/ }).click()
  await expect(standard.target('Focus tone')).toContainText('House baseline')
  await standard.expectSaved()
})

test('layers are for whom they say, and read so in the Concordance', async ({ page, standard, concordance }) => {
  await standard.open('ring-action', '?version=3')
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByLabel('Name').fill('Curtain call')
  await page.getByLabel('Scenes').fill('Curtain call')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('button', { name: 'Curtain call only Curtain call' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await standard.target('Hold when blocked').click()
  await standard.panel.getByRole('button', { name: 'Change it in Curtain call' }).click()
  await standard.panel.getByLabel('Amount, s').fill('0.4')
  await standard.panel.getByLabel('Amount, s').blur()
  await standard.panel.getByLabel(/^Why may the must/).fill('Any of them will do.')
  await standard.panel.getByLabel(/^Why may the must/).blur()
  await standard.expectSaved()

  await concordance.open('?standard=ring-action@3&bodies=sorrel&folded=how,when,where,whom')
  const hold = page.getByRole('row').filter({ hasText: 'Hold when blocked' })
  await expect(hold).toContainText('1.6 s')
  await page.getByRole('button', { name: 'For: everybody' }).click()
  await page.getByRole('menuitemcheckbox', { name: /Curtain call/ }).click()
  await page.keyboard.press('Escape')
  await expect(hold).toContainText('0.4 s')
  await expect(page).toHaveURL(/for=scenes/)
})

test('talked over, compared, and taken from a file after a look at what it changes', async ({
  page,
  standard,
  expectAccessible,
}) => {
  await standard.open('ring-action', '?version=3&target=track.hold')
  await sign(page, 'Bram Tollard')
  await standard.panel.getByLabel('Say something about it').fill('Longer than the silks need?')
  await standard.panel.getByRole('button', { name: 'Say it' }).click()
  await expect(standard.panel).toContainText('Bram Tollard')
  await expect(standard.target('Hold when blocked')).toContainText('2 to talk over')
  for (const left of [1, 0]) {
    await standard.panel.getByRole('button', { name: 'Settled' }).first().click()
    await expect(standard.panel.getByRole('button', { name: 'Settled' })).toHaveCount(left)
  }
  await expect(standard.target('Hold when blocked')).not.toContainText('to talk over')

  await standard.part('Versions')
  await expect(page.getByText(/Against version 2, \d+ units of \d+ models have to be set again/)).toBeVisible()
  await expect(page.getByRole('row', { name: /Tollgate TSP-T1, TSP-T2, TSP-T3/ })).toContainText(
    'lost: Hold when blocked',
  )
  await expect(page.getByText('1.6 s ± 30 % · must')).toBeVisible()
  await expectAccessible()
  await standard.part('Talk and history')
  await expect(page.getByRole('list', { name: 'History' })).toContainText('Bram Tollard · version 3: commented')

  const house = demoStandards().find(s => s.id === 'house-baseline')
  if (!house) throw new Error('no house baseline')
  const changed = withTarget(house, 'house-baseline', {
    dimension: 'see.review',
    value: false,
    weight: 'nice',
    reason: 'Saves battery.',
  })
  await page.goto('/decide/standards')
  const file = { name: 'house.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(changed)) }
  await page.getByLabel('Standard from a file').setInputFiles(file)
  await expect(page.getByRole('dialog')).toContainText('Picture review: no, a nice; it was yes, a nice')
  await page.getByRole('button', { name: 'Leave it' }).click()
  await page.getByLabel('Standard from a file').setInputFiles(file)
  await page.getByRole('button', { name: 'Take it as a draft' }).click()
  await expect(page.getByText('version 2 · a draft')).toBeVisible()

  await page.goto('/decide/standards')
  await page
    .getByLabel('Standard from a file')
    .setInputFiles({ ...file, buffer: Buffer.from('{"format":"coherion.standard/9"}') })
  await expect(page.getByRole('dialog')).toContainText('expected coherion.standard/1')

  await page.goto('/decide/compare')
  await expect(page.getByRole('heading', { name: 'What the bodies do' })).toBeVisible()
  await page.getByRole('tab', { name: 'Two schools' }).click()
  await expect(page.getByRole('region', { name: 'Sorrel' })).toContainText('Light alone')
  await page.getByRole('tab', { name: 'Two selections of bodies' }).click()
  await expect(page.getByText(/Ring action, version 2: agreement/)).toBeVisible()
  await expectAccessible()
})

test('two people draft at once, and the server goes away in between: nothing typed is lost', async ({
  browser,
  server,
}) => {
  const open = async () => {
    const page = await (await browser.newContext()).newPage()
    await page.goto(`${server.address}/decide/standards/ring-action?version=3&target=track.response`)
    await expect(page.getByText('Saved', { exact: true })).toBeVisible()
    return page
  }
  const [one, other] = [await open(), await open()]
  const amount = (page: typeof one) => page.getByRole('complementary').getByLabel('Amount, of 1')
  await amount(one).fill('0.6')
  await amount(one).blur()
  await expect(one.getByText('Saved', { exact: true })).toBeVisible()
  await other.getByRole('button', { name: /^Later frames/ }).click()
  await expect(other.getByRole('complementary').getByRole('heading', { name: 'Later frames' })).toBeVisible()
  await other.getByRole('complementary').getByRole('button', { name: 'nice', exact: true }).click()
  await other.getByRole('button', { name: 'See what differs' }).click()
  await expect(other.getByRole('dialog')).toContainText('Response to speed, in Ring action: 0.6')
  await other.getByRole('button', { name: 'Merge and save' }).click()
  await expect(other.getByText('Saved', { exact: true })).toBeVisible()

  await server.kill()
  await other.getByRole('complementary').getByRole('button', { name: 'must', exact: true }).click()
  await expect(other.getByText('Not saved yet; trying again')).toBeVisible()
  await other.close()
  await server.up()
  const again = await other.context().newPage()
  await again.goto(`${server.address}/decide/standards/ring-action?version=3&target=release.next`)
  await expect(again.getByRole('button', { name: /^Later frames/ })).toContainText('must')
  await expect(again.getByText('Saved', { exact: true })).toBeVisible()
  await again.reload()
  await expect(again.getByRole('button', { name: /^Later frames/ })).toContainText('must')
  await expect(again.getByRole('button', { name: /^Response to speed/ })).toContainText('0.6')
})

test.describe('on a phone, at night', () => {
  test.use({ viewport: { width: 390, height: 800 }, hasTouch: true, colorScheme: 'dark' })

  test('the slider stays under the finger, and what it does is one touch away', async ({
    page,
    concordance,
    expectAccessible,
  }) => {
    await concordance.open('?standard=high-rope&bodies=sorrel,tollgate,wicket')
    const slider = page.getByRole('slider', { name: /From best on each body/ })
    await slider.focus()
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
    await expect(slider).toHaveValue('3')
    await expect(page).toHaveURL(/level=18/)
    await page.getByRole('button', { name: 'What levelling does, and keep it' }).click()
    await expect(page.getByRole('dialog')).toContainText('being alike counts 0.18 against 1')
    await expect(page.getByRole('button', { name: 'Keep it in a new draft' })).toBeVisible()
    await expectAccessible()
  })

  test('every view of the decision fits and can be read', async ({ page, expectAccessible }) => {
    for (const path of [
      '/decide/standards',
      '/decide/standards/ring-action?version=3&target=area.pattern',
      '/decide/standards/ring-action?version=3&part=guide',
      '/decide/standards/ring-action?version=3&part=versions',
      '/decide/compare?topic=start',
    ]) {
      await page.goto(path)
      await expect(page.locator('h1')).toBeVisible()
      await expect(page.getByRole('progressbar')).toHaveCount(0)
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth), path).toBe(true)
      await expectAccessible()
    }
  })
})
