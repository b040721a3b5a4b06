import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** Some rooms of core alone, as when faults are put into them; see scripts/mutants.mjs. */
const rooms = process.env['COHERION_ROOMS']?.split(',')

export default defineConfig({
  resolve: {
    alias: {
      '@': fileURLToPath(new URL('./src', import.meta.url)),
      // Marks modules for Next; outside of it there is nothing to mark.
      'server-only': fileURLToPath(new URL('./test/fixtures/server-only.ts', import.meta.url)),
    },
  },
  test: {
    // A second solver says nothing about a fault that the first check notices, and takes its time.
    exclude: rooms ? ['**/*.highs.test.ts'] : [],
    testTimeout: 120_000,
    // A machine that does other things as well seeds the demo more slowly.
    hookTimeout: 120_000,
    pool: 'forks',
    // Left to itself it keeps one processor free, which is half of a small machine.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: rooms?.map(room => `src/core/${room}/**/*.test.ts`) ?? ['src/core/**/*.test.ts'],
          // Core is pure: nothing one file does reaches another, and loading it once is most of the time saved.
          isolate: false,
          setupFiles: ['./test/fixtures/drawn.ts'],
        },
      },
      {
        extends: true,
        test: {
          name: 'house',
          // Core needs no workers and no database.
          globalSetup: rooms ? [] : ['./test/unit/pool-setup.ts'],
          include: rooms ? [] : ['src/**/*.test.{ts,tsx}', 'test/unit/**/*.test.ts'],
          exclude: ['src/core/**'],
          // Loading the server and its threads once for many files is a third of the time; each begins anew all the same.
          isolate: false,
          setupFiles: ['./test/fixtures/drawn.ts', './test/fixtures/forget.ts'],
        },
      },
    ],
  },
})
