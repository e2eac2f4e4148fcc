// Pages on a log of 100,000 entries and thousands of rows in stock: from the address in a fresh tab to what they
// show, and from one page to the next; 1 s asked. In one run, on the built application.
import { longLog } from './longLog.mjs'
import { onServedPage } from './served.mjs'

const ENTRIES = Number(process.env.ENTRIES ?? 100_000)
const entries = longLog(ENTRIES)
const text = JSON.stringify(entries)
const file = JSON.stringify({ format: 'lactofer-log', version: 3, writtenAt: new Date().toISOString(), entries })
await onServedPage('4178', async (page) => {
  await page.goto('/logbook')
  await page.getByRole('heading', { level: 1 }).waitFor()
  const from = Date.now()
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'log.json', mimeType: 'application/json', buffer: Buffer.from(file) })
  await page.getByText(/new entries taken in/).waitFor({ timeout: 120_000 })
  console.log(`Taking a file of ${ENTRIES} entries in: ${Date.now() - from} ms`)
  const parsed = await page.evaluate((log) => {
    const from = performance.now()
    JSON.parse(log)
    return performance.now() - from
  }, text)
  const PAGES = [
    ['Today', '/', '.round, .page .sheet'],
    ['Cellar', '/cellar', '[data-row]'],
    ['Logbook', '/logbook', 'table.plain tbody tr'],
  ]
  for (const [name, path, shown] of PAGES) {
    const times = []
    for (let turn = 0; turn < 5; turn++) {
      const tab = await page.context().newPage()
      const from = Date.now()
      await tab.goto(path)
      await tab.locator(shown).first().waitFor({ timeout: 120_000 })
      times.push(Date.now() - from)
      await tab.close()
    }
    const median = times.sort((a, b) => a - b)[2]
    console.log(
      `${name}: ${times.join(', ')} ms from the address in a fresh tab to its content (median ${(median / parsed).toFixed(1)} times JSON.parse of the log, ${parsed.toFixed(0)} ms)`,
    )
  }
  await page.goto('/plan')
  await page.getByRole('heading', { level: 1 }).waitFor()
  for (const [name, path, shown] of PAGES) {
    const from = Date.now()
    await page.locator(`a[href="${path}"]`).first().click()
    await page.locator(shown).first().waitFor()
    console.log(`${name}: ${Date.now() - from} ms from the page before`)
  }
  await page.goto('/cellar')
  await page.locator('[data-row]').first().waitFor()
  const typed = await page.evaluate(async () => {
    const input = document.querySelector('input')
    const field = [...document.querySelectorAll('label')].find((label) => label.textContent?.startsWith('Find by code'))
    const box = document.getElementById(field?.getAttribute('for') ?? '') ?? input
    const from = performance.now()
    box.value = 'plum market'
    box.dispatchEvent(new Event('input', { bubbles: true }))
    const sum = document.querySelector('[data-figure="found"]')
    const before = sum?.textContent
    while (sum?.textContent === before) await new Promise((resolve) => requestAnimationFrame(resolve))
    return performance.now() - from
  })
  console.log(
    `A search in the cellar: ${typed.toFixed(0)} ms from the key to the rows, 80 ms of it waiting for the next key.`,
  )
})
