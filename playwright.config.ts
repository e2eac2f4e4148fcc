import { defineConfig } from '@playwright/test'
import { chromiumPath } from './scripts/steps.mjs'
import { REPORTS } from './scripts/testReport.mjs'

/**
 * Debian's Chromium, never a download of its own. Flags: no sandbox in containers, nothing fetched in the background.
 */
const executablePath = chromiumPath()
const PORT = 4173

export default defineConfig({
  testDir: 'tests/e2e',
  // A season, a practice run or a day of cut lines through the interface: LONG=1, as `.ci/nightly` has it.
  grepInvert: process.env.LONG ? [] : /@long/,
  // Generous: a shared machine may be several times slower for a while, and that is no fault of what is tested.
  timeout: 400_000,
  expect: { timeout: 20_000 },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: REPORTS.playwright }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Berlin',
    locale: 'en-GB',
    // The offline shell fetches all of itself at the first start: only its own test wants that.
    serviceWorkers: 'block',
    // Nothing moves while it is looked at: what fades is neither read nor judged halfway.
    contextOptions: { reducedMotion: 'reduce' },
    // A recording of every step costs a tenth of the time; CI keeps the sentence and the page of what failed.
    trace: 'off',
    launchOptions: {
      executablePath,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node .output/server/index.mjs',
    // Instruments that settle in a twelfth of the time: what is waited for is the same.
    env: { PORT: String(PORT), NITRO_HOST: '127.0.0.1', NUXT_BENCH_PACE: '12' },
    url: `http://127.0.0.1:${PORT}/api/health`,
    reuseExistingServer: false,
  },
})
