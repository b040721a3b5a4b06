import { chromium } from '@playwright/test'
import { TestServer } from '../../test/browser/support/server'
import template from '../../test/browser/support/template'
import settings from '../chromium.json' with { type: 'json' }
import { figure } from './record'

/** A phone is about so much slower than this machine. @source from memory */
const SLOWER = 4
const TAPS = 15

const median = (all: readonly number[]): number => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)] ?? NaN

/** From a tap on a counter to the frame that shows it, on a page as slow as a phone. */
export const benchTrials = async (): Promise<void> => {
  console.log('Trials')
  await template()
  const server = await TestServer.start('demo')
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: settings.args,
  })
  try {
    const page = await browser.newPage({ viewport: { width: 390, height: 844 } })
    await page.goto(`${server.address}/prove/trials/2/count`)
    await page.getByRole('button', { name: /^Sharp, / }).waitFor()
    const session = await page.context().newCDPSession(page)
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
    const taken: number[] = []
    for (let i = 0; i < TAPS; i++) {
      taken.push(
        await page.evaluate(async () => {
          const pad = [...document.querySelectorAll('button')].find(b =>
            b.getAttribute('aria-label')?.startsWith('Sharp'),
          )
          const before = pad?.getAttribute('aria-label')
          const began = performance.now()
          pad?.click()
          while (pad?.getAttribute('aria-label') === before && performance.now() - began < 3000)
            await new Promise(done => setTimeout(done))
          await new Promise(done => requestAnimationFrame(() => setTimeout(done)))
          return performance.now() - began
        }),
      )
      await page.waitForTimeout(400)
    }
    console.log(
      `  from a tap to the frame that shows it, ${SLOWER} times slowed: ${figure('tap-paint', median(taken), 50)}`,
    )
  } finally {
    await browser.close()
    await server.stop()
  }
}
