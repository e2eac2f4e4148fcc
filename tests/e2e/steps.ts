import { readFile } from 'node:fs/promises'
import AxeBuilder from '@axe-core/playwright'
import { expect, test as base, type Locator, type Page } from '@playwright/test'
import { writeFile, type Entry } from '../../core/src/index'
import { day, START } from '../../core/test/log/build'

/** A test whose page may talk to its own server only, and must not throw. */
export const test = base.extend<{ guarded: Page }>({
  guarded: async ({ page, baseURL }, use) => {
    const strangers: string[] = []
    const errors: string[] = []
    page.on('request', (request) => {
      const url = new URL(request.url())
      if (['http:', 'https:', 'ws:', 'wss:'].includes(url.protocol) && url.origin !== baseURL)
        strangers.push(request.url())
    })
    page.on('pageerror', (error) => errors.push(error.message))
    page.on('console', (message) => {
      if (/Content Security Policy/.test(message.text())) errors.push(message.text())
    })
    await use(page)
    expect(strangers, 'the running application asks no other host').toEqual([])
    expect(errors, 'no error on the page').toEqual([])
  },
})
export { expect }

/** The application as it runs in a page. */
type Running = HTMLElement & {
  __vue_app__?: { config: { globalProperties: { $router: { push: (to: string) => Promise<unknown> } } } }
}
/** Goes to a page as a link does where the application runs already; else opens it. A start takes a second or more. */
export async function visit(page: Page, path: string): Promise<void> {
  const runs = await page.evaluate(async (to) => {
    const router = document.querySelector<Running>('#__nuxt')?.__vue_app__?.config.globalProperties.$router
    if (!router) return false
    const { origin, pathname, search, hash } = new URL(to, location.href)
    if (origin !== location.origin) return false
    await router.push(pathname + search + hash)
    return true
  }, path)
  if (!runs) await page.goto(path)
}

/** Turns the clock on to a moment; what falls due until then happens, each thing once. */
export async function turnTo(page: Page, atMs: number): Promise<void> {
  await page.clock.fastForward(atMs - (await page.evaluate(() => Date.now())))
}

/** Loads the invented loft from the empty start. */
export async function openDemo(page: Page): Promise<void> {
  await visit(page, '/')
  await page.getByRole('button', { name: 'Look around with the demo' }).click()
  await expect(page.locator('[data-lot="BPL-01"]')).toBeVisible()
}

/** Shows the application a file, without taking it in. */
export const showFile = (page: Page, content: string | Buffer, name = 'log.json') =>
  page.getByLabel('Look at a file').setInputFiles({ name, mimeType: '', buffer: Buffer.from(content) })

/** Takes a file in, after its preview. */
export async function takeIn(page: Page, content: string | Buffer, name?: string): Promise<void> {
  await showFile(page, content, name)
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText(/new entr(y|ies) taken in/)).toBeVisible({ timeout: 60_000 })
}

/** Presses a button that saves a file, and gives its bytes. */
export async function saved(page: Page, button: string): Promise<Buffer> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: button }).first().click(),
  ])
  return readFile(await download.path())
}

/** Opens the application on a day of a log that was written elsewhere. */
export async function openLog(page: Page, entries: readonly Entry[], days: number) {
  await page.clock.install({ time: START + days * 86_400_000 })
  await visit(page, '/logbook')
  await takeIn(page, writeFile(entries, day(days)))
}

/** Chooses from a list, by typing where the list can be searched. */
export async function pick(page: Page, label: string, choice: string): Promise<void> {
  const box = page.getByRole('combobox', { name: label, exact: true }).first()
  await page.locator('.el-select', { has: box }).first().click()
  if (await box.isEditable()) await page.keyboard.insertText(choice)
  // Whole words: "Water" is not "Watermelon".
  const words = new RegExp(`(^|\\s)${choice.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?=$|[\\s,])`)
  await page.getByRole('option', { name: words }).filter({ visible: true }).first().click()
}

/** Opens a group of what folds on a lot's page, where it is not open yet. */
export async function unfold(page: Page, group: string): Promise<void> {
  const fold = page.getByRole('button', { name: group, exact: true })
  if ((await fold.getAttribute('aria-expanded')) === 'false') await fold.click()
}
/** Presses a button of what folds on a lot's page. */
export async function pressElse(page: Page, group: string, button: string | RegExp): Promise<void> {
  await unfold(page, group)
  await page.getByRole('button', { name: button }).click()
}

/** A numeric field by its label. */
export const field = (page: Page | Locator, label: string): Locator => page.getByLabel(label, { exact: true })

/** One figure of the page by its name in the data. */
export const figure = (page: Page | Locator, name: string): Locator => page.locator(`[data-figure="${name}"]`).first()

/** Nothing is pushed out at the side, once the page has taken the width it was given. */
export async function expectFits(page: Page, width: number, what = page.url()): Promise<void> {
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth), {
      message: `${what} at ${width}`,
      intervals: [20, 50, 100, 250],
    })
    .toBeLessThanOrEqual(width)
}

/** No serious finding of axe, of all rules or of those named. */
export async function expectAccessible(page: Page, rules?: string[]): Promise<void> {
  // Only what is wrong is worked out in full, and no page holds a frame: half the time.
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode()
  const { violations } = await (
    rules ? axe.withRules(rules) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'])
  ).analyze()
  expect(
    violations
      .filter((found) => found.impact === 'serious' || found.impact === 'critical')
      .map(
        (found) =>
          `${found.id}: ${found.nodes
            .map((node) => node.target.join(' '))
            .slice(0, 4)
            .join(' | ')}`,
      ),
  ).toEqual([])
}
