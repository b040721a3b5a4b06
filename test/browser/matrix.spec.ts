import type { Body } from '../../src/core/bodies'
import { resolve } from '../../src/core/resolve'
import { demoStandards } from '../../src/demo/world'
import { generateBody } from '../fixtures/generate'
import { expect, FIVE, test } from './support/drivers'

test('the keyboard alone: move, explain, close, change the stage', async ({ page, concordance }) => {
  await concordance.open(FIVE)
  await concordance.grid.focus()
  for (const key of ['ArrowDown', 'ArrowRight', 'Enter']) await page.keyboard.press(key)
  await expect(concordance.explanation).toContainText('Tollgate · AF start', { ignoreCase: true })
  await expect(page).toHaveURL(/cell=tollgate%3Atrigger.start/)
  await page.keyboard.press('Escape')
  await expect(concordance.explanation).toBeHidden()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('move between cells')
  await page.keyboard.press('Escape')
  await page.keyboard.press('g')
  await page.keyboard.press('s')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cards for Ring action')
})

test('groups fold, the filter leaves what differs, the best bodies come first, and the address keeps it all', async ({
  page,
  concordance,
}) => {
  await concordance.open(FIVE)
  await expect(concordance.cell('Shutter half-press', 'Light alone')).toBeVisible()
  await page.getByRole('switch', { name: 'Only what differs' }).click()
  await expect(concordance.cell('Shutter half-press', 'Light alone')).toHaveCount(0)
  await page.getByRole('switch', { name: 'Best bodies first' }).click()
  const names = () => concordance.grid.getByRole('columnheader').allInnerTexts()
  await expect
    .poll(async () => (await names()).map(n => n.split('\n')[0]))
    .toEqual(['Target', 'Sorrel', 'Linnet', 'Pebble', 'Tollgate', 'Wicket'])
  await concordance.grid.getByRole('button', { name: 'How' }).click()
  await expect(concordance.cell('Second AF start', 'no such setting')).toHaveCount(0)
  await page.reload()
  await expect(concordance.grid.getByRole('button', { name: /How/ })).toHaveAttribute('aria-expanded', 'false')
  expect((await names()).at(-1)).toContain('Wicket')
})

test('bodies in hand are chosen once and stay chosen from view to view', async ({ page, concordance }) => {
  await concordance.open()
  await expect(page.getByRole('button', { name: /9\/10 musts held on every body/ })).toBeVisible()
  await page.getByRole('button', { name: /Bodies in hand/ }).click()
  for (const name of [/Wicket/, /Lychgate/, /Pebble/]) await page.getByRole('menuitemcheckbox', { name }).click()
  await page.keyboard.press('Escape')
  await expect(concordance.grid).toHaveAttribute('aria-colcount', '10')
  await expect(page.getByRole('button', { name: /10\/10 musts held on every body/ })).toBeVisible()
  await page.getByRole('link', { name: 'Set' }).click()
  await expect(page.getByRole('link', { name: /TSP-L1/ })).toBeVisible()
  await expect(page.getByRole('link', { name: /QUAY-1/ })).toHaveCount(0)
})

test('every figure above the table explains itself', async ({ page, concordance }) => {
  await concordance.open()
  const figures = [
    [/agreement$/, 'a must counting nine'],
    [/alike$/, 'mean distance between two bodies'],
    [/musts held on every body/, 'Hold when blocked'],
    [/widest spread/, 'mean over all pairs'],
    [/holds the others back$/, 'without Lychgate'],
  ] as const
  for (const [name, words] of figures) {
    await page.getByRole('button', { name }).click()
    await expect(concordance.explanation).toContainText(words)
  }
})

/** Chance makes up a few bodies in which too much hangs together; the Concordance names them instead of a column. */
const isSearchable = (body: Body): boolean => {
  try {
    return demoStandards().some(s => s.id === 'ring-action' && resolve(body, s))
  } catch {
    return false
  }
}

test('sixty bodies: only what is in view is rendered, and the first column stays', async ({ request, concordance }) => {
  let added = 0
  for (let seed = 1; added < 60; seed++) {
    const body = generateBody(seed, { settings: 45, rules: 15 })
    if (!isSearchable(body)) continue
    if ((await request.post('/api/v1/bodies', { data: body })).ok()) added++
  }
  await concordance.open()
  await expect(concordance.grid).toHaveAttribute('aria-colcount', '73')
  const cells = concordance.grid.getByRole('gridcell')
  expect(await cells.count()).toBeLessThan(350)
  await concordance.grid.evaluate(grid => grid.scrollTo({ left: grid.scrollWidth, top: grid.scrollHeight }))
  await expect(concordance.grid.getByRole('columnheader', { name: 'Sorrel' })).toHaveCount(0)
  await expect(concordance.grid.getByRole('rowheader', { name: /Exposure bias/ })).toBeInViewport()
  expect(await cells.count()).toBeLessThan(350)
})
