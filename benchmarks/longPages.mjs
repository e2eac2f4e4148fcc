// A fresh tab on an empty log and on one of 100,000 entries, and a reading recorded there; in one run, on the built
// application. ENTRIES says how many.
import { longLog } from './longLog.mjs'
import { openLots } from './openLots.mjs'
import { middle, times, within, withinMiddle } from './rows.mjs'
import { onServedPage } from './served.mjs'
import { shownMs } from './watched.mjs'

const ENTRIES = Number(process.env.ENTRIES ?? 100_000)
const PATIENCE = { timeout: 180_000 }

/** From the address in a fresh tab to what it shows: the middle of five. */
async function freshTab(page, path, shown) {
  const found = []
  for (let turn = 0; turn < 5; turn++) {
    const tab = await page.context().newPage()
    await tab.goto(path, { ...PATIENCE, waitUntil: 'commit' })
    found.push(await shownMs(tab, shown))
    await tab.close()
  }
  return middle(found)
}

/** Run in the page: records the reading that was typed, and tells how long until it stands in the log of its lot. */
async function recorded() {
  let longest = 0
  new PerformanceObserver((list) =>
    list.getEntries().forEach(({ duration }) => (longest = Math.max(longest, duration))),
  ).observe({ type: 'longtask', buffered: false })
  const log = document.querySelector('.log')
  const before = log.textContent
  const from = performance.now()
  document.querySelector('form[aria-label=Reading] button[type=submit]').click()
  while (log.textContent === before) await new Promise((resolve) => setTimeout(resolve, 1))
  const took = performance.now() - from
  await new Promise((resolve) => setTimeout(resolve, 2000))
  return { took, longest }
}

/** Run in the page: goes on to the cellar, and tells how long until it stands there. */
async function toTheCellar() {
  const from = performance.now()
  document.querySelector('#__nuxt').__vue_app__.config.globalProperties.$router.push('/cellar')
  while (!document.querySelector('[data-row]')) await new Promise((resolve) => setTimeout(resolve, 10))
  return performance.now() - from
}

await onServedPage('4178', async (page) => {
  page.setDefaultTimeout(PATIENCE.timeout)
  const empty = await freshTab(page, '/', 'h1')
  const open = openLots(1)
  const entries = [...longLog(ENTRIES), ...open]
  const file = JSON.stringify({ format: 'lactofer-log', version: 3, writtenAt: new Date().toISOString(), entries })
  await page.goto('/logbook')
  await page
    .getByLabel('Look at a file')
    .setInputFiles({ name: 'log.json', mimeType: 'application/json', buffer: Buffer.from(file) })
  const from = performance.now()
  await page.getByRole('button', { name: 'Take it in' }).click()
  await page.getByText(/new entries taken in/).waitFor(PATIENCE)
  within(`Taking a file of ${ENTRIES.toLocaleString('en')} entries in`, performance.now() - from, 15_000)
  // What was taken in is bound into volumes, and its checkpoint kept, shortly after.
  await page.waitForTimeout(Math.max(15_000, ENTRIES / 8))
  const count = ENTRIES.toLocaleString('en')
  const beside = { name: 'Today on an empty log' }
  const shelf = await freshTab(page, '/', '.plank [data-lot]')
  times(`Shelf in a fresh tab, ${count} entries`, shelf, empty, { ...beside, most: 1.3 })
  // What is about the whole log waits for the whole of it.
  for (const [name, path, shown] of [
    ['Cellar', '/cellar', '[data-row]'],
    ['Logbook', '/logbook', 'table.plain tbody tr'],
  ])
    times(`${name} in a fresh tab, ${count} entries`, await freshTab(page, path, shown), empty, beside)

  // Whoever goes on from the shelf at once waits for the rest of the log.
  const onward = []
  for (let turn = 0; turn < 3; turn++) {
    await page.goto('/', PATIENCE)
    await page.locator('.plank [data-lot]').first().waitFor()
    onward.push(await page.evaluate(toTheCellar))
  }
  withinMiddle(`From the shelf on to the cellar, ${count} entries`, onward, 1000)

  // Each in a page that was opened anew and has come to rest; the middle of five.
  const readings = []
  for (let turn = 0; turn < 5; turn++) {
    await page.goto(`/ferment/${open[0].lotId}`, PATIENCE)
    await page.getByLabel('pH', { exact: true }).fill((3.9 - turn / 100).toFixed(2))
    await page.waitForTimeout(6000)
    readings.push(await page.evaluate(recorded))
  }
  const turns = (of) => readings.map(of)
  withinMiddle(
    `A reading recorded at ${count} entries, to the page updated`,
    turns(({ took }) => took),
    50,
  )
  withinMiddle(
    '… the longest the page stood still meanwhile',
    turns(({ longest }) => longest),
    50,
  )
})
