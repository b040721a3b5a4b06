// npm test: installs what is missing, then lint, types, unit tests, build and browser tests.
import { bin, ensureBuilt, ensureChromium, ensureCompiled, ensurePackages, say, step } from './lib.mjs'

const began = Date.now()
const [chromium] = await Promise.all([ensureChromium(), ensurePackages()])
const looksAndBuild = async () => {
  await step('Formatting', bin('oxfmt'), ['--check'])
  await step('Layers', bin('depcruise'), ['--config', '.dependency-cruiser.mjs', 'src', 'test'])
  await step('Types and lint', bin('oxlint'), ['--deny-warnings'])
  await ensureBuilt()
}
// A compiler works on one processor: what needs nothing of it goes on beside it.
const compiled = ensureCompiled()
await Promise.all([looksAndBuild(), compiled.then(() => step('Unit tests', bin('vitest'), ['run']))])
await step('Browser tests', bin('playwright'), ['test'], { CHROMIUM: chromium })
say(`All passed in ${((Date.now() - began) / 60000).toFixed(1)} minutes`)
