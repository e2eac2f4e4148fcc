import type { Page } from '@playwright/test'
import { expect, expectAccessible, expectFits, openDemo, test, visit } from './steps'

const PAGES = [
  '/',
  '/plan',
  '/ferment',
  '/compare',
  '/press',
  '/blend',
  '/bottle',
  '/cellar',
  '/library',
  '/library?show=vessels',
  '/recipes',
  '/logbook',
  '/settings',
  '/devices',
  '/join',
  '/rehearse',
  '/rehearse/questions',
  '/guide',
] as const
/** Pages that teach the next step while nothing is there. */
const EMPTY = ['/', '/ferment', '/press', '/blend', '/cellar'] as const

/** Every width is looked at where all of it runs (`.ci/nightly`); else a phone's beside a desk's. */
const WIDTHS = process.env.EVERY_WIDTH ? [390, 768, 1920] : [390]

/** Shapes that nobody says: counts without their plural, ranges of one figure, machine words and dates. */
const UNSPOKEN =
  /\b(\d+(?:\.\d+)?)[-–]\1 (?:%|bottles)|\b1 (?:bottles|days|lots|rows|entries|jars)\b|every 1 \w|after 0 h|day \d+\.0\b|\d+\.0 days|\b(?:JSON|EPCIS)\b|\b20\d\d-\d\d-\d\d\b|litres of it|NaN|undefined/

/** The page writes as people speak. A label is paper: its dates are written so that no country reads them otherwise. */
async function expectSpoken(page: Page) {
  if (page.url().includes('/label/')) return
  const words = await page.locator('main').innerText()
  expect(UNSPOKEN.exec(words)?.[0] ?? '', page.url()).toBe('')
}

/** Whatever is pressed or typed into is large enough for a wet thumb; links in running text are not meant. */
async function expectTouchable(page: Page) {
  const small = await page.evaluate(() => {
    const TOUCH = 43.5
    const kinds = 'button, a[href], summary, input, select, [role=slider], [role=radio], .el-checkbox'
    return [...document.querySelectorAll<HTMLElement>(kinds)]
      .filter((one) => one.checkVisibility({ visibilityProperty: true }))
      .map((one) => one.closest<HTMLElement>('.el-input__wrapper, .el-select__wrapper, .el-radio-button, label') ?? one)
      .filter((one) => getComputedStyle(one).display !== 'inline' && !one.matches('.skip, .visually-hidden'))
      .map((one) => ({ one, box: one.getBoundingClientRect() }))
      .filter(({ box }) => box.width > 1 && (box.height < TOUCH || box.width < TOUCH))
      .map(({ one, box }) => `${one.className} ${one.textContent.trim().slice(0, 30)} ${box.width} × ${box.height}`)
  })
  expect(small, page.url()).toEqual([])
}

/** What is open is clean and fits, in the light and in the dark; on a phone it fits and can be pressed. */
async function expectClean(page: Page) {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expectSpoken(page)
  await expectAccessible(page)
  await page.emulateMedia({ colorScheme: 'dark' })
  await expectAccessible(page, ['color-contrast'])
  await page.emulateMedia({ colorScheme: 'light' })
  await expectFits(page, 1280)
  for (const width of WIDTHS) {
    await page.setViewportSize({ width, height: 844 })
    await expectFits(page, width)
    if (width === 390) await expectTouchable(page)
  }
  await page.setViewportSize({ width: 1280, height: 800 })
}
async function lookAt(page: Page, paths: readonly string[]) {
  for (const path of paths) {
    await visit(page, path)
    await expectClean(page)
  }
}

/** Pages of one lot on the way from pot to table. */
async function lotPages(page: Page): Promise<string[]> {
  await visit(page, '/bottle')
  const found = async (pattern: RegExp) => {
    await expect(page.locator('main a, .page a').first()).toBeVisible()
    const paths = await page
      .locator('.page a')
      .evaluateAll((links) => links.map((link) => link.getAttribute('href') ?? ''))
    const path = paths.find((one) => pattern.test(one))
    if (!path) throw new Error(`No link like ${pattern.source} on ${page.url()}.`)
    return path
  }
  const [pot, release, label] = [
    await found(/^\/bottle\/\w+$/),
    await found(/^\/release\/\w+$/),
    await found(/^\/label\/\w+$/),
  ]
  return [pot, release, label, label.replace('/label/', '/trace/'), label.replace('/label/', '/cellar?lot=')]
}

test('every empty page is clean and fits', async ({ guarded: page }) => {
  await lookAt(page, EMPTY)
})

test('every stage is clean and fits with the demo; a phone shows its own round and stages', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await page.locator('[data-lot="BPL-06"]').click()
  await expect(page.locator('[data-figure="forecast"]')).toBeVisible()
  await expectClean(page)
  await lookAt(page, PAGES.slice(0, 8))
  // Where they are pushed sideways the stages show the one that is open.
  await page.setViewportSize({ width: 910, height: 844 })
  await expect(page.locator('.frame-rail nav [aria-current]')).toBeInViewport({ ratio: 0.9 })
  // Only here a phone has other parts, not the same ones under each other.
  await visit(page, '/')
  await page.setViewportSize({ width: 390, height: 844 })
  await expectAccessible(page)
  await page.getByRole('button', { name: /All stages/ }).click()
  await expectAccessible(page)
})

test('what stands beside the stages, and the pages of a lot from pot to table, too', async ({ guarded: page }) => {
  await openDemo(page)
  await lookAt(page, [...PAGES.slice(8), ...(await lotPages(page))])
})

test('keys lead through the stages, and never while typing', async ({ guarded: page }) => {
  await openDemo(page)
  await page.keyboard.press('5')
  await expect(page.getByRole('heading', { level: 1, name: 'Blend' })).toBeVisible()
  await page.keyboard.press('n')
  await expect(page.getByRole('heading', { level: 1, name: 'Plan and pack' })).toBeVisible()
  // The styles of the component library are there.
  const button = page.getByRole('button', { name: 'Weigh it in' })
  await expect(button).toHaveCSS('align-items', 'center')
  await expect(button).toHaveCSS('background-color', 'rgb(14, 74, 65)')
  await expect(button).toHaveCSS('border-radius', '5px')
  await page.getByLabel('Name on the tape').fill('Number 7')
  await page.keyboard.press('3')
  await page.keyboard.press('r')
  await expect(page.getByLabel('Name on the tape')).toHaveValue('Number 73r')
  await visit(page, '/')
  await page.locator('[data-lot="BPL-01"]').click()
  await expect(page.getByLabel('pH', { exact: true })).toBeVisible()
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('r')
  await expect(page.getByLabel('pH', { exact: true })).toBeFocused()
  await expect(page.getByLabel('pH', { exact: true })).toHaveValue('')
})
