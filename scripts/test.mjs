// npm test: installs what is missing, then lint, types, unit tests, build and browser tests.
import { bin, ensureChromium, ensureReady, say, step } from './lib.mjs'

const began = Date.now()
const [chromium] = await Promise.all([ensureChromium(), ensureReady()])
const looks = async () => {
  await step('Formatting', bin('oxfmt'), ['--check'])
  await step('Layers', bin('depcruise'), ['--config', '.dependency-cruiser.mjs', 'src', 'test'])
  await step('Types and lint', bin('oxlint'), ['--deny-warnings'])
}
// The unit tests do not keep all processors busy: what only reads the sources goes on beside them.
await Promise.all([looks(), step('Unit tests', bin('vitest'), ['run'])])
await step('Browser tests', bin('playwright'), ['test'], { CHROMIUM: chromium })
say(`All passed in ${((Date.now() - began) / 60000).toFixed(1)} minutes`)
