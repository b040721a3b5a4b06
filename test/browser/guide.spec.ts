import { readFileSync } from 'node:fs'
import { type Page } from '@playwright/test'
import { expect, type StandardDriver, test } from './support/drivers'

/** The guide, asked about what the demo knows nothing of: from a sentence to a draft, its wall sheet and its cards. */

const begin = async (page: Page, standard: StandardDriver, name: string, sentence: string) => {
  await page.goto('/decide/standards')
  await standard.begin(name, { kind: 'kind of work', below: 'House baseline, version 1' })
  await page.getByLabel('What will you photograph?').fill(sentence)
  await page.getByRole('button', { name: 'Fill in' }).click()
}

const heard = (page: Page) => page.getByRole('region', { name: 'Questions' }).getByRole('status')
const kind = (page: Page, name: string) =>
  page
    .getByRole('tablist', { name: 'What the guide says' })
    .getByRole('tab', { name: new RegExp(`^${name}`) })
    .click()

/** The document of the draft as the server has it. */
const stored = async (page: Page, id: string) =>
  (await (await page.request.get(`/api/v1/standards/${id}@1`)).json()) as {
    layers: {
      name: string
      targets: { dimension: string; value: unknown }[]
      advice?: unknown[]
      rescues?: unknown[]
    }[]
  }
const targetsOf = async (page: Page, id: string) =>
  new Map((await stored(page, id)).layers.at(-1)?.targets.map(t => [t.dimension, t.value]))

test('still and near: a ladybird at rest, by hand', async ({ page, standard, expectAccessible }) => {
  await begin(page, standard, 'Ladybirds', 'a ladybird resting on a grass stem, macro, hand-held')
  await expect(heard(page)).toContainText('ladybird → Who or what is it? an insect or something as small')
  await expect(heard(page)).toContainText('hand-held → What carries the camera? the hands')
  for (const answer of ['nobody', 'pictures', 'everything from front to back', 'a little: leaning, swaying'])
    await standard.answer(answer)
  await expect(standard.topic('When it focuses')).toContainText('Continuous AF')
  await expect(standard.topic('When it focuses')).toContainText('Manual focus, set and waited for')
  await expect(standard.topic('Where it may look')).toContainText('A pinpoint')
  await expectAccessible()

  await page.getByRole('button', { name: /^Accept all \d+ that are open$/ }).click()
  await kind(page, 'How to shoot')
  for (const title of [
    'Side-on',
    'Step back and crop',
    'At least 1/1000 s, hand-held and close',
    'Stop down for depth',
  ])
    await expect(page.getByRole('article', { name: title })).toBeVisible()
  await expectAccessible()
  await page.getByRole('button', { name: /^Keep all \d+$/ }).click()
  await kind(page, 'When it goes wrong')
  const sway = page.getByRole('article', { name: 'Sharp beside what you wanted' })
  await expect(sway).toContainText('Rock slowly to and fro')
  // What it is done with has its name on each body in hand.
  await expect(sway).toContainText(/: .*Sorrel/)
  await sway.getByRole('button', { name: 'Keep' }).click()
  await standard.expectSaved()
  const targets = await targetsOf(page, 'ladybirds')
  expect([targets.get('mode.drive'), targets.get('trigger.touch'), targets.get('release.first')]).toEqual([
    'continuous',
    'off',
    'focus',
  ])
  expect((targets.get('area.pattern') as { pattern: string }).pattern).toBe('pinpoint')

  // What is kept stands on the card of a body, in its own words, and on the wall sheet.
  await page.goto('/set/cards/sorrel?standard=ladybirds@1')
  await expect(page.getByRole('region', { name: 'How to shoot' })).toContainText('Parallel to the sensor')
  await expect(page.getByRole('region', { name: 'When it goes wrong' })).toContainText('Rock slowly')
  const wall = await page.request.get('/api/v1/standards/ladybirds@1/pdf')
  expect((await wall.body()).toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(3)
})

test('on film: a cook at work, hands and face in turn', async ({ page, standard }) => {
  await begin(page, standard, 'Kitchen', 'film of a cook in her kitchen, tripod, one person')
  await expect(heard(page)).toContainText('film → What is wanted? film')
  for (const answer of [
    'it stops and starts',
    'about half the height',
    'small, quick things',
    'two things at different distances in one box',
  ])
    await standard.answer(answer)
  await expect(standard.topic('AF while filming')).toContainText('AF runs while filming')
  await expect(standard.topic('AF while filming')).toContainText('Focus is pulled by hand')
  await expect(standard.topic('How fast focus travels on film')).toContainText('Calm')
  await expect(standard.topic('What starts focusing').getByText('The shutter starts focusing')).toBeVisible()
  // Film asks for no frames a second.
  await expect(standard.topic('How many frames')).toBeHidden()
  await page.getByRole('button', { name: /^Accept all \d+ that are open$/ }).click()
  await kind(page, 'How to shoot')
  await expect(page.getByRole('article', { name: 'About half the frame interval' })).toContainText('from memory')
  await kind(page, 'When it goes wrong')
  await expect(page.getByRole('article', { name: 'Focus wanders off in the take' })).toBeVisible()
  await standard.expectSaved()
  const targets = await targetsOf(page, 'kitchen')
  expect([targets.get('video.continuous'), targets.get('video.transition'), targets.has('release.rate')]).toEqual([
    true,
    1.2,
    false,
  ])
})

test('crowded: one politician behind shoulders, and what the house makes of it', async ({
  page,
  standard,
  expectAccessible,
}) => {
  await begin(page, standard, 'Scrum', 'a politician in the press crowd, seen between heads, hand-held, silent')
  for (const answer of ['it stops and starts', 'about half the height', 'pictures', 'several', 'practised hands'])
    await standard.answer(answer)
  await expect(standard.topic('Whom it looks for')).toContainText('Detection off')
  await expect(standard.topic('Where it may look')).toContainText('A single point')
  await expect(standard.topic('How long it waits when blocked')).toContainText('2.5 s')
  await expect(standard.topic('The focus tone')).toContainText('No tone')
  const start = standard.topic('What starts focusing')
  await expect(start).toContainText('The thumb starts')
  await kind(page, 'When it goes wrong')
  await expect(page.getByRole('article', { name: 'It takes what is in front' })).toBeVisible()
  await expect(page.getByRole('article', { name: 'It goes away with who crosses' })).toBeVisible()
  await standard.expectSaved()

  // The house says what it holds, and is argued with.
  await page.goto('/decide/guide')
  await expectAccessible()
  const region = page.getByRole('region', { name: 'What starts focusing' })
  await region.getByRole('combobox', { name: 'The house holds' }).click()
  await page.getByRole('option', { name: 'shutter start' }).click()
  await expect(region.getByRole('combobox', { name: 'The house holds' })).toHaveText('shutter start')
  // A rule is found by its words, switched off, and its place taken by one of the house’s own.
  await page.getByLabel('Search the rules').fill('between cars thumbs')
  await expect(page.getByRole('status').filter({ hasText: 'rules' })).toContainText('0 of')
  await page.getByLabel('Search the rules').fill('heads in front easier')
  const rule = page.getByRole('article', { name: 'whom/heads in front, the point' })
  await rule.getByRole('button', { name: 'Switch off' }).click()
  await expect(rule).toContainText('Switched off in this house.')
  const whom = page.getByRole('region', { name: 'Whom it looks for' })
  await whom.getByRole('button', { name: 'Add a rule of your own' }).click()
  await whom.getByRole('combobox', { name: 'For' }).click()
  await page.getByRole('option', { name: /^on, but only inside/ }).click()
  await whom.getByRole('combobox', { name: 'How strongly' }).click()
  await page.getByRole('option', { name: 'a strong reason for it' }).click()
  await whom.getByRole('combobox', { name: 'When' }).click()
  await page.getByRole('option', { name: 'Who or what crosses in front?' }).click()
  await whom.getByRole('combobox', { name: 'Answer' }).click()
  await page.getByRole('option', { name: 'heads of a crowd' }).click()
  await whom.getByLabel('Why').fill('Our bodies keep a face through shoulders.')
  await whom.getByLabel('Where it is from').fill('own trial, October')
  await whom.getByRole('button', { name: 'Add the rule' }).click()
  await expect(page.getByText(/1 switched off here, 1 of your own/)).toBeVisible()

  // A rule is replaced where it stands, with its own conditions kept.
  await page.getByLabel('Search the rules').fill('hold to follow, let go to lock: one button')
  await page
    .getByRole('article', { name: 'start/stops and starts', exact: true })
    .getByRole('button', { name: 'Replace' })
    .click()
  const form = page.getByRole('form', { name: /^A rule of your own/ })
  await expect(form).toContainText('as it was: What moves, and how?')
  await form.getByLabel('Why').fill('Our wrists are tired of it.')
  await form.getByRole('button', { name: 'Replace it' }).click()
  await expect(page.getByRole('article', { name: 'start/stops and starts', exact: true })).toContainText(
    'Replaced by a rule of your own.',
  )

  await page.goto('/decide/standards/scrum?part=guide')
  await expect(start).toContainText('The house holds shutter start. Against it here:')

  // As a file it comes back after everything was taken out; a wrong one says where it is wrong.
  await page.goto('/decide/guide')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'House rules as a file' }).click(),
  ])
  const text = readFileSync(await download.path(), 'utf8')
  await page.getByRole('region', { name: 'What starts focusing' }).getByRole('combobox').click()
  await page.getByRole('option', { name: 'what fits best' }).click()
  const take = (content: string) =>
    page
      .getByLabel('House rules from a file')
      .setInputFiles({ name: 'ours.json', mimeType: 'application/json', buffer: Buffer.from(content) })
  await take(text.replace('"inside"', '"elbow"'))
  await expect(page.getByRole('alert').filter({ hasText: 'ours.json' })).toContainText('rules.0.schools')
  await take(text)
  await expect(
    page.getByRole('region', { name: 'What starts focusing' }).getByRole('combobox', { name: 'The house holds' }),
  ).toHaveText('shutter start')
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 800 } })
  test('the guide is asked and read with one thumb', async ({ page, standard, expectAccessible }) => {
    await page.goto('/decide/standards/talk-on-camera?part=guide')
    await page.getByRole('button', { name: 'Begin a draft' }).first().click()
    await standard.answer('I do not know: What moves, and how?')
    await expect(page.getByRole('button', { name: 'I do not know: What moves, and how?' })).toHaveAttribute(
      'aria-pressed',
      'true',
    )
    await standard.answer('people')
    await expect(standard.topic('Whom it looks for')).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await expectAccessible()
    await page.goto('/decide/guide')
    await page.getByLabel('Search the rules').fill('tiny')
    await expect(page.getByRole('article').first()).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await expectAccessible()
  })
})
