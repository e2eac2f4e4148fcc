// The longest a page stands still while 10,000 entries of another device arrive over the link. On the built one.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { longLog } from './longLog.mjs'
import { withinMiddle } from './rows.mjs'
import { onServedPage } from './served.mjs'
import { longest, takeIn, watchTasks } from './watched.mjs'

const rooms = mkdtempSync(join(tmpdir(), 'lactofer-rooms-'))
process.on('exit', () => rmSync(rooms, { recursive: true, force: true }))
process.env.NUXT_LINK_FOLDER = rooms
const [OWN, ALL] = [1000, 11_000]
const MOST_MS = 100

/** The key of the room a page opened, from its own database. */
const secretOf = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        const request = indexedDB.open('lactofer-link')
        request.onsuccess = () => {
          const asked = request.result.transaction('joined').objectStore('joined').get('room')
          asked.onsuccess = () => resolve(asked.result.value)
        }
      }),
  )
/** Loops until the page's log has so many entries. */
async function holds(page, entries) {
  const count = () =>
    document.querySelector('#__nuxt').__vue_app__.config.globalProperties.$pinia._s.get('book').entries?.length
  for (let tries = 0; (await page.evaluate(count)) !== entries; tries++) {
    if (tries > 600) throw new Error('They did not arrive.')
    await page.waitForTimeout(200)
  }
}

/** The longest a page stood still while the other's entries arrived, ms. */
async function arriving(device, path) {
  const [here, other] = [await device(OWN), await device(ALL)]
  await here.goto('/devices')
  await here.getByRole('button', { name: 'Open a room' }).click()
  await here.locator('[data-join-code]').waitFor()
  const secret = await secretOf(here)
  await here.goto(path)
  await here.waitForTimeout(4000)
  await longest(here)
  await other.goto(`/join#${secret}`)
  await other.getByRole('button', { name: 'Join' }).click()
  await holds(here, ALL)
  await here.waitForTimeout(6000)
  const stood = await longest(here)
  await here.context().close()
  await other.context().close()
  return stood
}

await onServedPage('4178', async (first) => {
  const browser = first.context().browser()
  const device = async (entries) => {
    const context = await browser.newContext({
      baseURL: 'http://127.0.0.1:4178',
      viewport: { width: 1280, height: 800 },
    })
    const page = await context.newPage()
    await page.addInitScript(watchTasks)
    await takeIn(page, longLog(entries))
    return page
  }
  for (const [path, called] of [
    ['/', 'Today'],
    ['/devices', 'Devices'],
  ]) {
    const turns = []
    for (let turn = 0; turn < 3; turn++) turns.push(await arriving(device, path))
    withinMiddle(`10,000 entries of another device arrive, ${called} open: the longest it stood still`, turns, MOST_MS)
  }
})
