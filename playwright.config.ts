import { defineConfig } from '@playwright/test'
import chromium from './scripts/chromium.json' with { type: 'json' }

export default defineConfig({
  testDir: 'test/browser',
  outputDir: 'test-results',
  globalSetup: './test/browser/support/template.ts',
  timeout: 240_000,
  // Two browsers, two servers and a fleet being levelled share the processors of a small machine.
  expect: { timeout: 30_000 },
  workers: 2,
  fullyParallel: true,
  // What passes only the second time is told as flaky, with what the page showed.
  retries: process.env['CI'] ? 1 : 0,
  reporter: process.env['CI'] ? [['line'], ['./test/browser/support/shown.ts']] : 'list',
  use: {
    // A browser that stops drawing, which happens once in some thousand pages, is not waited for to the end.
    actionTimeout: 90_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: chromium.args,
    },
  },
})
