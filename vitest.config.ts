import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

// One zone for all: what a logger wrote in local time is read in it.
process.env.TZ = 'Europe/Berlin'

export default defineConfig({
  resolve: { alias: { '~': here('./app'), '#demo': here('./demo') } },
  test: {
    include: ['core/test/**/*.test.ts', 'tests/unit/**/*.test.ts'],
    setupFiles: ['fake-indexeddb/auto'],
    environment: 'node',
    // Only what hangs is stopped: a busy machine is no fault of what is tested.
    testTimeout: 300_000,
    coverage: {
      provider: 'v8',
      include: ['core/src/**', 'app/**/*.{ts,vue}', 'server/**'],
      reporter: ['text-summary', 'html'],
    },
  },
})
