// npm run bench: prints figures and ratios; never fails a build.
import { bin, ensureBuilt, ensureChromium, ensureInstalled, run } from './lib.mjs'

await ensureInstalled()
await ensureBuilt()
process.exit(
  await run(bin('tsx'), ['scripts/bench/index.ts', ...process.argv.slice(2)], { CHROMIUM: await ensureChromium() }),
)
