// How long a page stands still, watched from within, and a log brought in by its file.

/** Run in the page before anything else: remembers what took longer than 50 ms. */
export const watchTasks = () => {
  window.tasks = []
  new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map(({ duration }) => duration))).observe({
    type: 'longtask',
    buffered: true,
  })
}
/** The longest since it was last asked, ms. */
export const longest = async (page) =>
  page.evaluate(() => {
    const most = Math.max(0, ...window.tasks)
    window.tasks = []
    return most
  })

/** From the address until something stands on the page, by the page's own clock, ms. */
export async function shownMs(page, css, timeout = 180_000) {
  const found = (looked) => document.querySelector(looked) && performance.now()
  return (await page.waitForFunction(found, css, { polling: 'raf', timeout })).jsonValue()
}

/** Brings a log in, on the logbook's page. */
export async function takeIn(page, entries) {
  const text = JSON.stringify({ format: 'lactofer-log', version: 3, writtenAt: new Date().toISOString(), entries })
  await page.goto('/logbook')
  const file = { name: 'log.json', mimeType: 'application/json', buffer: Buffer.from(text) }
  await page.getByLabel('Look at a file').setInputFiles(file)
  await page.getByRole('button', { name: 'Take it in' }).click()
  await page.getByText(/new entries taken in/).waitFor({ timeout: 180_000 })
  // Bound, and its checkpoint kept, shortly after.
  await page.waitForTimeout(entries.length > 2000 ? 15_000 : 1000)
}
