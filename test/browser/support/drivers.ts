import { expect, type Page, test as base } from '@playwright/test'
import { expectAccessible } from './accessible'
import { TestServer } from './server'

/** The five bodies with the most different characters, in hand. */
export const FIVE = '?bodies=sorrel,tollgate,linnet,pebble,wicket'

/** Says who is there, as people do once on their device. */
export const iAm = async (page: Page, name: string) => {
  await page.getByRole('button', { name: /^(Who are you\?|You\?)/ }).click()
  await page.getByRole('menuitem', { name }).click()
}

/** Small drivers, so that a test reads like what a person does. */

export class ConcordanceDriver {
  constructor(private readonly page: Page) {}

  async open(query = ''): Promise<void> {
    await this.page.goto(`/decide/concordance${query}`)
    await expect(this.page.getByRole('heading', { level: 1 })).toBeVisible()
  }

  get grid() {
    return this.page.getByRole('grid')
  }

  cell(target: string, words: string) {
    return this.grid.getByRole('row').filter({ hasText: target }).getByRole('gridcell').filter({ hasText: words })
  }

  get explanation() {
    // While a page still streams in, its parts may stand there twice, one of them hidden.
    return this.page.getByLabel('Explanation').filter({ visible: true })
  }

  async chooseStandard(name: string): Promise<void> {
    await this.page.getByRole('button', { name: /Standard in hand/ }).click()
    await this.page.getByRole('menuitem', { name }).click()
    await expect(this.page.getByRole('heading', { level: 1 })).toHaveText(name)
  }
}

export class CardDriver {
  constructor(private readonly page: Page) {}

  async open(body: string, query = ''): Promise<void> {
    await this.page.goto(`/set/cards/${body}${query}`)
    await expect(this.page.getByRole('heading', { level: 1 })).toBeVisible()
  }

  step(number: number) {
    return this.page.getByRole('checkbox', { name: new RegExp(`^Step ${number}:`) })
  }

  async tick(number: number): Promise<void> {
    await this.step(number).check()
    await this.expectSaved()
  }

  async expectSaved(): Promise<void> {
    await expect(this.page.getByText('saved', { exact: true })).toBeVisible()
  }

  async expectDone(done: number): Promise<void> {
    await expect(this.page.getByRole('status').first()).toContainText(new RegExp(`^${done} of \\d+ steps done`))
  }
}

export class StandardDriver {
  constructor(private readonly page: Page) {}

  async open(id: string, query = ''): Promise<void> {
    await this.page.goto(`/decide/standards/${id}${query}`)
    await expect(this.page.getByRole('heading', { level: 1 })).toBeVisible()
  }

  /** Begins a standard and stands in its guide. */
  async begin(name: string, on: { readonly kind: string; readonly below: string }): Promise<void> {
    await this.page.getByRole('button', { name: 'New standard' }).click()
    await this.page.getByLabel('What is it called?').fill(name)
    await this.page.getByLabel('It is a').click()
    await this.page.getByRole('option', { name: on.kind }).click()
    await this.page.getByLabel('It stands on').click()
    await this.page.getByRole('option', { name: on.below }).click()
    await this.page.getByRole('button', { name: 'Begin' }).click()
    await expect(this.page.getByRole('heading', { level: 1, name })).toBeVisible()
  }

  async part(name: string): Promise<void> {
    await this.page.getByRole('tab', { name }).click()
  }

  /** Answers a question of the guide; asks for more of them until it is there. */
  async answer(words: string): Promise<void> {
    const questions = this.page.getByRole('region', { name: 'Questions' })
    const option = questions.getByRole('button', { name: words, exact: true }).first()
    const more = questions.getByRole('button', { name: /more questions?$/ })
    await expect(option.or(more).first()).toBeVisible()
    while (!(await option.isVisible())) await more.click()
    await option.click()
  }

  /** What the guide proposes on one question. */
  topic(question: string) {
    return this.page.getByRole('article', { name: question })
  }

  /** The row of a target in the table. */
  target(label: string) {
    return this.page.getByRole('button', { name: new RegExp(`^${label}`) })
  }

  get panel() {
    return this.page.getByRole('complementary').filter({ visible: true })
  }

  /** Which bodies can do what the open target asks, once all have answered. */
  get bodies() {
    return this.page.getByRole('region', { name: 'Which bodies can do it' }).and(this.page.locator('[aria-busy=false]'))
  }

  async expectSaved(): Promise<void> {
    await expect(this.page.getByText('Saved', { exact: true })).toBeVisible()
  }
}

export class OpticsDriver {
  constructor(private readonly page: Page) {}

  async open(query = ''): Promise<void> {
    await this.page.goto(`/decide/optics${query}`)
    await expect(this.page.getByRole('heading', { level: 1, name: 'Optics desk' })).toBeVisible()
  }

  /** Chooses from one of the lists. */
  async choose(label: string, option: string): Promise<void> {
    await this.page.getByRole('combobox', { name: label, exact: true }).click()
    await this.page.getByRole('option', { name: option }).click()
  }

  async type(label: string, text: string): Promise<void> {
    await this.page.getByRole('textbox', { name: label, exact: true }).fill(text)
  }

  /** One of the ten questions. */
  question(title: string) {
    return this.page.getByRole('region', { name: title })
  }

  async ask(title: string): Promise<void> {
    await this.question(title).getByRole('button', { name: title }).click()
  }

  /** Something in the pictures that can be moved. */
  handle(name: string) {
    return this.page.getByRole('slider', { name })
  }

  /** Takes hold of it and moves it by so many pixels. */
  async drag(name: string, right: number, down = 0): Promise<void> {
    const box = await this.handle(name).locator('.touch').boundingBox()
    if (!box) throw new Error(`${name} is not to be seen`)
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    await this.page.mouse.move(x, y)
    await this.page.mouse.down()
    await this.page.mouse.move(x + right / 2, y + down / 2)
    await this.page.mouse.move(x + right, y + down)
    await this.page.mouse.up()
  }

  /** Keeps the answer of an open question. @param as the beginning of what it is kept as */
  async keep(title: string, as: 'as a target' | 'as a note' | 'as a figure', scene = ''): Promise<void> {
    const question = this.question(title)
    await question.getByRole('button', { name: 'Keep this' }).click()
    await question.getByRole('radio', { name: as }).check()
    if (scene) await question.getByLabel('For one scene only').fill(scene)
    await question.getByRole('button', { name: /^Keep in the draft of/ }).click()
    await expect(question.getByRole('alert')).toContainText('Kept in')
  }
}

interface Fixtures {
  readonly optics: OpticsDriver
  readonly standard: StandardDriver
  readonly server: TestServer
  readonly concordance: ConcordanceDriver
  readonly card: CardDriver
  readonly expectAccessible: () => Promise<void>
}

/** A test with the demo on a fresh database. The tests of one process hand their server on to each other. */
export const test = base.extend<Fixtures, { readonly handedOn: TestServer }>({
  handedOn: [
    // oxlint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const server = await TestServer.start('demo')
      await use(server)
      await server.stop()
    },
    { scope: 'worker' },
  ],
  server: async ({ handedOn }, use) => {
    await handedOn.startAfresh()
    await use(handedOn)
  },
  baseURL: async ({ server }, use) => use(server.address),
  // While a page still streams in, its parts may stand there twice, one of them hidden.
  page: async ({ page }, use) => {
    const [goTo, reload] = [page.goto.bind(page), page.reload.bind(page)]
    const isWhole = () => page.waitForFunction(() => !document.querySelector('[hidden][id^="S:"]'))
    page.goto = async (address, options) => {
      const response = await goTo(address, options)
      await isWhole()
      return response
    }
    page.reload = async options => {
      const response = await reload(options)
      await isWhole()
      return response
    }
    await use(page)
  },
  concordance: async ({ page }, use) => use(new ConcordanceDriver(page)),
  card: async ({ page }, use) => use(new CardDriver(page)),
  optics: async ({ page }, use) => use(new OpticsDriver(page)),
  standard: async ({ page }, use) => use(new StandardDriver(page)),
  expectAccessible: async ({ page }, use) => use(() => expectAccessible(page)),
})

export { expect } from '@playwright/test'
