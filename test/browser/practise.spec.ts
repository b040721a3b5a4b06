import type { Passage } from '../../src/core/rehearsal/scene'
import type { Course } from '../../src/core/course/course'
import type { CDPSession, Page } from '@playwright/test'
import { expect, iAm, test } from './support/drivers'

const shot = async (page: Page, name: string) => {
  if (process.env['SHOTS']) await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: true })
}

const tried = (page: Page) => page.getByRole('region', { name: 'This try' })

/** Reads and presses keys as a hand does that looks at the stage, until so many things have happened. */
const holdAndLetGo = async (page: Page, moments: number, press: (isDown: boolean) => Promise<void>) => {
  const stage = page.locator(
    'svg[aria-label^="It"], svg[aria-label^="The subject"], svg[aria-label^="Something"], svg[aria-label^="A second"]',
  )
  let isDown = false
  let seen = ''
  let happened = 0
  while (happened < moments) {
    const words = (await stage.getAttribute('aria-label', { timeout: 20_000 })) ?? ''
    if (words === seen) continue
    seen = words
    happened += 1
    const wanted = /moves|clear again|joins|alone/.test(words)
    // Nobody reacts to what they see before a tenth of a second has gone by.
    await page.waitForTimeout(200)
    if (wanted !== isDown) await press((isDown = wanted))
  }
  if (isDown) await press(false)
}

test.describe('at the keyboard', () => {
  test('a key that is pressed the moment a question is there counts', async ({ page }) => {
    await page.goto('/practise/drills/called?body=linnet')
    await page.evaluate(() => {
      // Quicker than any hand: as soon as it is in the page, before it is drawn.
      const seen = new MutationObserver(() => {
        if (!document.body.textContent?.includes('1 of 12')) return
        seen.disconnect()
        window.dispatchEvent(new KeyboardEvent('keydown', { key: '1' }))
      })
      seen.observe(document.body, { childList: true, subtree: true })
    })
    await page.getByRole('button', { name: /^Start/ }).press('Enter')
    await expect(page.getByRole('status').filter({ hasText: /Right\.|It is “/ })).toBeVisible()
  })

  test('every drill is begun, done and understood without a pointer', async ({ page, expectAccessible }) => {
    test.slow()
    const type = (key: string) => page.keyboard.press(key)
    await page.goto('/practise/drills?standard=ring-action&body=sorrel')
    await iAm(page, 'Imelda Frost')
    await expect(page.getByRole('link', { name: /Hold and let go/ })).toContainText('Not tried yet.')
    await expectAccessible()

    // Hold and let go: thumb start on the body in hand.
    await page.getByRole('link', { name: /Hold and let go/ }).press('Enter')
    await expect(page.getByText(/J .*AF start/)).toBeVisible()
    await page.getByRole('button', { name: /^Start/ }).press('Enter')
    await holdAndLetGo(page, 4, isDown => (isDown ? page.keyboard.down('j') : page.keyboard.up('j')))
    // What was right is said while it goes on.
    await expect(page.getByText(/^✓ .*: right/)).toBeVisible()
    await type('Escape')
    await expect(tried(page).getByText(/\d of \d right, reaction \d+ ms/)).toBeVisible()
    await expect(tried(page).getByText(/The subject comes in and moves: right/)).toBeVisible()
    await expect(page.getByText(/^Rest your hand: \d+ s\.$/)).toBeVisible()
    await expectAccessible()

    // What is it called here: by number and Enter, to the end.
    await page.goto('/practise/drills/called?body=linnet')
    await page.getByRole('button', { name: /^Start/ }).press('Enter')
    for (let i = 0; i < 12; i++) {
      await expect(page.getByText(`${i + 1} of 12`)).toBeVisible()
      await type('1')
      await expect(page.getByRole('status').filter({ hasText: /Right\.|It is “/ })).toBeVisible()
      await type('Enter')
    }
    await expect(tried(page).getByText(/\d+ of 12 right, an answer/)).toBeVisible()

    // Focus and recompose: twice on the key is two tones, and no passing.
    await page.goto('/practise/drills/recompose?body=sorrel')
    await page.getByRole('button', { name: /^Start/ }).press('Enter')
    await type(' ')
    await page.keyboard.down('ArrowRight')
    await page.waitForTimeout(300)
    await page.keyboard.up('ArrowRight')
    await type(' ')
    await expect(page.getByText('Two tones: it focused again.')).toBeVisible()
    await type('Enter')
    await expect(tried(page).getByText(/^Not yet\./)).toBeVisible()
    await expect(tried(page).getByText(/It focused twice/)).toBeVisible()
    await expect(
      tried(page).getByText(/The plane moved \d+\.\d cm behind the subject; \d+\.\d cm are sharp/),
    ).toBeVisible()

    // Track: by keys it says nothing about hands.
    await page.goto('/practise/drills/track')
    await page.getByRole('button', { name: /^Start/ }).press('Enter')
    for (let i = 0; i < 6; i++) {
      await page.keyboard.down(i % 2 ? 'ArrowLeft' : 'ArrowRight')
      await page.waitForTimeout(900)
      await page.keyboard.up(i % 2 ? 'ArrowLeft' : 'ArrowRight')
    }
    await type('Escape')
    await expect(tried(page).getByText(/The aim wandered by \d/)).toBeVisible()
    await expect(tried(page).getByText(/says nothing about hands/)).toBeVisible()

    // Menu race: the first row of the first page of the first tab is on the way to nothing else.
    await page.goto('/practise/drills/race?body=linnet&standard=ring-action')
    await page.getByRole('button', { name: /^Start/ }).press('Enter')
    await expect(page.getByRole('heading', { level: 2 })).toHaveText(/^Set “.*” to “.*”$/)
    await type('ArrowDown')
    await type('Enter')
    await expect(page.getByRole('button', { name: 'Back' })).toBeVisible()
    await type('Escape')

    // What was tried is kept, and stands in the list.
    await page.goto('/practise/drills?standard=ring-action&body=sorrel')
    await expect(page.getByRole('link', { name: /Hold and let go/ })).toContainText('1 try; the newest:')
    await expect(page.getByRole('link', { name: /called here/ })).toContainText('1 try; the newest:')
  })
})

/** One finger on the glass, held as long as one likes. */
const finger = (cdp: CDPSession, page: Page) => ({
  down: async (name: string) => {
    const box = await page.getByRole('button', { name }).boundingBox()
    if (!box) throw new Error(`no ${name}`)
    await cdp.send('Input.dispatchTouchEvent', {
      type: 'touchStart',
      touchPoints: [{ x: box.x + box.width / 2, y: box.y + box.height / 2 }],
    })
  },
  up: async () => {
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  },
})

test.describe('with a thumb, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('every drill is done by touch alone', async ({ page, expectAccessible }) => {
    test.slow()
    const cdp = await page.context().newCDPSession(page)
    const touch = finger(cdp, page)
    const tap = async (name: string | RegExp) => page.getByRole('button', { name }).first().tap()
    await page.goto('/practise/drills/hold?standard=ring-action&body=sorrel')
    await page.getByLabel('Who practises').tap()
    await page.getByRole('option', { name: 'Ansel Pike' }).tap()
    await tap(/^Start/)
    await holdAndLetGo(page, 4, isDown => (isDown ? touch.down('Pad 1: AF start') : touch.up()))
    await page.waitForTimeout(300)
    await tap('End')
    await expect(tried(page).getByText(/\d of \d right, reaction \d+ ms/)).toBeVisible()
    await shot(page, 'hold-phone')

    // Which key: the right one is marked, whatever was tapped.
    await page.goto('/practise/drills/which-key?standard=ring-action&body=sorrel')
    await tap(/^Start/)
    await page.getByRole('region', { name: 'Question' }).getByRole('button').first().tap()
    await expect(page.getByRole('button', { name: /✓/ })).toBeVisible()
    await expectAccessible()
    await tap('End')
    await expect(tried(page).getByText(/of 1 right/)).toBeVisible()

    // The phone itself is turned: one tone, as far as the third line, at rest.
    await page.goto('/practise/drills/recompose?body=sorrel')
    await tap('Turn the phone itself')
    await expect(page.getByText(/This device does not tell how it turns/)).toBeVisible()
    const point = (alpha: number) =>
      page.evaluate(
        a =>
          void window.dispatchEvent(new DeviceOrientationEvent('deviceorientation', { alpha: a, beta: 40, gamma: 0 })),
        alpha,
      )
    await tap('Turn the phone itself')
    await expect(async () => {
      await point(120)
      await expect(page.getByText('The phone’s own turning counts.')).toBeVisible({ timeout: 500 })
    }).toPass()
    await tap(/^Start/)
    await point(120)
    await touch.down('Hold to focus')
    await page.waitForTimeout(400)
    for (let a = 120; a >= 116; a -= 0.5) await point(a)
    await page.waitForTimeout(400)
    await touch.up()
    await tap('Take the picture')
    await expect(tried(page).getByText(/^Right\. Turned 4\.0° of 4\.0°/)).toBeVisible()

    // Track: a finger goes after the subject, as often as an eye looks; the clock waits for a slow machine.
    await page.clock.install()
    await page.goto('/practise/drills/track')
    await expect(page.getByRole('button', { name: /^Start/ })).toBeEnabled()
    await page.clock.pauseAt(new Date(Date.now() + 3_600_000))
    await tap(/^Start/)
    const ball = page.getByRole('img', { name: /A subject that passes/ }).locator('circle')
    const at = async () => {
      const box = await ball.boundingBox()
      if (!box) throw new Error('no ball')
      return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
    }
    await page.clock.runFor(60)
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [await at()] })
    for (let look = 0; look < 100; look++) {
      await cdp.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [await at()] })
      await page.clock.runFor(60)
    }
    await touch.up()
    // A slow machine takes a tap for a long press at times: it is tapped again, while the clock stands.
    await expect(async () => {
      await page.getByRole('button', { name: 'End', exact: true }).tap({ timeout: 2000 })
      await expect(tried(page).getByText(/on the subject for \d+ of 100 moments/)).toBeVisible({ timeout: 2000 })
    }).toPass()
    await page.clock.resume()
    const inside = Number(/for (\d+) of 100/.exec((await tried(page).textContent()) ?? '')?.[1])
    expect(inside).toBeGreaterThan(90)

    // Any rows of the menu, one of them found.
    await page.goto('/practise/drills/race?body=wicket&standard=ring-action')
    await tap(/^Any/)
    await page.getByRole('menuitem').first().tap()
    await expect(page.getByRole('button', { name: 'Back' })).toBeVisible()
    await tap('End')
    await expect(page.getByRole('button', { name: /^Start/ })).toBeVisible()
  })

  test('a try without a name is kept once somebody says whose it was; the keys lie where the body has them', async ({
    page,
  }) => {
    await page.setViewportSize({ width: 780, height: 360 })
    await page.goto('/practise/drills/hold?standard=ring-action&body=sorrel')
    await page.getByRole('button', { name: /^Start/ }).tap()
    const [first, stage] = [page.getByRole('button', { name: ': AF start' }), page.locator('svg[role=img]').first()]
    await expect(first).toBeVisible()
    const [key, scene] = [await first.boundingBox(), await stage.boundingBox()]
    if (!key || !scene) throw new Error('nothing drawn')
    // On its side the phone is the body: the thumb’s key is at the upper right, and the scene does not lie under it.
    expect(key.x).toBeGreaterThan(390)
    expect(key.y).toBeLessThan(180)
    expect(scene.x + scene.width).toBeLessThanOrEqual(key.x)
    expect(key.width).toBeGreaterThanOrEqual(44)
    await expect(stage).toHaveAttribute('aria-label', /moves/, { timeout: 15_000 })
    await page.waitForTimeout(4200)
    await page.getByRole('button', { name: 'End', exact: true }).tap()
    await expect(page.getByRole('heading', { name: 'Whose try was that?' })).toBeVisible()
    await expect(
      tried(page)
        .getByText(/not done/)
        .first(),
    ).toBeVisible()
    await page.getByRole('button', { name: 'Saskia Venn' }).tap()
    await expect(page.getByRole('heading', { name: 'Whose try was that?' })).toBeHidden()
    // Upright again, the list of people has room.
    await page.setViewportSize({ width: 390, height: 844 })
    await page.getByLabel('Who practises').tap()
    await page.getByRole('option', { name: 'Saskia Venn' }).tap()
    await expect(page.getByText(/^1 try; the newest: 0 of 100 right/)).toBeVisible()
  })
})

test('a gamepad holds and lets go; a phone that may not tell how it turns says what to do', async ({ page }) => {
  await page.addInitScript(() => {
    const buttons = Array.from({ length: 16 }, () => ({ pressed: false }))
    Object.assign(window, { padButtons: buttons })
    navigator.getGamepads = () => [{ buttons }] as unknown as (Gamepad | null)[]
    Object.assign(DeviceOrientationEvent, { requestPermission: () => Promise.resolve('denied') })
  })
  const press = (isDown: boolean) =>
    page.evaluate(on => {
      const [first] = (window as unknown as { padButtons: { pressed: boolean }[] }).padButtons
      if (first) first.pressed = on
    }, isDown)
  await page.goto('/practise/drills/hold?standard=ring-action&body=sorrel')
  await page.getByRole('button', { name: /^Start/ }).click()
  await holdAndLetGo(page, 2, press)
  await page.waitForTimeout(300)
  await page.keyboard.press('Escape')
  await expect(tried(page).getByText(/The subject comes in and moves: right, after \d+ ms/)).toBeVisible()
  await page.goto('/practise/drills/track')
  await page.getByRole('button', { name: 'Turn the phone itself' }).click()
  await expect(page.getByText(/was not allowed to tell how the phone turns; allow it/)).toBeVisible()
})

test('a student takes a lesson outdoors, the teacher sees it, and says the word for the next', async ({
  page,
  expectAccessible,
}) => {
  test.slow()
  await page.goto('/practise/class')
  await page.getByRole('link', { name: /Quayside, autumn/ }).click()
  await expect(page.getByRole('table', { name: 'Who is where' })).toBeVisible()
  await expectAccessible()
  await iAm(page, 'Osric Fenn')
  await page.getByRole('link', { name: 'Osric Fenn', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Detection/)
  await expect(page.getByRole('region', { name: 'Set on the Corvane Linnet' }).getByRole('listitem')).toHaveCount(1)
  await expectAccessible()
  for (let i = 0; i < 14; i++) await page.getByRole('button', { name: 'Sharp', exact: true }).click()
  for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Not sharp' }).click()
  // Kept on the device until it is handed in.
  await page.reload()
  await expect(page.getByText('14 of 20 sharp on this device.')).toBeVisible()
  await page.getByRole('button', { name: 'Hand in' }).click()
  await expect(page.getByText(/Counted so far: 14 of 20 sharp; that speaks for 48 to 85 of 100/)).toBeVisible()
  await expect(page.getByText(/, passed$/)).toBeVisible()
  // A student’s own word is none.
  await expect(page.getByRole('button', { name: /teacher’s word/ })).toBeHidden()

  await page.getByRole('link', { name: 'Quayside, autumn' }).click()
  await page.getByRole('link', { name: 'Osric Fenn, Detection: passed' }).click()
  await page.getByRole('link', { name: /Next: Through foliage/ }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Through foliage/)
  await page.evaluate(() => localStorage.setItem('coherion-person', 'tobiah-lark\nTobiah Lark'))
  await page.reload()
  await page.getByRole('button', { name: 'Pass by the teacher’s word' }).click()
  await expect(page.getByText('Wilhelmina Dow teaches Quayside, autumn.')).toBeVisible()
  await page.evaluate(() => localStorage.setItem('coherion-person', 'wilhelmina-dow\nWilhelmina Dow'))
  await page.reload()
  await page.getByRole('button', { name: 'Pass by the teacher’s word' }).click()
  await expect(page.getByText(/passed by Wilhelmina Dow’s word/)).toBeVisible()
  await page.getByRole('button', { name: 'Take the word back' }).click()
  await expect(page.getByRole('button', { name: 'Pass by the teacher’s word' })).toBeVisible()

  // Somebody joins, and the course is on paper for what they bring.
  await page.getByRole('link', { name: 'Quayside, autumn' }).click()
  await page.getByLabel('Name of the student').fill('Delphine Arkwright')
  await page.getByLabel('Brings', { exact: true }).click()
  await page.getByRole('option', { name: 'Bransk Tollgate', exact: true }).click()
  await page.getByRole('button', { name: 'Join' }).click()
  await expect(page.getByRole('columnheader', { name: /Delphine Arkwright/ })).toBeVisible()
  await page.getByLabel('Delphine Arkwright brings').click()
  await page.getByRole('option', { name: 'Dunmere Pebble', exact: true }).click()
  await expect(page.getByRole('columnheader', { name: /Delphine Arkwright/ })).toContainText('Dunmere Pebble')
  await page.getByRole('button', { name: 'Delphine Arkwright leaves' }).click()
  await expect(page.getByRole('columnheader', { name: /Delphine Arkwright/ })).toBeHidden()
  const paper = await page.request.get(
    (await page.getByRole('link', { name: 'Handout for the Bransk Tollgate' }).getAttribute('href')) ?? '',
  )
  expect(paper.headers()['content-type']).toBe('application/pdf')
})

test('a course is edited, goes out as a file and comes back; what cannot be says where', async ({
  page,
  expectAccessible,
}) => {
  await page.goto('/practise/class')
  await iAm(page, 'Wilhelmina Dow')
  await page.getByRole('link', { name: 'Evening class, first month', exact: true }).click()
  const second = page.getByRole('region', { name: /^2\s+The tone on/ })
  await second.getByLabel('Sharp, of 100').fill('0')
  await expect(page.getByText(/expected a share above 0/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save the course' })).toBeDisabled()
  await second.getByLabel('Sharp, of 100').fill('90')
  await second.getByLabel('Title').fill('One tone')
  await page
    .getByRole('region', { name: /^2\s+One tone/ })
    .getByLabel('From a standard')
    .click()
  await page.getByRole('option', { name: 'Night fire' }).click()
  await page
    .getByRole('region', { name: /^2\s+One tone/ })
    .getByLabel('Add a target')
    .click()
  await page.getByRole('option').first().click()
  await page.getByRole('button', { name: 'Earlier' }).nth(1).click()
  await page.getByRole('button', { name: 'Save the course' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  await expectAccessible()
  const file = (await (await page.request.get('/api/v1/courses/evening-class')).json()) as Course
  expect(file.lessons[0]).toMatchObject({ id: 'tone', title: 'One tone', outdoors: { share: 0.9 } })
  expect(file.lessons[0]?.set).toHaveLength(2)
  await page.goto('/practise/class')
  const take = async (document: object) => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: 'Read a course from a file' }).click()
    await (
      await chooser
    ).setFiles({ name: 'course.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(document)) })
  }
  await take({ ...file, id: 'mine', lessons: [{ ...file.lessons[0], title: '' }] })
  await expect(page.getByText(/lessons\.0\.title/)).toBeVisible()
  await take({ ...file, id: 'mine', name: 'Mine' })
  await expect(page).toHaveURL(/\/practise\/class\/course\/mine/)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Mine')
})

test('a scene of one’s own is kept for the house, changed and thrown away; a lens of the house is taken', async ({
  page,
}) => {
  await page.goto('/practise/rehearsal?standard=ring-action&body=sorrel&passage=parade')
  await page.getByRole('combobox', { name: 'Lens', exact: true }).click()
  await page.getByRole('option', { name: /100/ }).first().click()
  await expect(page.getByLabel('Focal, mm')).toHaveValue('100')
  await page.getByRole('button', { name: 'Change the scene' }).click()
  await page.getByLabel('Place 1: m away').fill('30')
  await page.getByLabel('Other faces', { exact: true }).fill('4')
  await page.getByLabel('Other faces, m away').fill('12')
  await page.getByLabel('Ground shakes, °').fill('0.4')
  await page.getByLabel('Name of a new scene').fill('Geese on the quay')
  await page.getByRole('button', { name: 'Keep it for the house' }).click()
  await expect(page.getByRole('combobox', { name: 'Scene' })).toHaveText('Geese on the quay')
  await expect(page.getByText(/^0\.0 s: .*subject at 30\.0 m/)).toBeVisible()
  await page.getByRole('button', { name: 'Change the scene' }).click()
  await page.getByLabel('Place 1: m away').fill('25')
  await page.getByRole('button', { name: /Change “Geese on the quay” for everybody/ }).click()
  await expect(page.getByRole('button', { name: 'Change the scene', exact: true })).toBeVisible()
  const { scenes } = (await (await page.request.get('/api/v1/scenes')).json()) as { scenes: { passage: Passage }[] }
  expect(scenes[0]?.passage).toMatchObject({ name: 'Geese on the quay', others: { faces: 4, metres: 12 }, shake: 0.4 })
  // Somebody else finds it, as it is by now.
  await page.evaluate(() => localStorage.clear())
  await page.reload()
  await expect(page.getByText(/^0\.0 s: .*subject at 25\.0 m/)).toBeVisible()
  await page.getByRole('button', { name: 'Change the scene' }).click()
  await page.getByRole('button', { name: 'Throw it away' }).click()
  await expect(page.getByRole('combobox', { name: 'Scene' })).not.toHaveText('Geese on the quay')
})

test('somebody’s own hands, as tracking measured them, are rehearsed with', async ({ page }) => {
  await page.goto('/practise/rehearsal?standard=ring-action&body=sorrel&passage=rope-walker')
  await iAm(page, 'Perpetua Nye')
  await page.getByLabel('Hands').click()
  await page.getByRole('option', { name: 'Perpetua Nye’s own' }).click()
  await expect(page.getByRole('combobox', { name: 'Hands' })).toHaveText('Perpetua Nye’s own')
  await expect(page.getByText(/: \d+ of 100 sharp/).first()).toBeVisible({ timeout: 30_000 })
})
