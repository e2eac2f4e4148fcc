// Gzipped JavaScript that the first page loads, measured in the built application through a real browser.
import { setTimeout as wait } from 'node:timers/promises'
import { gzipSync } from 'node:zlib'
import { onServedPage } from './served.mjs'

const LIMIT_KB = 450
let total = 0
await onServedPage('4174', async (page) => {
  const sizes = []
  page.on('response', async (response) => {
    if (response.request().resourceType() === 'script')
      sizes.push(response.body().then((body) => [new URL(response.url()).pathname, gzipSync(body).length / 1024]))
  })
  await page.goto('/')
  await page.getByRole('heading', { level: 1 }).waitFor()
  await wait(1500)
  const loaded = (await Promise.all(sizes)).sort((a, b) => b[1] - a[1])
  total = loaded.reduce((sum, [, size]) => sum + size, 0)
  for (const [name, size] of loaded.slice(0, 6)) console.log(`${size.toFixed(1).padStart(8)} KB  ${name}`)
  console.log(
    `First page: ${total.toFixed(0)} KB of gzipped JavaScript in ${loaded.length} files; the limit is ${LIMIT_KB} KB: ${total < LIMIT_KB ? 'kept' : 'BROKEN'}.`,
  )
})
process.exitCode = total < LIMIT_KB ? 0 : 1
