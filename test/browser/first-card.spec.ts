import type { Page } from '@playwright/test'
import { expect, iAm, test } from './support/drivers'

/** A body nobody has entered, asked only what a standard of ten musts asks, to its first signed card. */

const question = (page: Page) => page.getByRole('region', { name: 'Question' })
const soFar = (page: Page) => page.getByRole('region', { name: 'The card so far' })

const UNIT = { kind: 'body', serial: '', firmware: '1.0', owner: '', hiredUntil: '', notes: '' }

test('only what a standard asks: a first card signed in under ninety actions', async ({
  page,
  request,
  expectAccessible,
}) => {
  let actions = 0
  const did = async (what: Promise<unknown>) => {
    actions++
    await what
  }
  await page.goto('/name/bodies/new?standard=ring-action')
  await did(page.getByRole('radio', { name: /^Answer what a standard asks/ }).check())
  await did(page.getByRole('combobox', { name: /^Maker/ }).fill('Marl'))
  await did(page.getByRole('textbox', { name: /^Model/ }).fill('Stilt'))
  await did(page.getByRole('button', { name: 'Begin the profile' }).click())
  await expect(question(page)).toContainText('0 of 10 musts answered')
  await expect(soFar(page)).toContainText('not known yet')
  await expectAccessible()

  for (let asked = 0; ; asked++) {
    const heading = (await question(page).getByRole('heading', { level: 2 }).textContent()) ?? ''
    if (!(await question(page).textContent())?.startsWith('Must')) break
    expect(asked).toBeLessThan(10)
    if (heading.startsWith('Keys')) {
      await expectAccessible()
      await did(question(page).getByRole('textbox', { name: 'Called (thumb, centre)' }).fill('Nub'))
      await did(question(page).getByRole('checkbox', { name: 'There is a key: index finger, front' }).uncheck())
      await did(question(page).getByRole('button', { name: 'These are its keys' }).click())
    } else if (heading === 'AF lamp') {
      // Not every body has a row for everything.
      await did(question(page).getByRole('button', { name: 'No row: it is always so' }).click())
    } else if (heading === 'Focus drive') {
      // In words of its own, typed; what no profile can hold is said before it is sent.
      await question(page).getByRole('combobox').fill('How AF works')
      await question(page)
        .getByLabel('Which options has it?')
        .fill(Array.from({ length: 251 }, (_, i) => `Step ${i}`).join(' | '))
      await expect(question(page)).toContainText('These are 251 options')
      await expect(question(page).getByRole('button', { name: 'That is its row' })).toBeDisabled()
      await did(question(page).getByRole('combobox').fill('How AF works'))
      await did(question(page).getByLabel('Which options has it?').fill('Once, Keeps following, By hand'))
      await did(question(page).getByRole('button', { name: 'That is its row' }).click())
      const meaning = page.getByRole('group', { name: 'What How AF works does' })
      await expect(meaning).toBeFocused()
      await expectAccessible()
      await did(page.keyboard.press('Enter'))
    } else {
      await did(question(page).getByRole('combobox').click())
      await did(page.getByRole('option').first().click())
      await did(question(page).getByRole('button', { name: 'That is its row' }).click())
      await expect(page.getByRole('group', { name: /^What .* does$/ })).toBeFocused()
      await did(page.keyboard.press('Enter'))
    }
    await expect(question(page).getByRole('heading', { level: 2 })).not.toHaveText(heading)
  }
  await expect(soFar(page).getByRole('status')).toContainText(/^\d+ of 10 musts held, \d+ targets not known yet$/)
  await expect(soFar(page).getByRole('button', { name: /^\S+.*Focus drive, a must/ })).toContainText('Keeps following')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 20_000 })

  expect((await request.post('/api/v1/units', { data: { unit: { ...UNIT, tag: 'ZZ-1', model: 'stilt' } } })).ok()).toBe(
    true,
  )
  await did(page.goto('/keep/readiness?standard=ring-action&bodies=stilt'))
  actions += 2
  await iAm(page, 'Bram Tollard')
  const units = page.getByRole('list', { name: 'Units' })
  await did(units.getByRole('listitem').filter({ hasText: 'ZZ-1' }).getByRole('link').click())
  const boxes = page.getByRole('checkbox', { name: /^Step \d+:/ })
  await expect(boxes.first()).toBeVisible()
  // The card says what nobody has looked for, and does not call it lacking.
  await expect(page.getByText('not known yet').first()).toBeVisible()
  const steps = await boxes.count()
  for (let i = 1; i <= steps; i++) await did(page.getByRole('checkbox', { name: new RegExp(`^Step ${i}:`) }).check())
  const proof = page.getByRole('region', { name: 'Prove and sign' })
  for (const box of await proof.getByRole('checkbox').all()) if (!(await box.isChecked())) await did(box.check())
  await did(proof.getByRole('button', { name: 'Sign as Bram Tollard' }).click())
  await expect(page.getByRole('status').filter({ hasText: 'signed by Bram Tollard' })).toBeInViewport()
  console.log(`a first card from the standard: ${actions} actions, ${steps} steps`)
  expect(actions).toBeLessThan(90)
})
