import { readFileSync } from 'node:fs'
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter'

/** Says what the page showed when a test failed: where nobody can open its picture, that is what tells why. */
export default class Shown implements Reporter {
  onTestEnd(test: TestCase, { status, attachments, retry }: TestResult): void {
    if (status === 'passed' || status === 'skipped') return
    const page = attachments.find(a => a.name === 'error-context')
    const shown = page?.path ? readFileSync(page.path, 'utf8') : 'nothing was kept of the page'
    console.log(`\n${test.titlePath().join(' › ')} (try ${retry + 1})\n${shown}\n`)
  }
}
