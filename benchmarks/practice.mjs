// A week turned on in the practice loft with twelve jars: the worker's answer, and the longest the page stood still.
import { withinMiddle } from './rows.mjs'
import { onServedPage } from './served.mjs'
import { longest, watchTasks } from './watched.mjs'

/** Asked of the worker, and of the page, ms. */
const [WORKER_MS, PAGE_MS] = [200, 50]
const WEEKS = 4

/** Run in the page before anything else: how long each answer of the practice worker took. */
const watchWorker = () => {
  window.answers = []
  window.Worker = class extends Worker {
    constructor(url, options) {
      super(url, options)
      if (!String(url).includes('practice.worker')) return
      let asked = 0
      const post = this.postMessage.bind(this)
      this.postMessage = (...message) => {
        asked = performance.now()
        post(...message)
      }
      this.addEventListener('message', () => window.answers.push(performance.now() - asked))
    }
  }
}

await onServedPage('4179', async (page) => {
  await page.addInitScript(watchTasks)
  await page.addInitScript(watchWorker)
  await page.goto('/rehearse')
  await page.locator('[data-exercise="summer"]').getByRole('button', { name: 'Begin' }).click()
  await page.locator('[data-lot="SU-12"]').waitFor({ timeout: 60_000 })
  await page.waitForTimeout(15_000)
  await longest(page)
  const [worker, stood] = [[], []]
  for (let week = 0; week < WEEKS; week++) {
    await page.evaluate(() => (window.answers = []))
    await page.getByTitle('A week on', { exact: true }).click()
    await page.waitForTimeout(8000)
    worker.push(await page.evaluate(() => window.answers[0]))
    stood.push(await longest(page))
  }
  withinMiddle('a week turned on with twelve jars, in the worker', worker, WORKER_MS)
  withinMiddle('a week turned on with twelve jars: the longest the page stood still', stood, PAGE_MS)
})
