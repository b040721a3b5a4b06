// npm run screenshots: one picture of each main view, from a fresh demo.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { bin, chromiumArgs, ensureBuilt, ensureChromium, ensureInstalled, root, say, serve, step } from './lib.mjs'

await ensureInstalled()
await ensureBuilt()
const executablePath = ensureChromium()
const { chromium } = await import('@playwright/test')
const data = mkdtempSync(join(tmpdir(), 'coherion-pictures-'))
await step('Preparing the demo data', bin('tsx'), ['scripts/seed-demo.ts', data])
const server = await serve({ purpose: 'demo', data, port: Number(process.env.PORT ?? 3987), quiet: true })
const address = await server.ready

const WIDE = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 800 }
const sign = page => page.evaluate(() => localStorage.setItem('coherion-person', 'imelda-frost'))
const tick = count => async page => {
  await sign(page)
  await page.reload({ waitUntil: 'networkidle' })
  for (let i = 1; i <= count; i++) await page.getByRole('checkbox', { name: new RegExp(`^Step ${i}:`) }).check()
  await page.getByText('saved', { exact: true }).waitFor()
}
const shots = [
  { name: 'concordance', path: '/decide/concordance' },
  { name: 'concordance-explained', path: '/decide/concordance?cell=linnet:track.hold' },
  { name: 'concordance-night', path: '/decide/concordance?differs=1&sort=agreement&figure=behind', theme: 'dark' },
  { name: 'concordance-phone', path: '/decide/concordance?body=linnet', viewport: PHONE },
  { name: 'bodies', path: '/name/bodies' },
  { name: 'body', path: '/name/bodies/sorrel' },
  { name: 'card', path: '/set/cards/tollgate', act: tick(4) },
  { name: 'card-phone', path: '/set/cards/pebble', viewport: PHONE, act: tick(2) },
  { name: 'cards', path: '/set/cards' },
]

const browser = await chromium.launch({
  executablePath,
  args: chromiumArgs,
})
for (const { name, path, viewport = WIDE, theme = 'light', act } of shots) {
  const page = await browser.newPage({ viewport, colorScheme: theme, reducedMotion: 'reduce', locale: 'en-GB' })
  await page.goto(address + path, { waitUntil: 'networkidle' })
  if (act) await act(page)
  await page.mouse.move(0, 0)
  await page.waitForTimeout(200)
  await page.screenshot({ path: join(root, 'docs', 'screenshots', `${name}.png`) })
  await page.close()
  say(`docs/screenshots/${name}.png`)
}
await browser.close()
server.stop()
await server.ended
rmSync(data, { recursive: true, force: true })
