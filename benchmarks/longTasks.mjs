// The longest a page stands still on three walks through all pages, each from a fresh start, with the demo, with 1,000
// open lots and with 5,000 runs in stock: the middle of the three, page by page; and how soon a shelf stands as it
// grows. On the built application. STATE names one of them, EACH tells of every page.
import { longLog } from './longLog.mjs'
import { openLots } from './openLots.mjs'
import { grows, middle, told, within } from './rows.mjs'
import { onServedPage } from './served.mjs'
import { longest, shownMs, takeIn, watchTasks } from './watched.mjs'

const STATES = { demo: null, '1,000 open lots': () => openLots(1000), '5,000 runs in stock': () => longLog(100_000) }
const only = process.env.STATE
const PATIENCE = { timeout: 180_000 }
/** So long a page is watched, ms. */
const WATCHED_MS = 1500
const MOST_MS = 50
const WALKS = 3

/** Every page, those of one lot with one of its kind. */
function pagesOf(lots) {
  const of = (kind, path) => (lots[kind] ? [`${path}${lots[kind]}`] : [])
  return [
    ...['/', '/plan', '/ferment', ...of('plan', '/ferment/'), '/press', '/blend', ...of('blend', '/blend/')],
    ...[...of('blend', '/pour/'), ...of('press', '/split/'), '/bottle', ...of('blend', '/bottle/')],
    ...['/cellar', ...of('bottle', '/cellar?lot='), ...of('bottle', '/label/'), ...of('bottle', '/release/')],
    ...[...of('bottle', '/trace/'), ...of('plan', '/weigh/'), '/loft', '/recipes', '/library', '/compare'],
    ...['/logbook', '/settings', '/devices', '/'],
  ]
}
const router = () => document.querySelector('#__nuxt').__vue_app__.config.globalProperties.$router
/** A new browser's page with such a log. */
async function pageWith(browser, baseURL, make) {
  const context = await browser.newContext({ baseURL, viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  page.setDefaultTimeout(PATIENCE.timeout)
  await page.addInitScript(watchTasks)
  if (make) await takeIn(page, make())
  else {
    await page.goto('/')
    await page.getByRole('button', { name: 'Look around with the demo' }).click()
    await page.locator('.shelf').waitFor()
  }
  return page
}

/** From the address to the shelf in a fresh tab: the middle of three. */
async function shelfMs(page) {
  const found = []
  for (let turn = 0; turn < 3; turn++) {
    const tab = await page.context().newPage()
    await tab.goto('/', { ...PATIENCE, waitUntil: 'commit' })
    found.push(await shownMs(tab, '.plank [data-lot]'))
    await tab.close()
  }
  return middle(found)
}

/** Opens the start anew, and lets it come to rest. */
async function opened(page) {
  await page.goto('/', PATIENCE)
  await page.locator('.round, .page .sheet').first().waitFor(PATIENCE)
  await page.waitForTimeout(3000)
}
/** Run in the page: the last lot of each kind, once the whole log is there. */
const shownLots = async () => {
  const book = document.querySelector('#__nuxt').__vue_app__.config.globalProperties.$pinia._s.get('book')
  while (!book.whole) await new Promise((resolve) => setTimeout(resolve, 100))
  return Object.fromEntries(book.lots.map(({ id, made }) => [made.kind, id]))
}
/** How long each page stood still at most, from a fresh start. */
async function walk(page, paths) {
  await opened(page)
  await longest(page)
  const stood = []
  for (const path of paths) {
    await page.evaluate(`(${router})().push(${JSON.stringify(path)})`)
    await page.waitForTimeout(WATCHED_MS)
    if (await page.getByRole('heading', { name: 'No such lot' }).count()) throw new Error(`${path} is of no lot.`)
    stood.push(await longest(page))
    if (process.env.EACH) console.log(`       ${path}: ${stood.at(-1)}`)
  }
  return stood
}

await onServedPage('4177', async (first) => {
  const browser = first.context().browser()
  const baseURL = 'http://127.0.0.1:4177'
  for (const [name, make] of Object.entries(STATES).filter(([one]) => !only || one === only)) {
    const page = await pageWith(browser, baseURL, make)
    await opened(page)
    const paths = pagesOf(await page.evaluate(shownLots))
    const walks = []
    for (let turn = 0; turn < WALKS; turn++) walks.push(await walk(page, paths))
    const [worst] = paths
      .map((path, index) => ({ path, turns: walks.map((stood) => stood[index]) }))
      .sort((a, b) => middle(b.turns) - middle(a.turns))
    const on = middle(worst.turns) > 0 ? worst.path.replace(/[0-9A-Z]{26}/, '…') : 'none'
    within(`Walks through all pages, ${name}: the longest a page stood still (on ${on})`, middle(worst.turns), MOST_MS)
    told('… on any page in any of them', Math.max(...walks.flat()))
    await page.context().close()
  }
  if (only) return
  for (const count of [10, 100, 1000]) {
    const page = await pageWith(browser, baseURL, () => openLots(count))
    const ms = await shelfMs(page)
    grows('from the address to the shelf', count, ms, 'open lots')
    if (count === 1000) within('1,000 open lots: the first shelf in a fresh tab', ms, 1000)
    await page.context().close()
  }
})
