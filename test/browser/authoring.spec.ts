import { HERON_MENU } from '../fixtures/heron'
import { expect, test } from './support/drivers'
import type { Page } from '@playwright/test'

/** What people do with profiles, lenses and kit beside the first time through. */

const tree = (page: Page) => page.getByRole('tree', { name: 'Menu' })
const row = (page: Page, label: string) => tree(page).getByRole('treeitem').filter({ hasText: label }).first()
const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible()

test('blank, a copy and a spreadsheet are ways to begin too', async ({ page, expectAccessible }) => {
  await page.goto('/name/bodies/new')
  await expectAccessible()
  const name = async (model: string) => {
    await page.getByRole('combobox', { name: /^Maker/ }).fill('Marl')
    await page.getByRole('textbox', { name: /^Model/ }).fill(model)
  }
  const begin = () => page.getByRole('button', { name: 'Begin the profile' }).click()

  await page.getByRole('radio', { name: /Begin blank/ }).check()
  await name('Stilt')
  await page.getByRole('combobox', { name: /Kind of body/ }).click()
  await page.getByRole('option', { name: 'Older, optical finder' }).click()
  await begin()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Stilt')
  await tree(page).focus()
  await page.keyboard.press('a')
  await page.keyboard.type('Lamp')
  await page.keyboard.press('Enter')
  await expect(page.getByText('1 setting undecided', { exact: false })).toBeVisible()

  await page.goto('/name/bodies/new')
  await page.getByRole('radio', { name: /Copy a body/ }).check()
  await name('Godwit')
  await page.getByRole('combobox', { name: /Copy of/ }).click()
  await page.getByRole('option', { name: 'Eskard Wicket' }).click()
  await begin()
  await expect(row(page, 'Sharpening')).toContainText('focus drive')

  await page.goto('/name/bodies/new')
  await page.getByRole('radio', { name: /From a file/ }).check()
  await name('Knot')
  const sheet = (text: string) => ({ name: 'knot.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.getByLabel('Spreadsheet of the menu', { exact: true }).setInputFiles(sheet('Tab,Page,Setting\nA,B,C\n'))
  await begin()
  await expect(page.getByText('knot.csv, row 1', { exact: false })).toContainText('expected a column “Options”')
  await expect(page.getByRole('textbox', { name: /^Model/ })).toHaveValue('Knot')
  await page
    .getByLabel('Spreadsheet of the menu', { exact: true })
    .setInputFiles(sheet('Tab,Page,Setting,Options\nA,B,Chime,On | Off\n'))
  await begin()
  await expect(row(page, 'Chime')).toContainText('undecided')
})

test('a menu is shown as it is read, and every doubtful line leads back into the text', async ({ page }) => {
  await page.goto('/name/bodies/new')
  const menu = page.getByRole('textbox', { name: 'Its menu' })
  await menu.fill('57\n\nFocus\n  Main\n    Drive: Once | Once\n    Tone [On] / [Off]*')
  await expect(page.getByText('2 settings with 3 options on 1 page.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'What was read' })).toContainText('Tone On | Off *')
  const doubtful = page.getByRole('region', { name: 'Lines to look at' })
  await expect(doubtful).toContainText('an option stands twice; it is kept once')
  await doubtful.getByRole('button', { name: /Drive/ }).click()
  await page.keyboard.type('    Drive: Once | Always')
  await expect(page.getByText('2 settings with 4 options on 1 page.')).toBeVisible()
  await expect(doubtful).toContainText('1 line to look at')
  // Copied from a sheet: an empty cell says what the one above says.
  await menu.fill('Menu\tName\tValues\tFactory\nFocus\tDrive\tOnce, Always\tAlways\n\tTone\tOn, Off\tOn\n\t\tstray')
  await expect(page.getByRole('region', { name: 'What was read' })).toContainText(
    'FocusDrive Once | Always *Tone On * | Off',
  )
  await expect(doubtful).toContainText('4: stray')
  await menu.fill('…')
  await expect(page.getByText('Nothing in it reads like a setting yet.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Begin the profile' })).toBeDisabled()
})

test('more of a menu is pasted behind what is there', async ({ page }) => {
  await page.goto('/name/bodies/wicket/edit')
  await page.getByRole('button', { name: 'Paste more' }).click()
  await page
    .getByLabel('Menu as text')
    .fill('Page 1\n  Garden\n    Hedge: Cut | Wild\nAttic\n  Boxes\n    Dust: On | Off')
  await page.getByRole('button', { name: 'Add 2 settings' }).click()
  await expect(page.getByText('2 settings undecided', { exact: false })).toBeVisible()
  await expect(row(page, 'Hedge')).toBeVisible()
  await expect(row(page, 'Attic')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(row(page, 'Hedge')).toHaveCount(0)
})

test('proposals are also taken with the mouse, several settings marked at once, and nothing by itself', async ({
  page,
}) => {
  await page.request.post('/api/v1/bodies/new', { data: { maker: 'Marl', model: 'Heron', menu: HERON_MENU } })
  await page.goto('/name/bodies/heron/edit')
  await row(page, 'Focus tone').click()
  await page.getByRole('button', { name: /^1 Focus tone/ }).click()
  await expect(row(page, 'Focus tone')).toContainText('focus tone')
  await expect(page.getByText('40 settings undecided', { exact: false })).toBeVisible()
  await row(page, 'Battery saver').click()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('41 settings undecided', { exact: false })).toBeVisible()
  await row(page, 'Single shots wait').click()
  await row(page, 'Later burst pictures wait').click({ modifiers: ['Shift'] })
  await expect(page.getByRole('heading', { name: '3 settings' })).toBeVisible()
  await page.getByRole('button', { name: 'Nothing to do with focus' }).click()
  await expect(page.getByText('38 settings undecided', { exact: false })).toBeVisible()
  await saved(page)
  await page.goto('/decide/concordance?bodies=heron,linnet')
  await expect(page.getByRole('columnheader', { name: /Heron/ })).toContainText('38 undecided')
})

test('several settings are moved to another page at once', async ({ page }) => {
  await page.goto('/name/bodies/wicket/edit')
  await row(page, 'Delay').click()
  await row(page, 'Steady lens').click({ modifiers: ['Shift'] })
  await page.getByRole('combobox', { name: 'Move to page' }).click()
  await page.getByRole('option', { name: 'Page 4 › House' }).click()
  await saved(page)
  const { settings } = (await (await page.request.get('/api/v1/bodies/wicket')).json()) as {
    settings: { label: string; at: { tab: string; page: number; row: number } }[]
  }
  const moved = settings.filter(s => ['Delay', 'Steady lens'].includes(s.label)).map(s => s.at)
  expect(moved).toEqual([
    { tab: 'page-4', page: 2, row: 5 },
    { tab: 'page-4', page: 2, row: 6 },
  ])
})

test('a contradiction makes a draft that says what contradicts, and leaves everybody’s hands', async ({ page }) => {
  const wicket = (await (await page.request.get('/api/v1/bodies/wicket')).json()) as { rules: object[] }
  const rule = (id: string, words: string, option: string) => ({
    id,
    words,
    when: [{ setting: 'turn', is: ['stand', 'run', 'your-ring'] }],
    then: { effect: 'forced', setting: 'peep', option },
  })
  const rules = [...wicket.rules, rule('loud', 'Always peeps.', 'peeps'), rule('hushed', 'Never peeps.', 'hushed')]
  await page.request.put('/api/v1/bodies/wicket', {
    data: { document: { ...wicket, rules }, revision: 1, what: 'torn' },
  })
  await page.goto('/name/bodies')
  await expect(page.getByRole('link', { name: /^Wicket/ })).toContainText('draft, contradicts itself')
  await page.goto('/name/bodies/wicket/edit?part=standing')
  await expect(page.getByText('Contradiction').first()).toBeVisible()
  await expect(page.getByText('the factory defaults break the rule “Never peeps.”', { exact: false })).toBeVisible()
  await page.getByRole('tab', { name: 'Rules' }).click()
  for (const words of ['Never peeps.', 'Always peeps.'])
    await page.getByRole('listitem').filter({ hasText: words }).getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByText('nothing contradicts', { exact: false })).toBeVisible()
  await saved(page)
  await page.goto('/decide/concordance?bodies=wicket')
  await expect(page.getByRole('columnheader', { name: /Wicket/ })).toBeVisible()
})

test('history shows what changed and takes it back, for everybody to see', async ({ page }) => {
  await page.goto('/name/bodies/tollgate/edit')
  await page.getByRole('button', { name: 'Who are you?' }).click()
  await page.getByRole('menuitem', { name: 'Saskia Venn' }).click()
  await row(page, 'Sighting').dblclick()
  await page.keyboard.type('Outlook')
  await page.keyboard.press('Enter')
  await saved(page)
  await page.getByRole('tab', { name: 'History' }).click()
  const newest = page.getByRole('list', { name: 'History' }).getByRole('listitem').first()
  await expect(newest).toContainText('Saskia Venn · renamed “Sighting” to “Outlook”')
  await newest.getByRole('button', { name: 'What changed' }).click()
  await expect(newest).toContainText('setting “Sighting” is now “Outlook”')
  await newest.getByRole('button', { name: 'Take back to before this' }).click()
  await expect(page.getByRole('list', { name: 'History' }).getByRole('listitem').first()).toContainText(
    'taken back to before',
  )
  await page.getByRole('tab', { name: 'Menu' }).click()
  await expect(row(page, 'Sighting')).toBeVisible()
})

test('interlocks and facts are written down, and the card then warns of them', async ({ page }) => {
  await page.goto('/name/bodies/linnet/edit?part=facts')
  const interlocks = page.getByRole('region', { name: 'What must not be forced' })
  await expect(interlocks.getByRole('button', { name: 'Add an interlock' })).toBeDisabled()
  await interlocks.getByLabel('What has to be minded').fill('Switch on the lens only.')
  await interlocks.getByRole('button', { name: 'Add an interlock' }).click()
  const points = page.getByRole('img', { name: /21 by 15 points/ })
  await points.locator('circle').first().click()
  await saved(page)
  const body = (await (await page.request.get('/api/v1/bodies/linnet')).json()) as {
    coverage: { sensitive: object[] }
  }
  expect(body.coverage.sensitive).toContainEqual({ column: 1, row: 1 })
  await page.goto('/set/cards/linnet')
  await expect(page.getByText('Switch on the lens only.')).toBeVisible()
})

test('false friends and nearest ways stand wherever they are needed', async ({ page, concordance, card }) => {
  await page.goto('/name/bodies/pebble')
  await expect(page.getByRole('list', { name: 'False friends' })).toContainText('trail')
  await concordance.open('?bodies=wicket,pebble&cell=wicket:track.hold')
  await expect(concordance.explanation).toContainText('Nearest way:')
  await concordance.open('?bodies=sorrel,tollgate&cell=sorrel:track.response')
  await expect(concordance.explanation.getByRole('list', { name: 'False friends' })).toContainText('switching point')
  // A word misleads only a hand that carries both bodies.
  const nerve = page.getByText('False friend: “nerve” is about response to speed here', { exact: false })
  await card.open('sorrel', '?unit=tsp-s1')
  await expect(page.getByRole('checkbox', { name: /^Step 1:/ })).toBeVisible()
  await expect(nerve).toHaveCount(0)
  const carried = { units: ['tsp-s1', 'tsp-l1', 'tsp-t1'], seen: ['tsp-s1', 'tsp-l1'] }
  expect((await page.request.put('/api/v1/people/ottoline-marsh/units', { data: carried })).ok()).toBe(true)
  await card.open('sorrel', '?unit=tsp-s1')
  await expect(nerve).toBeVisible()
})

test('bodies and lenses are put away and brought back; a lens’s last change is taken back', async ({ page }) => {
  await page.goto('/name/bodies/lodge')
  await page.getByRole('button', { name: 'Put this body away' }).click()
  await expect(page.getByRole('region', { name: 'Put away' })).toContainText('Bransk Lodge')
  await expect(page.getByRole('link', { name: /^Lodge/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Bring back' }).click()
  await expect(page.getByRole('link', { name: /^Lodge/ })).toBeVisible()

  await page.goto('/name/lenses/linnet-16/edit')
  await page.getByLabel('In a sentence').fill('Dented.')
  await page.getByRole('button', { name: 'Save the lens' }).click()
  await expect(page.getByText('Dented.')).toBeVisible()
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect(page.getByText('From under the rope.')).toBeVisible()
  await page.getByRole('button', { name: 'Put this lens away' }).click()
  await page.getByRole('button', { name: 'Bring back' }).click()
  await expect(page.getByRole('link', { name: /Martin 16 mm/ })).toBeVisible()
})

test('units are added, found, corrected and put away, each with an undo', async ({ page }) => {
  await page.goto('/keep/kit')
  await page.getByRole('button', { name: 'Add a unit' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Asset tag').fill('TSP-L1')
  await dialog.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(dialog).toContainText('expected a tag that no other unit has')
  await dialog.getByLabel('Asset tag').fill('ZZ-9')
  await dialog.getByLabel('Hired until').fill('2020-01-31')
  await dialog.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('32 units')).toBeVisible()
  await page.getByLabel(/Find a tag/).fill('zz-9')
  await expect(page.getByText('1 of 32 units')).toBeVisible()
  await expect(page.getByRole('row', { name: /ZZ-9/ })).toContainText('was due back 2020-01-31')
  await page.getByRole('button', { name: 'Edit ZZ-9' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Put away' }).click()
  await expect(page.getByText('Nothing in the kit matches “zz-9”.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('row', { name: /ZZ-9/ })).toBeVisible()
})

test('the keys of a view are listed, and lead to the stages', async ({ page }) => {
  await page.goto('/name/bodies/linnet/edit')
  await expect(page.getByText('nothing contradicts', { exact: false })).toBeVisible()
  await page.keyboard.press('?')
  const keys = page.getByRole('dialog', { name: 'Keys of this view' })
  for (const words of ['accept that proposal', 'nothing to do with focus', 'translate a term', 'go to Keep'])
    await expect(keys).toContainText(words)
  await page.keyboard.press('Escape')
  await page.keyboard.press('g')
  await page.keyboard.press('k')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ready for Ring action?')
})

test('every part of the editor is accessible', async ({ page, expectAccessible }) => {
  for (const part of ['menu', 'controls', 'rules', 'facts', 'firmware', 'standing', 'history']) {
    await page.goto(`/name/bodies/yarrow/edit?part=${part}`)
    await expect(page.getByText('nothing contradicts', { exact: false })).toBeVisible()
    await expectAccessible()
  }
  for (const path of ['/name/phrasebook', '/name/lenses', '/name/lenses/tollgate-500', '/name/bodies', '/keep/kit']) {
    await page.goto(path)
    await expectAccessible()
  }
})
