// Gzipped JavaScript that the first page loads, measured in the built application through a real browser.
import { spawn } from 'node:child_process'
import { setTimeout as wait } from 'node:timers/promises'
import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { needChromium } from '../scripts/steps.mjs'

const PORT = '4174'
const LIMIT_KB = 450
const server = spawn('node', ['.output/server/index.mjs'], { env: { ...process.env, PORT, NITRO_HOST: '127.0.0.1' }, stdio: 'ignore' })
process.on('exit', () => server.kill())
for (let tries = 0; tries < 50 && !(await fetch(`http://127.0.0.1:${PORT}/api/health`).catch(() => null)); tries++) await wait(200)
const browser = await chromium.launch({ executablePath: needChromium(), args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'] })
const page = await browser.newPage()
const sizes = []
page.on('response', async (response) => {
  if (response.request().resourceType() === 'script') sizes.push(response.body().then(body => [new URL(response.url()).pathname, gzipSync(body).length / 1024]))
})
await page.goto(`http://127.0.0.1:${PORT}/`)
await page.getByRole('heading', { level: 1 }).waitFor()
await wait(1500)
const loaded = (await Promise.all(sizes)).sort((a, b) => b[1] - a[1])
const total = loaded.reduce((sum, [, size]) => sum + size, 0)
for (const [name, size] of loaded.slice(0, 6)) console.log(`${size.toFixed(1).padStart(8)} KB  ${name}`)
console.log(`First page: ${total.toFixed(0)} KB of gzipped JavaScript in ${loaded.length} files; the limit is ${LIMIT_KB} KB: ${total < LIMIT_KB ? 'kept' : 'BROKEN'}.`)
await browser.close()
server.kill()
if (total >= LIMIT_KB) process.exit(1)
