// npm run screenshots: one picture of each main view, from a fresh demo; with names behind `--`, only those.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { bin, chromiumArgs, ensureChromium, ensureReady, root, say, serve, step } from './lib.mjs'

await ensureReady()
const executablePath = await ensureChromium()
const { chromium } = await import('@playwright/test')
const data = mkdtempSync(join(tmpdir(), 'coherion-pictures-'))
await step('Preparing the demo data', bin('tsx'), ['scripts/seed-demo.ts', data])
const server = await serve({ purpose: 'demo', data, port: Number(process.env.PORT ?? 3987), quiet: true })
const address = await server.ready

const WIDE = { width: 1280, height: 800 }
const FIVE = '?bodies=sorrel,tollgate,linnet,pebble,wicket'
const PHONE = { width: 390, height: 800 }
const sign = page => page.evaluate(() => localStorage.setItem('coherion-person', 'imelda-frost\nImelda Frost'))
const tick = count => async page => {
  await sign(page)
  await page.reload({ waitUntil: 'networkidle' })
  for (let i = 1; i <= count; i++) await page.getByRole('checkbox', { name: new RegExp(`^Step ${i}:`) }).check()
  await page.getByText('saved', { exact: true }).waitFor()
}
/** Pastes the menu of a body that nobody has entered, one setting a line under headings. */
const menu = readFileSync(join(root, 'test/fixtures/menus/building/b5-system.txt'), 'utf8')
  .split('\n')
  .filter(line => line.startsWith('#') || line.includes('=>'))
  .map(line => line.split('=>')[0].trim())
  .join('\n')
const beginStilt = () =>
  fetch(`${address}/api/v1/bodies/new`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ maker: 'Marl', model: 'Stilt', menu }),
  })
/** Reads it a page at a time, as far as the page of what stays with a subject. */
const author = async page => {
  await page.getByRole('button', { name: 'Read it a page at a time' }).click()
  await page.getByRole('group', { name: 'Readings of AF1' }).getByRole('checkbox').first().waitFor()
  await page.getByRole('button', { name: /and go on$/ }).click()
  await page.getByRole('group', { name: 'Readings of AF2' }).getByRole('checkbox').first().waitFor()
  await page.getByText('Saved', { exact: true }).waitFor()
}
const type = text => async page => {
  await page.getByLabel(/Any word/).fill(text)
  await page.locator('#phrases-found a').first().waitFor()
}
/** Waits for what is reckoned in the background. */
const answered = page => page.locator('[aria-label="Which bodies can do it"][aria-busy=false]').waitFor()
const levelled = page => page.getByText('What would help most').waitFor()
const mapped = page => page.getByText('That is the best possible.').waitFor()
/** A scene of the demo on the Optics desk. */
const ROPE = 'body~tollgate*lens~tollgate-500*focalMm~500*distance~40*fNumber~4*time~0.001*placeX~0.3*placeY~0.4'
const REHEARSED =
  '/practise/rehearsal?standard=ring-action&body=sorrel&passage=club-passing&school=thumb-start&otherSchool=shutter-start'
const swept = page => page.getByText(/As set now about/).waitFor({ timeout: 60_000 })
/** In the middle of holding and letting go, with the thumb on the key. */
const holding = async page => {
  await sign(page)
  await page.reload({ waitUntil: 'networkidle' })
  await page.getByRole('button', { name: /^Start/ }).click()
  await page.locator('svg[aria-label*="moves"]').waitFor({ timeout: 20_000 })
  await page.keyboard.down('j')
}
/** A key that another setting keeps, and what its row may say instead. */
const helped = async page => {
  const step = page.getByRole('listitem').filter({ hasText: 'Rear key A:' })
  await step.getByRole('button', { name: /is not as it says/ }).click()
  await step.evaluate(li => li.scrollIntoView({ block: 'start' }))
  await page.evaluate(() => globalThis.scrollBy(0, -110))
}
/** The made film, followed: its takes with their moments. */
const followed = async page => {
  await page.getByRole('button', { name: 'Try it with a made film of this body' }).click()
  await page.getByRole('button', { name: 'Follow both places' }).click()
  await page.getByRole('heading', { name: /9 takes/ }).waitFor({ timeout: 120_000 })
  await page.getByRole('heading', { name: 'Takes', exact: true }).evaluate(h => h.scrollIntoView({ block: 'start' }))
  await page.evaluate(() => globalThis.scrollBy(0, -120))
}
/** In the middle of a run by thumb. */
const tapped = async page => {
  await page.getByRole('button', { name: 'Leave the thumb out' }).click()
  const tap = words => page.getByRole('button', { name: words }).click()
  for (let i = 0; i < 4; i++) {
    await tap('Tap as the board covers the chart')
    await tap('Tap when the board is sharp')
  }
  await tap('Tap as the board covers the chart')
}
/** From a sentence to what the guide says of it. */
const guided = async page => {
  await page
    .getByLabel('What will you photograph?')
    .fill('silks dropping suddenly, one lit figure, small in the frame, nobody in the way')
  await page.getByRole('button', { name: 'Fill in' }).click()
  await page.getByRole('button', { name: 'people', exact: true }).click()
  await page.getByRole('article', { name: 'What starts focusing' }).waitFor()
  await page.evaluate(() => globalThis.scrollTo(0, 0))
}
/** A plan that is large enough, as it is typed. */
const planned = async page => {
  await page.getByLabel('The question').fill('Thumb start or shutter start for tumblers?')
  await page.getByLabel('Way 1', { exact: true }).fill('Thumb start')
  await page.getByLabel('Way 2', { exact: true }).fill('Shutter start')
  await page.getByLabel('Situation 1', { exact: true }).fill('Tumbler towards the camera')
  await page.getByLabel('Passes a block').fill('80')
  await page
    .getByText('That is enough for the difference that matters.')
    .evaluate(e => e.scrollIntoView({ block: 'center' }))
}
/** In the middle of a block. */
const counted = async page => {
  await sign(page)
  await page.reload({ waitUntil: 'networkidle' })
  for (let i = 0; i < 3; i++) {
    await page.getByRole('button', { name: /^Sharp, / }).click()
    await page.waitForTimeout(300)
  }
  await page.getByRole('button', { name: /^Soft, / }).click()
  await page.evaluate(() => globalThis.scrollTo(0, 0))
}
const nextUp = page => page.getByRole('region', { name: 'Next' }).waitFor()
/** The evening in the tent, as it stands on the sheet. */
const inTheTent = async page => {
  await page.getByRole('region', { name: 'Club passing' }).evaluate(e => e.scrollIntoView({ block: 'start' }))
  await page.evaluate(() => globalThis.scrollBy(0, -70))
}
/** The strip for the ring with its marks. */
const marked = async page => {
  await page.getByRole('heading', { name: 'Focus marks' }).evaluate(e => e.scrollIntoView({ block: 'start' }))
  await page.evaluate(() => globalThis.scrollBy(0, -20))
}
const shots = [
  { name: 'concordance', path: `/decide/concordance${FIVE}` },
  {
    name: 'concordance-explained',
    beside: [
      { path: `/decide/concordance${FIVE}&cell=linnet:track.hold` },
      { path: '/decide/concordance?level=300&figure=alike', act: levelled },
    ],
  },
  {
    name: 'concordance-night',
    path: `/decide/concordance${FIVE}&differs=1&sort=agreement&figure=behind`,
    theme: 'dark',
  },
  {
    name: 'standard-editor',
    beside: [
      { path: '/decide/standards/ring-action?version=3&target=track.hold', act: answered },
      { path: '/decide/standards/ring-action?version=3&part=guide', act: guided },
    ],
  },
  { name: 'phrasebook', path: '/name/phrasebook', act: type('nervve') },
  { name: 'controls', path: `/set/controls${FIVE}&school=two-thumbs`, act: mapped },
  { name: 'optics', path: `/decide/optics?scene=${ROPE}` },
  {
    name: 'bench-film',
    beside: [
      { path: '/prove/bench/film?bodies=pebble&body=pebble&what=track.hold&setting=cling&repeats=3', act: followed },
      {
        path: '/prove/bench/run?body=tollgate&what=track.hold&setting=stick&repeats=3',
        viewport: PHONE,
        act: tapped,
      },
    ],
  },
  {
    name: 'bench-lens',
    beside: [
      { path: '/prove/bench/lens/1' },
      { path: '/prove/bench/lens/2', act: page => page.locator('[role=img] svg').waitFor() },
    ],
  },
  {
    name: 'trial',
    beside: [
      { path: '/prove/trials/new', act: planned },
      { path: '/prove/trials/2/count', viewport: PHONE, act: counted },
      { path: '/prove/trials/1' },
    ],
  },
  { name: 'audit', path: '/prove/audit/1' },
  {
    name: 'rehearsal',
    beside: [
      { path: REHEARSED, act: swept },
      {
        path: REHEARSED,
        act: async page => {
          await swept(page)
          await page.getByRole('heading', { name: 'Many passages' }).evaluate(h => h.scrollIntoView())
        },
      },
    ],
  },
  {
    name: 'practise',
    beside: [
      { path: '/practise/class/1', act: page => page.getByRole('table').waitFor() },
      { path: '/practise/drills/hold?standard=ring-action&body=sorrel', viewport: PHONE, act: holding },
    ],
  },
  { name: 'readiness', path: '/keep/readiness' },
  {
    name: 'card-phone',
    beside: [
      { path: '/set/cards/pebble', viewport: PHONE, act: tick(2) },
      { path: '/set/cards/tollgate?unit=tsp-t1', viewport: PHONE, act: helped },
      { path: '/work/rescues?body=sorrel&symptom=press-does-nothing', viewport: PHONE },
    ],
  },
  {
    name: 'job',
    beside: [
      {
        path: '/work/jobs/saltmarsh-ring',
        act: page => page.getByText(/no other slots take fewer|may be a better way/).waitFor(),
      },
      { path: '/work/now?job=saltmarsh-ring&person=perpetua-nye', viewport: PHONE, act: nextUp },
      { path: '/work/jobs/saltmarsh-ring/sheet?person=perpetua-nye', viewport: PHONE, act: inTheTent },
    ],
  },
  {
    name: 'film',
    beside: [
      { path: '/work/film?standard=talk-on-camera' },
      { path: '/work/film?standard=talk-on-camera', act: marked },
    ],
  },
  // Last: the body it adds would stand in all the others.
  { name: 'body-editor', path: '/name/bodies/stilt/edit', before: beginStilt, act: author },
]

/** A printed page, drawn by a reader of PDFs. */
const printed = async name => {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const pdf = await fetch(`${address}/api/v1/cards/pdf?standard=ring-action&units=tsp-t1`)
  const document = await getDocument({ data: new Uint8Array(await pdf.arrayBuffer()), verbosity: 0 }).promise
  const page = await document.getPage(1)
  const viewport = page.getViewport({ scale: 1.4 })
  const { canvas } = document.canvasFactory.create(viewport.width, viewport.height)
  await page.render({ canvas, viewport, background: '#fff' }).promise
  writeFileSync(join(root, 'docs', 'screenshots', `${name}.png`), canvas.toBuffer('image/png'))
  await document.destroy()
  say(`docs/screenshots/${name}.png`)
}

const asked = process.argv.slice(2)
const isAsked = name => asked.length === 0 || asked.includes(name)
process.on('uncaughtException', error => {
  console.error(error)
  server.stop()
  process.exit(1)
})
if (isAsked('card-paper')) await printed('card-paper')
const browser = await chromium.launch({
  executablePath,
  args: chromiumArgs,
})
/** One view as it is seen. */
const seen = async ({ path, viewport = WIDE, theme = 'light', before, act }) => {
  if (before) await before()
  const page = await browser.newPage({
    viewport,
    colorScheme: theme,
    reducedMotion: 'reduce',
    locale: 'en-GB',
    serviceWorkers: 'block',
  })
  await page.goto(address + path, { waitUntil: 'networkidle' })
  if (act) await act(page)
  await page.mouse.move(0, 0)
  await page.waitForTimeout(200)
  const picture = await page.screenshot()
  await page.close()
  return picture
}
const GAP = 24
/** Wider than this a picture is made smaller: nobody reads it at its full size. */
const MOST_WIDTH = 1720
/** Several views beside each other, all as high as the first. */
const joined = async pictures => {
  const { default: sharp } = await import('sharp')
  const { height } = await sharp(pictures[0]).metadata()
  const parts = await Promise.all(pictures.map(p => sharp(p).resize({ height }).toBuffer({ resolveWithObject: true })))
  const width = parts.reduce((sum, p) => sum + p.info.width + GAP, -GAP)
  let left = 0
  const placed = parts.map(({ data: input, info }) => {
    const at = { input, left, top: 0 }
    left += info.width + GAP
    return at
  })
  const whole = await sharp({ create: { width, height, channels: 3, background: '#d9d4c8' } })
    .composite(placed)
    .png()
    .toBuffer()
  return sharp(whole)
    .resize({ width: Math.min(width, MOST_WIDTH) })
    .png({ palette: true })
    .toBuffer()
}
for (const shot of shots.filter(s => isAsked(s.name))) {
  const pictures = []
  for (const part of shot.beside ?? [shot]) pictures.push(await seen(part))
  const picture = shot.beside ? await joined(pictures) : pictures[0]
  writeFileSync(join(root, 'docs', 'screenshots', `${shot.name}.png`), picture)
  say(`docs/screenshots/${shot.name}.png`)
}
await browser.close()
server.stop()
await server.ended
rmSync(data, { recursive: true, force: true })
