import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: {
    alias: {
      '@': fileURLToPath(new URL('./src', import.meta.url)),
      // Marks modules for Next; outside of it there is nothing to mark.
      'server-only': fileURLToPath(new URL('./test/fixtures/server-only.ts', import.meta.url)),
    },
  },
  test: { include: ['src/**/*.test.ts', 'test/unit/**/*.test.ts'], testTimeout: 120_000, pool: 'forks' },
})
