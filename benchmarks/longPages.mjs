// A fresh tab on an empty log and on one of 100,000 entries, and a reading recorded there; in one run, on the built
// application.
import { longLog } from './longLog.mjs'
import { times, within } from './rows.mjs'
import { onServedPage } from './served.mjs'

const ENTRIES = Number(process.env.ENTRIES ?? 100_000)
const PATIENCE = { timeout: 180_000 }

/** From the address in a fresh tab to what it shows: the middle of five. */
async function freshTab(page, path, shown) {
  const found = []
  for (let turn = 0; turn < 5; turn++) {
    const tab = await page.context().newPage()
    const from = performance.now()
    await tab.goto(path, PATIENCE)
    await tab.locator(shown).first().waitFor(PATIENCE)
    found.push(performance.now() - from)
    await tab.close()
  }
  return found.sort((a, b) => a - b)[2]
}

await onServedPage('4178', async (page) => {
  page.setDefaultTimeout(PATIENCE.timeout)
  const empty = await freshTab(page, '/', 'h1')
  const entries = longLog(ENTRIES)
  const file = JSON.stringify({ format: 'lactofer-log', version: 3, writtenAt: new Date().toISOString(), entries })
  await page.goto('/logbook')
  await page
    .getByLabel('Look at a file')
    .setInputFiles({ name: 'log.json', mimeType: 'application/json', buffer: Buffer.from(file) })
  const from = performance.now()
  await page.getByRole('button', { name: 'Take it in' }).click()
  await page.getByText(/new entries taken in/).waitFor(PATIENCE)
  within(`Taking a file of ${ENTRIES.toLocaleString('en')} entries in`, performance.now() - from, 15_000)
  // What was taken in is bound into volumes shortly after.
  await page.waitForTimeout(8000)
  const NAMES = [
    ['Today', '/', '.round, .page .sheet'],
    ['Cellar', '/cellar', '[data-row]'],
    ['Logbook', '/logbook', 'table.plain tbody tr'],
  ]
  for (const [name, path, shown] of NAMES)
    times(`${name} in a fresh tab, ${ENTRIES.toLocaleString('en')} entries`, await freshTab(page, path, shown), empty, {
      ...{ name: 'Today on an empty log', most: 1.3 },
    })
})
