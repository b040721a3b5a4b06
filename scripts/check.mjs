// npm run check: in under two minutes, what most often goes wrong while somebody works. `npm test` says the rest.
import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { bin, ensureCompiled, ensurePackages, say, step } from './lib.mjs'

const began = Date.now()
await ensurePackages()
await ensureCompiled()
const git = (...args) => execFileSync('git', args, { encoding: 'utf8' }).split('\n').filter(Boolean)
const changed = [
  ...new Set([...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')]),
].filter(file => existsSync(file))
const sources = changed.filter(file => /\.tsx?$/.test(file))

const looks = async () => {
  await step('Formatting', bin('oxfmt'), ['--check'])
  await step('Rooms', bin('depcruise'), ['--config', '.dependency-cruiser.mjs', 'src', 'test'])
  await step('Types and lint', bin('oxlint'), ['--deny-warnings'])
}
const tests = () =>
  step('Unit tests of what changed, and of the house', bin('vitest'), [
    ...(sources.length ? ['related', '--run', ...sources] : ['run', 'rooms', 'promises']),
  ])
await Promise.all([looks(), tests()])
say(`Checked in ${((Date.now() - began) / 1000).toFixed(0)} s`)
