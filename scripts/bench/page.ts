import { chromium, type Page } from '@playwright/test'
import { TestServer } from '../../test/browser/support/server'
import template from '../../test/browser/support/template'
import settings from '../chromium.json' with { type: 'json' }

export const median = (all: readonly number[]): number =>
  all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)] ?? NaN

/** A page of the demo as wide as a phone. */
export const onPhone = async (work: (page: Page, address: string) => Promise<void>): Promise<void> => {
  await template()
  const server = await TestServer.start('demo')
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: settings.args,
  })
  try {
    await work(await browser.newPage({ viewport: { width: 390, height: 844 } }), server.address)
  } finally {
    await browser.close()
    await server.stop()
  }
}

/** Makes the processor so many times slower. */
export const slowDown = async (page: Page, rate: number): Promise<void> => {
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate })
}
