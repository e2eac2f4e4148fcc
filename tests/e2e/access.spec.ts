import type { Page } from '@playwright/test'
import { PDFDocument } from 'pdf-lib'
import { expect, field, figure, openDemo, test, visit } from './steps'

/** What has the focus, by its name. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const at = document.activeElement as HTMLInputElement | null
    return (at?.getAttribute('aria-label') ?? at?.labels?.[0]?.innerText ?? at?.innerText ?? '').trim()
  })
/** Tabs on until what has the focus is called so. */
async function reach(page: Page, name: string, most = 120): Promise<void> {
  for (let tab = 0; tab < most; tab++) {
    await page.keyboard.press('Tab')
    if ((await focused(page)) === name) return
  }
  throw new Error(`No key leads to “${name}”.`)
}
/** Types, and takes the first of the list that opens; the weight of it is typed next. */
async function takeFirst(page: Page, list: string, words: string, grams: string) {
  await reach(page, list)
  await page.keyboard.type(words)
  await expect(page.getByRole('option').filter({ visible: true }).first()).toBeVisible()
  await page.keyboard.press('Enter')
  await expect.poll(() => focused(page)).toMatch(/, weight$/)
  await page.keyboard.type(grams)
}

test('from the plan to the bottle with nothing but keys', async ({ guarded: page }) => {
  const { keyboard } = page
  const read = async (ph: string) => {
    await keyboard.press('r')
    await expect(field(page, 'pH')).toBeFocused()
    await keyboard.type(ph)
    await keyboard.press('Enter')
    await expect(field(page, 'pH')).toHaveValue('')
  }
  await page.clock.install({ time: new Date('2026-03-02T09:00:00') })
  await visit(page, '/')
  await expect(page.getByRole('link', { name: 'Plan the first batch' })).toBeVisible()
  await keyboard.press('n')
  await reach(page, 'Name on the tape')
  await keyboard.type('Key red')
  await takeFirst(page, 'Add an ingredient', 'fresno', '1400')
  await expect(figure(page, 'salt')).toHaveText('56.0 g')
  await reach(page, 'Packed: start the lot')
  await keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Key red' })).toBeVisible()
  for (const [hours, ph] of [
    [48, '4.3'],
    [120, '3.7'],
    [48, '3.66'],
  ] as const) {
    await page.clock.fastForward(hours * 3_600_000)
    // Opened anew, as on the next day: no field has the focus, and keys are commands.
    await page.reload()
    await expect(field(page, 'pH')).toBeVisible()
    await read(ph)
  }
  await reach(page, 'Press it')
  await keyboard.press('Enter')
  await expect(field(page, 'Went in')).toHaveValue('1456')
  await reach(page, 'Base came out')
  await keyboard.type('1200')
  await reach(page, 'Pulp left')
  await keyboard.type('240')
  await keyboard.press('Enter')

  await expect(page.getByRole('heading', { level: 1, name: 'Blend' })).toBeVisible()
  await takeFirst(page, 'Add to the pot', 'LF-01B', '1000')
  await takeFirst(page, 'Add to the pot', 'white vinegar', '100')
  await expect(figure(page, 'mass')).toHaveText(/1.100 g/)
  await reach(page, 'Pour it')
  await keyboard.press('Enter')
  await reach(page, 'Name of the sauce', 6)
  await keyboard.type('Key sauce')
  await reach(page, 'Poured: record the blend')
  await keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Key sauce' })).toBeVisible()
  await page.clock.fastForward(25 * 3_600_000)
  await page.reload()
  await expect(field(page, 'pH')).toBeVisible()
  await read('3.5')
  await reach(page, 'Bottle it')
  await keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'How is it kept?' })).toBeVisible()
  await reach(page, 'Bottles filled')
  await keyboard.type('6')
  await keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Release checks' })).toBeVisible()
})

test('on paper the round is one page with boxes and lines, a lot its batch sheet; no buttons, no forms', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await page.emulateMedia({ media: 'print' })
  const paper = page.locator('.on-paper')
  await expect(paper.getByText('BPL-06').first()).toBeVisible()
  // Forecasts that come in late ask for more: both follow.
  const asked = () => page.locator('[data-ask]').count()
  await expect.poll(async () => (await paper.locator('tr').count()) - (await asked())).toBe(0)
  expect(await asked()).toBeGreaterThan(10)
  for (const kind of ['button', 'form', 'input'])
    await expect(page.locator(kind).filter({ visible: true })).toHaveCount(0)
  expect((await PDFDocument.load(await page.pdf({ format: 'A4' }))).getPageCount()).toBe(1)
  await page.emulateMedia({ media: 'screen' })
  await page.locator('[data-lot="BPL-06"]').click()
  await expect(page.getByRole('heading', { level: 1, name: 'Cayenne and fennel' })).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(paper.getByText('Weigh in')).toBeVisible()
  await expect(paper.locator('tr', { hasText: 'Fennel bulb' })).toContainText('380.0 g')
  await expect(page.locator('button').filter({ visible: true })).toHaveCount(0)
})
