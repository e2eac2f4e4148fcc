// What the first page loads, in the built application: gzipped JavaScript before its first figure and with what is
// fetched ahead; and how soon it stands on a slow phone (a quarter of the speed, 1.6 Mbit/s, 150 ms), with nothing kept
// and installed.
import { setTimeout as wait } from 'node:timers/promises'
import { gzipSync } from 'node:zlib'
import { sized, within, withinMiddle } from './rows.mjs'
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

/** A slow phone on a slow line, which remembers its largest paint. */
async function slowPhone(page) {
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
}
/** How soon the start stands there, and its largest paint, ms. */
async function startOn(page, shown) {
  await slowPhone(page)
  await page.goto('/', { waitUntil: 'commit' })
  const stands = await shownMs(page, shown)
  await wait(1500)
  return { stands, largest: await page.evaluate(() => window.largest) }
}

await onServedPage('4174', async (page) => {
  const { stands, largest } = await startOn(page, 'h1')
  within('Slow phone, empty cache: largest paint', largest, 2500)
  within('Slow phone, empty cache: the first page stands', stands, 4000)
})

// Installed: the shell is there, opened a few times before, with the demo's shelf.
await onServedPage('4174', async (page) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Look around with the demo' }).click()
  await page.locator('.plank [data-lot]').first().waitFor()
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  for (let turn = 0; turn < 3; turn++) {
    await page.goto('/')
    await page.locator('.plank [data-lot]').first().waitFor()
    await wait(2000)
  }
  await page.close()
  const starts = []
  for (let turn = 0; turn < 3; turn++) {
    const tab = await page.context().newPage()
    starts.push(await startOn(tab, '.plank [data-lot]'))
    await tab.close()
  }
  withinMiddle(
    'Slow phone, installed: largest paint',
    starts.map(({ largest }) => largest),
    1200,
  )
  withinMiddle(
    'Slow phone, installed: the shelf of the demo stands',
    starts.map(({ stands }) => stands),
    1200,
  )
})
