// npm test: installs what is missing, then lint, types, unit tests, build and browser tests.
import { bin, ensureBuilt, ensureChromium, ensureCompiled, ensurePackages, say, step } from './lib.mjs'

const began = Date.now()
const looks = async () => {
  await step('Formatting', bin('oxfmt'), ['--check'])
  await step('Layers', bin('depcruise'), ['--config', '.dependency-cruiser.mjs', 'src', 'test'])
  await step('Types and lint', bin('oxlint'), ['--deny-warnings'])
}
const unitTests = (name, project) => step(`Unit tests of ${name}`, bin('vitest'), ['run', '--project', project])

const chromium = ensureChromium()
await ensurePackages()
// It keeps one processor busy for minutes: what needs no database goes on beside it.
const compiled = ensureCompiled()
await ensureBuilt()
await Promise.all([looks(), unitTests('core', 'core')])
await compiled
await unitTests('the house', 'house')
await step('Browser tests', bin('playwright'), ['test'], { CHROMIUM: await chromium })
say(`All passed in ${((Date.now() - began) / 60000).toFixed(1)} minutes`)
