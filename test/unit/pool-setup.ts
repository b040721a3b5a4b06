import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'

const run = (command: string, ...rest: readonly string[]) =>
  execFileSync(command, rest, { stdio: ['ignore', 'ignore', 'inherit'] })

/** The program of the workers is made of the sources that are tested, whatever was built before; the demo is seeded once. */
const prepare = ({ provide }: TestProject): (() => void) => {
  run('npm', 'run', '--silent', 'pool')
  const demo = mkdtempSync(join(tmpdir(), 'coherion-unit-template-'))
  run(join('node_modules', '.bin', 'tsx'), 'scripts/seed-demo.ts', demo, '2026-11-24T09:00:00.000Z')
  writeFileSync(join(demo, 'worked-out.db'), '')
  provide('demo', demo)
  return () => rmSync(demo, { recursive: true })
}

export default prepare
