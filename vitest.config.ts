import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import Icons from 'unplugin-icons/vite'
import { defineConfig } from 'vitest/config'
import { REPORTS } from './scripts/testReport.mjs'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

// One zone for all: what a logger wrote in local time is read in it.
process.env.TZ = 'Europe/Berlin'

/** Tests that put something in the place of a module, or leave a connection behind: each has a process of its own. */
const ALONE = ['core/test/library/inventedStyle.test.ts', 'tests/unit/composables.test.ts', 'tests/unit/link.test.ts']

export default defineConfig({
  resolve: { alias: { '~': here('./app'), '#demo': here('./demo') } },
  test: {
    environment: 'node',
    // Only what hangs is stopped: a busy machine is no fault of what is tested.
    testTimeout: 300_000,
    outputFile: { json: REPORTS.vitest },
    projects: [
      // Files share one process, and modules are read once; but for those that put something in their place.
      {
        extends: true,
        test: { name: 'core', include: ['core/test/**/*.test.ts'], exclude: ALONE, isolate: false },
      },
      {
        extends: true,
        test: {
          name: 'app',
          include: ['tests/unit/**/*.test.ts'],
          exclude: ALONE,
          setupFiles: ['fake-indexeddb/auto'],
          isolate: false,
        },
      },
      {
        extends: true,
        test: { name: 'alone', include: ALONE, setupFiles: ['fake-indexeddb/auto'] },
      },
      // Pages and components over a database in memory.
      {
        extends: true,
        resolve: { alias: { '#components': here('./tests/component/components.ts') } },
        plugins: [vue(), Icons({ compiler: 'vue3', autoInstall: false })],
        test: {
          name: 'component',
          include: ['tests/component/**/*.test.ts'],
          environment: 'happy-dom',
          setupFiles: ['fake-indexeddb/auto', './tests/component/environment.ts'],
        },
      },
    ],
    coverage: {
      provider: 'v8',
      include: ['core/src/**', 'app/**/*.{ts,vue}', 'server/**'],
      reporter: ['text-summary', 'html'],
    },
  },
})
