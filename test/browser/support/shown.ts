import { readFileSync } from 'node:fs'
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter'

const SLOWEST = 25

/**
 * Says what the page showed when a test failed: where nobody can open its picture, that is what tells why. At the end,
 * which tests took longest.
 */
export default class Shown implements Reporter {
  private readonly took: { readonly name: string; readonly seconds: number }[] = []

  onTestEnd(test: TestCase, { status, attachments, retry, duration }: TestResult): void {
    this.took.push({ name: test.titlePath().slice(2).join(' › '), seconds: duration / 1000 })
    if (status === 'passed' || status === 'skipped') return
    const page = attachments.find(a => a.name === 'error-context')
    const shown = page?.path ? readFileSync(page.path, 'utf8') : 'nothing was kept of the page'
    console.log(`\n${test.titlePath().join(' › ')} (try ${retry + 1})\n${shown}\n`)
  }

  onEnd(): void {
    const sum = this.took.reduce((n, t) => n + t.seconds, 0)
    const slowest = this.took.toSorted((a, b) => b.seconds - a.seconds).slice(0, SLOWEST)
    console.log(`\nThe tests took ${sum.toFixed(0)} s in all, longest:`)
    for (const { name, seconds } of slowest) console.log(`  ${seconds.toFixed(1).padStart(5)} s  ${name}`)
  }
}
