// In the built application: from recording a reading to the new forecast on the page, and the longest time the page
// stood still meanwhile.
import { within } from './rows.mjs'
import { onServedPage } from './served.mjs'

await onServedPage('4178', async (page) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Look around with the demo' }).click()
  await page.locator('[data-lot="BPL-06"]').click()
  await page.locator('[data-figure="forecast"]').waitFor()
  await page.waitForTimeout(6000)
  await page.evaluate(() => {
    window.longest = 0
    new PerformanceObserver((list) =>
      list.getEntries().forEach(({ duration }) => (window.longest = Math.max(window.longest, duration))),
    ).observe({ type: 'longtask', buffered: false })
  })
  await page.getByLabel('pH', { exact: true }).fill('4.7')
  const took = await page.evaluate(async () => {
    const figure = document.querySelector('[data-figure=forecast]')
    const before = figure.textContent
    const from = performance.now()
    document.querySelector('form[aria-label=Reading] button[type=submit]').click()
    while (figure.textContent === before) await new Promise((resolve) => setTimeout(resolve, 5))
    return performance.now() - from
  })
  await page.waitForTimeout(1500)
  const longest = await page.evaluate(() => window.longest)
  within('A reading recorded to its new forecast on the page', took, 1000)
  within('… the longest the page stood still meanwhile', longest, 50)
})
