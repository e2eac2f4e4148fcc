// What the first page loads, in the built application: gzipped JavaScript before its first figure and with what is
// fetched ahead; and how soon it stands on a slow phone (a quarter of the speed, 1.6 Mbit/s, 150 ms), nothing kept.
import { setTimeout as wait } from 'node:timers/promises'
import { gzipSync } from 'node:zlib'
import { sized, within } from './rows.mjs'
import { onServedPage } from './served.mjs'
import { shownMs } from './watched.mjs'

/** Files of code a page asked for, once each, with when they came. */
function codeOf(page) {
  const files = new Map()
  page.on('response', (response) => {
    if (!response.url().endsWith('.js') || files.has(response.url())) return
    const atMs = performance.now()
    const kb = response.body().then(
      (body) => gzipSync(body).length / 1024,
      // The page was closed while it came: it is not part of what was waited for.
      () => 0,
    )
    files.set(response.url(), { atMs, kb })
  })
  return async (untilMs) => {
    const all = await Promise.all([...files.values()].filter(({ atMs }) => atMs <= untilMs).map(({ kb }) => kb))
    return all.reduce((sum, kb) => sum + kb, 0)
  }
}

await onServedPage('4174', async (page) => {
  const kbUntil = codeOf(page)
  await page.goto('/')
  await page.getByRole('heading', { level: 1 }).waitFor()
  const shownMs = performance.now()
  await wait(3000)
  sized('JavaScript of the first page, gzipped, before it stands', await kbUntil(shownMs), 230)
  sized('… with what it fetches ahead', await kbUntil(Infinity), 300)
})

await onServedPage('4174', async (page) => {
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('Network.enable')
  await devtools.send('Network.emulateNetworkConditions', {
    ...{ offline: false, latency: 150 },
    ...{ downloadThroughput: 1.6e6 / 8, uploadThroughput: 0.75e6 / 8 },
  })
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 })
  await page.addInitScript(() => {
    new PerformanceObserver((list) => (window.largest = list.getEntries().at(-1).startTime)).observe({
      ...{ type: 'largest-contentful-paint', buffered: true },
    })
  })
  await page.goto('/', { waitUntil: 'commit' })
  const shown = await shownMs(page, 'h1')
  await wait(1500)
  within('Slow phone, empty cache: largest paint', await page.evaluate(() => window.largest), 2500)
  within('Slow phone, empty cache: the first page stands', shown, 4000)
})
