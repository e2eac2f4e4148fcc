import { spawn } from 'node:child_process'
import { setTimeout as wait } from 'node:timers/promises'
import { chromium } from '@playwright/test'
import { needChromium } from '../scripts/steps.mjs'

/** Runs `work` on a page of the built application, then stops browser and server. */
export async function onServedPage(port, work) {
  const server = spawn('node', ['.output/server/index.mjs'], {
    env: { ...process.env, PORT: port, NITRO_HOST: '127.0.0.1' },
    stdio: 'ignore',
  })
  process.on('exit', () => server.kill())
  for (let tries = 0; tries < 50 && !(await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null)); tries++)
    await wait(200)
  const browser = await chromium.launch({
    executablePath: needChromium(),
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
  })
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
  })
  await work(await context.newPage())
  await browser.close()
  server.kill()
}
