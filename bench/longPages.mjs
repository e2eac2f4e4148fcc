// Pages on a log of 100,000 entries and thousands of rows in stock, from the address to what they show; 1 s asked. In one run, on the built application.
import { longLog } from './longLog.mjs'
import { onServedPage } from './served.mjs'

const ENTRIES = Number(process.env.ENTRIES ?? 100_000)
const text = JSON.stringify(longLog(ENTRIES))
await onServedPage('4178', async (page) => {
  await page.goto('/logbook')
  await page.getByRole('heading', { level: 1 }).waitFor()
  await page.evaluate(async (log) => {
    const all = JSON.parse(log)
    const open = indexedDB.open('lactofer')
    const db = await new Promise((resolve, reject) => Object.assign(open, { onsuccess: () => resolve(open.result), onerror: () => reject(open.error) }))
    for (let from = 0; from < all.length; from += 5000) {
      const work = db.transaction('entries', 'readwrite')
      for (const entry of all.slice(from, from + 5000)) work.objectStore('entries').add(entry)
      await new Promise((resolve, reject) => Object.assign(work, { oncomplete: resolve, onerror: () => reject(work.error) }))
    }
    db.close()
  }, text)
  await page.goto('/logbook')
  await page.locator('table.plain tbody tr').first().waitFor({ timeout: 120_000 })
  await page.waitForTimeout(20_000)
  const parsed = await page.evaluate((log) => {
    const from = performance.now()
    JSON.parse(log)
    return performance.now() - from
  }, text)
  for (const [name, path, shown] of [['Today', '/', '.round, .page .sheet'], ['Cellar', '/cellar', '[data-row]'], ['Logbook', '/logbook', 'table.plain tbody tr']]) {
    const times = []
    for (let turn = 0; turn < 3; turn++) {
      const from = Date.now()
      await page.goto(path)
      await page.locator(shown).first().waitFor({ timeout: 120_000 })
      times.push(Date.now() - from)
    }
    console.log(`${name}: ${times.join(', ')} ms from the address to its content (${(Math.min(...times) / parsed).toFixed(1)} times JSON.parse of the log, ${parsed.toFixed(0)} ms)`)
  }
  await page.goto('/cellar')
  await page.locator('[data-row]').first().waitFor()
  const typed = await page.evaluate(async () => {
    const input = document.querySelector('input')
    const field = [...document.querySelectorAll('label')].find(label => label.textContent?.startsWith('Find by code'))
    const box = document.getElementById(field?.getAttribute('for') ?? '') ?? input
    const from = performance.now()
    box.value = 'plum market'
    box.dispatchEvent(new Event('input', { bubbles: true }))
    const sum = document.querySelector('[data-figure="found"]')
    const before = sum?.textContent
    while (sum?.textContent === before) await new Promise(resolve => requestAnimationFrame(resolve))
    return performance.now() - from
  })
  console.log(`A search in the cellar: ${typed.toFixed(0)} ms from the key to the rows, 80 ms of it waiting for the next key.`)
})
