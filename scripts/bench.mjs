// npm run bench: prints figures and ratios; never fails a build.
import { readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { ensureChromium, ensureReady, run } from './lib.mjs'

await ensureReady()
// Measured as it is shipped: in one piece, without what a runner of TypeScript puts around every function.
await build({
  entryPoints: ['scripts/bench/index.ts'],
  outfile: 'dist/bench.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  logLevel: 'warning',
  plugins: [
    {
      name: 'where-a-file-is',
      setup: b =>
        b.onLoad({ filter: /\/(?:scripts|test|src)\/.*\.ts$/ }, ({ path }) => ({
          contents: readFileSync(path, 'utf8').replaceAll('import.meta.url', JSON.stringify(pathToFileURL(path).href)),
          loader: 'ts',
        })),
    },
  ],
})
process.exit(await run('node', ['dist/bench.mjs', ...process.argv.slice(2)], { CHROMIUM: await ensureChromium() }))
