import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

// One zone for all: what a logger wrote in local time is read in it.
process.env.TZ = 'Europe/Berlin'

/** Tests of core that mock a file of it. */
const ALONE = ['core/test/library/inventedStyle.test.ts']

export default defineConfig({
  resolve: { alias: { '~': here('./app'), '#demo': here('./demo') } },
  test: {
    environment: 'node',
    // Only what hangs is stopped: a busy machine is no fault of what is tested.
    testTimeout: 300_000,
    projects: [
      // Core is pure: its files share one process, and are read once; but for those that put something in its place.
      {
        extends: true,
        test: { name: 'core', include: ['core/test/**/*.test.ts'], exclude: ALONE, isolate: false },
      },
      {
        extends: true,
        test: { name: 'app', include: ['tests/unit/**/*.test.ts', ...ALONE], setupFiles: ['fake-indexeddb/auto'] },
      },
    ],
    coverage: {
      provider: 'v8',
      include: ['core/src/**', 'app/**/*.{ts,vue}', 'server/**'],
      reporter: ['text-summary', 'html'],
    },
  },
})
