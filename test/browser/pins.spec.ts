import { expect, test } from './support/drivers'

/** What no target can ask for is set on a body anyway, by its profile or by a standard, and reaches its card. */

const MENU = `# AF
Focus mode: AF-S | AF-C | MF
Focus guide: Off | On
Split image: Off | Mono | Colour`

test('a row the vocabulary has no word for is set anyway, with a reason, and stands on the card', async ({
  page,
  request,
  standard,
  expectAccessible,
}) => {
  await request.post('/api/v1/bodies/new', { data: { maker: 'Marl', model: 'Stilt', menu: MENU } })
  await page.goto('/name/bodies/stilt/edit?standard=ring-action')
  await page.getByRole('treeitem', { name: 'Focus guide' }).click()
  await page.keyboard.press('9')
  await page.getByRole('treeitem', { name: 'Focus guide' }).click()
  const anyway = page.getByRole('region', { name: 'Set on this body anyway' })
  await anyway.getByLabel('Set it to').click()
  await page.getByRole('option', { name: 'On', exact: true }).click()
  await expect(anyway.getByRole('button', { name: 'Set it anyway' })).toBeDisabled()
  await anyway.getByLabel('Why').fill('Odalys focuses by hand on it.')
  await anyway.getByRole('button', { name: 'Set it anyway' }).click()
  await expect(anyway).toContainText('On: Odalys focuses by hand on it.')
  await page.getByRole('treeitem', { name: 'Split image' }).click()
  await page.keyboard.press('9')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await expectAccessible()

  // The standard has the last word on its own rows, in a draft like any other change.
  await standard.open('ring-action', '?version=3')
  const pins = page.getByRole('region', { name: 'Set on single bodies anyway' })
  await pins.getByLabel('On', { exact: true }).click()
  await page.getByRole('option', { name: 'Marl Stilt' }).click()
  await pins.getByLabel('Setting').click()
  await page.getByRole('option', { name: 'Split image' }).click()
  await pins.getByLabel('Set it to').click()
  await page.getByRole('option', { name: 'Mono' }).click()
  await pins.getByLabel('Why').fill('Colour fringes hide the edge under stage light.')
  await pins.getByRole('button', { name: 'Set it anyway' }).click()
  await expect(pins).toContainText('Stilt: Split image: Mono')
  await standard.expectSaved()
  await expectAccessible()

  await page.goto('/set/cards/stilt?standard=ring-action@3')
  const step = (name: string) => page.getByRole('listitem').filter({ hasText: name })
  await expect(step('Focus guide')).toContainText('Odalys focuses by hand on it. (Set on this body anyway: Stilt.)')
  await expect(step('Split image')).toContainText('Mono')
  await expect(step('Split image')).toContainText('Colour fringes hide the edge under stage light.')

  // In the file as well, and gone with one key.
  const file = await (await request.get('/api/v1/standards/ring-action@3')).text()
  expect(file).toContain('Colour fringes hide the edge')
  await page.goBack()
  await pins.getByRole('button', { name: 'Take away' }).click()
  await expect(pins).not.toContainText('Mono')
})
