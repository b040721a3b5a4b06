import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { HERON_MEANS, HERON_MENU } from '../fixtures/heron'
import { expect, FIVE, test } from './support/drivers'
import { TestServer } from './support/server'

/** Counts what a person does: each click, each key, each field filled or pasted is one action. */
class Hands {
  count = 0
  constructor(private readonly page: Page) {}
  async click(locator: ReturnType<Page['getByRole']>): Promise<void> {
    this.count++
    await locator.click()
  }
  async fill(locator: ReturnType<Page['getByLabel']>, text: string): Promise<void> {
    this.count++
    await locator.fill(text)
  }
  async press(key: string): Promise<void> {
    this.count++
    await this.page.keyboard.press(key)
  }
}

const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 20_000 })

test('a made-up body of forty settings, from a pasted menu to the Concordance', async ({ page, concordance }) => {
  test.setTimeout(120_000)
  const hands = new Hands(page)
  await page.goto('/name/bodies')
  await hands.click(page.getByRole('link', { name: 'New body' }))
  await hands.fill(page.getByRole('combobox', { name: /^Maker/ }), 'Marl')
  await hands.fill(page.getByRole('textbox', { name: /^Model/ }), 'Heron')
  await hands.fill(page.getByRole('textbox', { name: 'Its menu' }), HERON_MENU)
  await expect(page.getByText('41 settings with', { exact: false })).toBeVisible()
  await hands.click(page.getByRole('button', { name: 'Begin the profile' }))
  await expect(page.getByText('41 settings undecided', { exact: false })).toBeVisible()

  const tree = page.getByRole('tree', { name: 'Menu' })
  const panel = page.getByRole('complementary', { name: 'Setting' })
  await hands.click(
    tree
      .getByRole('treeitem', { name: /^Watch / })
      .or(tree.getByRole('treeitem', { name: /Watch undecided/ }))
      .first(),
  )
  let said = 0
  for (let decided = 0; decided < 41; decided++) {
    const label = (await panel.getByRole('heading', { level: 2 }).innerText()).trim()
    const wanted = HERON_MEANS[label]
    expect(wanted, label).toBeDefined()
    if (wanted === '') await hands.press('0')
    else {
      const proposals = panel.getByRole('button', { name: /^[1-6] / })
      await expect(proposals.first()).toBeVisible()
      const names = (await proposals.allInnerTexts()).map(text => text.split('\n')[1]?.trim() ?? '')
      const isWanted = (name: string) =>
        wanted === 'keys' ? name.startsWith('Work of a key') : name.startsWith(wanted ?? '?')
      const at = names.findIndex(isWanted)
      if (at >= 0) await hands.press(at === 0 && names[0]?.includes('Enter') ? 'Enter' : String(at + 1))
      else {
        // Nothing in its words tells: it is said, by any word for it.
        said++
        await hands.press('m')
        await hands.fill(page.getByRole('combobox', { name: /This setting is about/ }), wanted ?? '')
        await hands.press('Enter')
        if (await panel.getByRole('button', { name: 'Ask again' }).isVisible()) {
          const next = tree.getByRole('treeitem', { name: /undecided/ }).first()
          if (decided < 40) await hands.click(next)
        }
      }
    }
    if (decided < 40) await expect(panel.getByRole('heading', { level: 2 })).not.toHaveText(label)
  }
  await expect(page.getByText('every setting decided', { exact: false })).toBeVisible()
  await expect(page.getByText(/House baseline: 0\.\d\d alike, \d of 8 musts/)).toBeVisible()
  await saved(page)

  await hands.click(page.getByRole('link', { name: 'Decide' }))
  await hands.click(page.getByRole('button', { name: /Bodies in hand/ }))
  await hands.click(
    page
      .getByRole('menuitem', { name: 'All bodies' })
      .or(page.getByRole('menuitemcheckbox', { name: /Heron/ }))
      .last(),
  )
  await page.keyboard.press('Escape')
  console.log(`actions for 41 settings, from nothing to the Concordance: ${hands.count}; ${said} had to be said`)
  expect(said).toBeLessThan(14)
  expect(hands.count).toBeLessThan(160)

  await concordance.open('?bodies=heron,linnet')
  await expect(concordance.cell('Shutter half-press', 'Light only').first()).toBeVisible()
  await concordance.open('?bodies=heron,linnet&folded=how,when,where,whom')
  await expect(concordance.cell('Hold when blocked', '1.2 s').first()).toBeVisible()
  await concordance.open('?bodies=heron&cell=heron:track.hold')
  await expect(concordance.explanation).toContainText('Eye › Staying › row 1')

  await page.goto('/name/phrasebook')
  await page
    .getByLabel(/Any word/)
    .filter({ visible: true })
    .fill('selectabel points')
  await expect(page.locator('#phrases-found')).toContainText('Heron')
})

test('a team’s own first body: from the empty house to its Concordance', async ({ page, expectAccessible }) => {
  const own = await TestServer.start('own')
  try {
    await page.goto(own.address)
    await expectAccessible()
    await page.getByRole('link', { name: 'New body' }).click()
    await page.getByRole('combobox', { name: /^Maker/ }).fill('Marl')
    await page.getByRole('textbox', { name: /^Model/ }).fill('Coot')
    await page
      .getByRole('textbox', { name: 'Its menu' })
      .fill(
        'Focus\n  Main\n    Focus drive: Single * | Continuous | Automatic\n    Half press: AF and light * | Light only',
      )
    await page.getByRole('button', { name: 'Begin the profile' }).click()
    await page.getByRole('tree', { name: 'Menu' }).focus()
    await expect(page.getByRole('button', { name: /^1 Focus drive/ })).toBeVisible()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { level: 2, name: 'Half press' })).toBeVisible()
    await page
      .getByRole('button', { name: /Shutter half-press/ })
      .first()
      .click()
    await expect(page.getByText('every setting decided', { exact: false })).toBeVisible()
    await saved(page)
    await page.goto(own.address)
    await page.getByRole('button', { name: 'Take the house baseline' }).click()
    await page.getByRole('link', { name: 'Decide' }).click()
    await page.getByRole('link', { name: 'Concordance' }).click()
    await expect(page.getByRole('grid').getByRole('columnheader', { name: 'Coot' })).toBeVisible()
    await expect(page.getByRole('gridcell').filter({ hasText: 'AF and light' })).toBeVisible()
  } finally {
    await own.stop()
  }
})

test.describe('the editor', () => {
  const tree = (page: Page) => page.getByRole('tree', { name: 'Menu' })
  const row = (page: Page, label: string) => tree(page).getByRole('treeitem').filter({ hasText: label }).first()
  const rows = async (page: Page) =>
    (await tree(page).getByRole('treeitem').allInnerTexts()).map(t =>
      t
        .replace(/^[▸▾]\s*/, '')
        .split('\n')[0]
        ?.trim(),
    )

  test('by keyboard alone: add, rename, move several, remove, undo, redo', async ({ page }) => {
    await page.goto('/name/bodies/linnet/edit')
    await row(page, 'Ring at perch').click()
    await tree(page).focus()
    await page.keyboard.press('Shift+ArrowDown')
    await expect(page.getByRole('heading', { name: '2 settings' })).toBeVisible()
    await page.keyboard.press('Alt+ArrowUp')
    expect((await rows(page)).slice(2, 5)).toEqual(['Ring at perch', 'Tiptoe', 'Way'])
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('a')
    await page.keyboard.type('Glide path')
    await page.keyboard.press('Enter')
    await expect(row(page, 'Glide path')).toContainText('undecided')
    await page.keyboard.press('o')
    await page.keyboard.type('Steep')
    await page.keyboard.press('Enter')
    await page.keyboard.press('d')
    await expect(row(page, 'Steep')).toContainText('(default)')
    // What came and went before it was sent would not be in the history.
    await saved(page)
    await page.keyboard.press('ArrowLeft')
    await page.keyboard.press('Delete')
    await expect(row(page, 'Glide path')).toHaveCount(0)
    // Removed and put back before it was sent, it would not have been removed.
    await saved(page)
    await page.keyboard.press('Control+z')
    await expect(row(page, 'Glide path')).toBeVisible()
    await page.keyboard.press('Control+y')
    await expect(row(page, 'Glide path')).toHaveCount(0)
    // What was undone before it was sent would not be in the history.
    await saved(page)
    for (let i = 0; i < 8; i++) await page.keyboard.press('Control+z')
    expect((await rows(page)).slice(2, 5)).toEqual(['Way', 'Ring at perch', 'Tiptoe'])
    await saved(page)
    await page.getByRole('tab', { name: 'History' }).click()
    await expect(page.getByRole('list', { name: 'History' })).toContainText('removed “Glide path”')
  })

  test('by hand: settings are dragged, controls are dragged and nudged, and it all stays', async ({ page }) => {
    await page.goto('/name/bodies/linnet/edit')
    await row(page, 'Roost when off').dragTo(row(page, 'Tiptoe'))
    await expect.poll(async () => (await rows(page)).slice(4, 6)).toEqual(['Tiptoe', 'Roost when off'])
    await page.getByRole('tab', { name: 'Controls' }).click()
    const knurl = page.getByRole('button', { name: 'Knurl: move with the arrow keys' })
    const before = await knurl.boundingBox()
    await knurl.focus()
    await page.keyboard.press('ArrowLeft')
    await expect.poll(async () => (await knurl.boundingBox())?.x).toBeLessThan(before?.x ?? 0)
    await knurl.hover()
    await page.mouse.down()
    await page.mouse.move((before?.x ?? 0) - 100, (before?.y ?? 0) + 60, { steps: 4 })
    await page.mouse.up()
    await saved(page)
    const moved = await knurl.boundingBox()
    await page.reload()
    const after = await page.getByRole('button', { name: 'Knurl: move with the arrow keys' }).boundingBox()
    expect(Math.round(after?.x ?? 0)).toBe(Math.round(moved?.x ?? 1))
    await page.getByRole('tab', { name: 'Menu' }).click()
    await expect.poll(async () => (await rows(page)).slice(4, 6)).toEqual(['Tiptoe', 'Roost when off'])

    // One option of a row counts elsewhere than the row.
    await row(page, 'Ring at perch').click()
    const setting = page.getByRole('complementary', { name: 'Setting' })
    await setting.getByRole('button', { name: 'Change' }).first().click()
    await setting.getByLabel('“Deaf” counts').click()
    await page.getByRole('option', { name: 'only in continuous AF' }).click()
    await expect(setting.getByText('ring after AF: no (only in continuous AF)')).toBeVisible()
    await saved(page)
  })

  test('rules are built from labels and tried out', async ({ page, expectAccessible }) => {
    await page.goto('/name/bodies/wicket/edit?part=rules')
    const rule = page.getByRole('region', { name: 'New rule' })
    const choose = async (label: string, option: string, nth = 0) => {
      await rule.getByRole('combobox', { name: label, exact: true }).nth(nth).click()
      await page.getByRole('option', { name: option, exact: true }).click()
    }
    await choose('Setting', 'Outline')
    await choose('is at', 'Dark pencil')
    await page.keyboard.press('Escape')
    await choose('Bound settings', 'Pencil')
    await expect(rule.getByLabel(/In words/)).toHaveValue('While Outline is at Dark pencil, Pencil cannot be used.')
    await rule.getByRole('button', { name: 'Add the rule' }).click()
    await expect(page.getByRole('list', { name: 'Rules' })).toContainText(
      'While Outline is at Dark pencil, Pencil cannot be used.',
    )
    // Several at once, and only while it is so.
    await choose('Setting', 'Outline')
    await choose('is at', 'Dark pencil')
    await page.keyboard.press('Escape')
    await choose('Bound settings', 'Pencil')
    await choose('Bound settings', 'Sharpening')
    await page.keyboard.press('Escape')
    await rule.getByRole('combobox', { name: 'What happens' }).click()
    await page.getByRole('option', { name: 'can only be used then' }).click()
    await expect(rule.getByRole('list', { name: 'Rules that it comes to' }).getByRole('listitem')).toHaveText([
      /can only be used while Outline is at Dark pencil\.$/,
      /can only be used while Outline is at Dark pencil\.$/,
    ])
    await rule.getByRole('button', { name: 'Add 2 rules' }).click()
    await expect(page.getByRole('list', { name: 'Rules' })).toContainText('Sharpening can only be used while Outline')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('list', { name: 'Rules' })).not.toContainText('Sharpening can only be used')
    const tryIt = page.getByRole('region', { name: 'Try it' })
    await tryIt.getByRole('combobox', { name: 'Outline' }).click()
    await page.getByRole('option', { name: 'Dark pencil' }).click()
    await expect(tryIt).toContainText('Greyed out: While Outline is at Dark pencil, Pencil cannot be used.')
    await expect(tryIt.getByRole('combobox', { name: 'Pencil' })).toBeDisabled()
    await expectAccessible()
  })

  test('what is missing shrinks while facts are confirmed and meanings given by hand', async ({ page }) => {
    await page.request.post('/api/v1/bodies/new', {
      data: { maker: 'Marl', model: 'Rail', archetype: 'compact', menu: 'A\n  B\n    Whatever: One | Two' },
    })
    await page.goto('/name/bodies/rail/edit?part=standing')
    await expect(page.getByText('1 settings have no decided meaning')).toBeVisible()
    await expect(page.getByText('Nothing says when it focuses')).toBeVisible()
    await page.getByRole('tab', { name: 'Menu' }).click()
    await page.getByRole('button', { name: 'Change' }).first().click()
    await page.getByRole('combobox', { name: 'Add what it means' }).fill('Focus drive')
    await page.getByRole('option', { name: 'Focus drive' }).click()
    await expect(page.getByText('focus drive: single')).toBeVisible()
    await page.getByRole('combobox', { name: 'Value' }).click()
    await page.getByRole('option', { name: 'continuous' }).click()
    await expect(page.getByText('focus drive: continuous')).toBeVisible()
    await page.getByRole('tab', { name: 'How far it is' }).click()
    await expect(page.getByText('Nothing says when it focuses')).toHaveCount(0)
    await page.getByRole('tab', { name: 'Facts' }).click()
    await page.getByLabel('Width, mm').fill('17.3')
    await page.getByLabel('Width, mm').press('Enter')
    await expect(
      page.getByRole('region', { name: 'Sensor' }).getByRole('button', { name: /I have looked/ }),
    ).toHaveCount(0)
    await page
      .getByRole('region', { name: 'Memory slots' })
      .getByRole('button', { name: /I have looked/ })
      .click()
    await saved(page)
  })

  test('a new firmware is a change set: edited, compared, run by units, and shown on the profile', async ({ page }) => {
    await page.goto('/name/bodies/sorrel/edit?part=firmware')
    await expect(page.getByRole('region', { name: 'Firmware 1.0' })).toContainText('TSP-S1 (2.10)')
    await page.getByLabel('New version').fill('3.0')
    await page.getByRole('button', { name: 'Begin this version' }).click()
    await expect(page.getByText('You are editing firmware 3.0', { exact: false })).toBeVisible()
    await page.getByRole('tab', { name: 'Menu' }).click()
    await row(page, 'Warm eye').click()
    await page.getByRole('button', { name: 'Remove', exact: true }).first().click()
    await row(page, 'Ring after settling').dblclick()
    await page.keyboard.type('Ring any time')
    await page.keyboard.press('Enter')
    await page.getByRole('tab', { name: 'Firmware' }).click()
    const three = page.getByRole('region', { name: 'Firmware 3.0' })
    await expect(three).toContainText('Removes: setting “Warm eye”')
    await expect(three).toContainText('setting “Ring after settling” is now “Ring any time”')
    await expect(three).toContainText('no unit runs it')
    await saved(page)
    await page.goto('/name/bodies/sorrel')
    await expect(page.getByText('Ring after settling', { exact: true })).toBeVisible()
    await page.getByRole('link', { name: '3.0' }).click()
    await expect(page.getByText('Ring any time', { exact: true })).toBeVisible()
  })

  test('two people: the second is shown what the first changed, chooses, and nobody loses anything', async ({
    page,
    browser,
    server,
  }) => {
    await page.goto('/name/bodies/pebble/edit')
    const other = await (
      await browser.newContext({ baseURL: server.address, viewport: { width: 1280, height: 800 } })
    ).newPage()
    await other.goto('/name/bodies/pebble/edit')
    const rename = async (who: Page, from: string, to: string) => {
      await row(who, from).dblclick()
      await who.keyboard.type(to)
      await who.keyboard.press('Enter')
    }
    await rename(other, 'Lens lies up', 'Lens goes home')
    await rename(other, 'Before the trip', 'Ahead of the trip')
    await saved(other)
    await rename(page, 'Before the trip', 'Ere the trip')
    await rename(page, 'Cast while at oars', 'Cast at oars')
    await page.getByRole('button', { name: 'See what differs' }).click()
    const dialog = page.getByRole('dialog', { name: /Somebody else changed Pebble/ })
    await expect(dialog).toContainText('setting “Lens lies up” is now “Lens goes home”')
    await dialog.getByLabel('Theirs: “Ahead of the trip”').check()
    await dialog.getByRole('button', { name: 'Merge and save' }).click()
    await saved(page)
    const labels = (
      (await (await page.request.get('/api/v1/bodies/pebble')).json()) as { settings: { label: string }[] }
    ).settings.map(s => s.label)
    expect(labels.slice(1, 6)).toEqual(['Ahead of the trip', 'Lens goes home', 'Sluice', 'Cast at oars', 'Hull offset'])
    await other.close()
  })

  test('what was done can be undone after the page was loaded again, or left and come back to', async ({ page }) => {
    await page.goto('/name/bodies/wicket/edit')
    await row(page, 'Guest list').dblclick()
    await page.keyboard.type('Book of guests')
    await page.keyboard.press('Enter')
    await saved(page)
    await page.reload()
    await expect(row(page, 'Book of guests')).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(row(page, 'Guest list')).toBeVisible()
    await saved(page)
    await page.getByRole('link', { name: 'Done' }).click()
    await page.waitForURL(/bodies\/wicket$/)
    await page.goBack()
    await page.getByRole('button', { name: 'Redo' }).click()
    await expect(row(page, 'Book of guests')).toBeVisible()
    await saved(page)
  })

  test('what is typed while the server is down is kept, and stored when it is back', async ({ page, server }) => {
    await page.goto('/name/bodies/wicket/edit')
    await expect(page.getByText('nothing contradicts', { exact: false })).toBeVisible()
    await server.kill()
    await row(page, 'Guest list').dblclick()
    await page.keyboard.type('Book of guests')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Not saved yet; trying again')).toBeVisible()
    await server.up()
    await page.goto('/name/bodies/wicket/edit')
    await expect(row(page, 'Book of guests')).toBeVisible()
    await saved(page)
    const body = (await (await page.request.get('/api/v1/bodies/wicket')).json()) as { settings: { label: string }[] }
    expect(body.settings.map(s => s.label)).toContain('Book of guests')
  })
})

test.describe('the phrasebook', () => {
  test('translates from anywhere', async ({ page, concordance, expectAccessible }) => {
    await concordance.open(FIVE)
    const dialog = page.getByRole('dialog', { name: 'Translate a term' })
    // The keys of the page work once its scripts have started.
    await expect(async () => {
      await page.keyboard.press('/')
      await expect(dialog).toBeVisible({ timeout: 500 })
    }).toPass()
    await page.keyboard.type('nervve')
    await expect(dialog.getByRole('listbox')).toContainText('Response to speed')
    await expect(dialog.getByRole('listbox')).toContainText('Switching point')
    // Whoever does not see the list is told what is in it, and which of it is chosen.
    await expect(dialog.getByRole('status')).toContainText(/concepts found; /)
    await expect(dialog.getByRole('combobox')).toHaveAttribute('aria-activedescendant', /.+/)
    await expect(dialog.getByRole('option', { selected: true })).toHaveCount(1)
    await expectAccessible()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(/phrasebook\/track\.(switch|response)/)
    await expect(page).toHaveURL(/bodies=sorrel/)
    await expectAccessible()

    await page.goto(`/name/phrasebook/track.hold${FIVE}`)
    await expect(page.getByRole('group', { name: 'Scales side by side' })).toContainText('runs the other way')
    await expect(page.getByRole('img', { name: /Grip 5 of 7: 1.3 s, measured 9 times/ })).toBeVisible()
    await expect(page.getByRole('img', { name: /Stick \+1: 0.5 s, declared/ })).toBeVisible()
    await expect(page.getByText('Nearest way:').first()).toBeVisible()
    await expect(page.getByRole('list', { name: 'False friends' })).toContainText('trail')
    await expectAccessible()
  })

  test('says so when there is nothing like it', async ({ page }) => {
    await page.goto('/name/phrasebook')
    await page.getByLabel(/Any word/).fill('xylophone')
    await expect(page.getByText('Nothing here is called “xylophone”', { exact: false })).toBeVisible()
  })

  test('from one body to another, on one folded sheet', async ({ page, expectAccessible }) => {
    await page.goto('/name/phrasebook/dictionary?from=sorrel&to=tollgate')
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('From Sorrel to Tollgate')
    await expect(page.getByRole('heading', { level: 3 }).first()).toHaveText('Response to speed')
    await expect(page.getByRole('region', { name: 'Response to speed' })).toContainText('the scale runs the other way')
    await expect(page.getByRole('region', { name: 'Which eye' })).toContainText('Tollgate has nothing for it')
    await expectAccessible()
    const pdf = await page.pdf({ preferCSSPageSize: true })
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)?.length).toBeLessThanOrEqual(2)
    await page.getByRole('button', { name: 'Turn round' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('From Tollgate to Sorrel')
  })
})

test.describe('lenses and kit', () => {
  test('a lens is typed in either system, warned of what disagrees, and drawn', async ({ page, expectAccessible }) => {
    await page.goto('/name/lenses/new')
    await page.getByLabel('Maker').fill('Marl')
    await page.getByLabel('Model').fill('Reed 300 mm')
    await page.getByRole('button', { name: 'Add the lens' }).click()
    await expect(page.getByText('expected a focal length in mm')).toBeVisible()
    await page.getByLabel('Focal length, mm').fill('300')
    await page.getByLabel('Widest aperture, f/').fill('4')
    await page.getByLabel('Closest focus, imperial').fill(`4' 7"`)
    await expect(page.getByText('1.4 m = 4.58 ft')).toBeVisible()
    await page.getByLabel('Closest focus, metric').fill('2 m')
    await expect(page.getByText('These do not agree', { exact: false })).toBeVisible()
    await page.getByLabel('Closest focus, metric').fill('1.4 m')
    await expect(page.getByText('These do not agree', { exact: false })).toHaveCount(0)
    await page.getByRole('button', { name: 'Add a position' }).click()
    await page.getByLabel('The switch calls it').fill('far')
    await page.getByLabel('Near, metric').fill('5 m')
    await expectAccessible()
    await page.getByRole('button', { name: 'Add the lens' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Reed 300 mm')
    await expect(page.getByRole('img', { name: 'far: 5 m to infinity' })).toBeVisible()
    await expect(page.getByText('28 % of the travel')).toBeVisible()
    await page.getByRole('button', { name: 'feet' }).click()
    await expect(page.getByRole('img', { name: 'far: 16.4 ft to infinity' })).toBeVisible()
    await page.goto('/name/lenses/tollgate-500')
    await expect(page.getByText('turns against most of the others', { exact: false })).toBeVisible()
    await page.goto('/name/lenses/pebble-60-macro')
    await expect(page.getByText('0.19 m is', { exact: false })).toBeVisible()
    await expectAccessible()
  })

  test('units come from a spreadsheet after a look at what would change', async ({ page, expectAccessible }) => {
    await page.goto('/keep/kit')
    await expect(page.getByText('31 units')).toBeVisible()
    await expectAccessible()
    const file = (text: string) => ({ name: 'kit.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
    const head = 'Tag,Kind,Model,Firmware,Owner\n'
    await page.getByLabel('Spreadsheet of units').setInputFiles(file(`${head}TSP-L1,body,Ostrich,1.4,Us\n`))
    await expect(page.getByText('kit.csv, row 2, column Model: Ostrich stands there', { exact: false })).toBeVisible()
    await page
      .getByLabel('Spreadsheet of units')
      .setInputFiles(file(`${head}TSP-L1,body,Linnet,2.0,Us\nTSP-L9,body,Linnet,2.0,Us\n`))
    await expect(page.getByText('kit.csv would add 1, change 1 and leave 0', { exact: false })).toBeVisible()
    await expect(page.getByText('firmware: 1.4 → 2.0', { exact: false })).toBeVisible()
    await page.getByRole('button', { name: 'Take it over' }).click()
    await expect(page.getByText('32 units')).toBeVisible()
    await page.getByRole('button', { name: 'Edit TSP-L9' }).click()
    await page.getByLabel('Condition').fill('Strap torn.')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByRole('row', { name: /TSP-L9/ })).toContainText('Strap torn.')
  })

  test('a profile of the same name asks before it touches anything', async ({ page }) => {
    const linnet = JSON.parse(readFileSync('src/demo/bodies/linnet.json', 'utf8')) as { settings: { label: string }[] }
    const [way, ...others] = linnet.settings
    const theirs = JSON.stringify({ ...linnet, settings: [{ ...way, label: 'Manner' }, ...others] })
    await page.goto('/name/bodies')
    const input = page.locator('input[type=file]')
    await input.setInputFiles({ name: 'linnet.json', mimeType: 'application/json', buffer: Buffer.from(theirs) })
    await expect(page.getByText('setting “Way” is now “Manner”', { exact: false })).toBeVisible()
    await page.getByRole('button', { name: 'Keep both' }).click()
    await expect(page.getByRole('link', { name: /^Linnet \(2\)/ })).toBeVisible()
    expect(await (await page.request.get('/api/v1/bodies/linnet')).text()).toContain('"Way"')
  })
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 800 }, hasTouch: true })

  test('the phrasebook and its neighbours fit, one thumb wide', async ({ page, expectAccessible }) => {
    for (const path of [
      '/name/phrasebook',
      '/name/phrasebook/track.hold',
      '/name/phrasebook/mode.drive',
      '/name/phrasebook/dictionary?from=sorrel&to=pebble',
      '/name/lenses/sorrel-100-macro',
      '/name/lenses',
      '/keep/kit',
      '/name/bodies/new',
      '/name/bodies/linnet/edit',
    ]) {
      await page.goto(path)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
        path,
      ).toBeLessThanOrEqual(0)
    }
    await page.goto('/name/phrasebook')
    await page.getByLabel(/Any word/).fill('cling')
    const result = page.getByRole('option', { name: /Hold when blocked/ }).first()
    expect((await result.boundingBox())?.height).toBeGreaterThanOrEqual(44)
    await expectAccessible()
  })
})
