import type { Locator, Page } from '@playwright/test'
import { expect, expectAccessible, expectFits, field, openDemo, pick, pressElse, test, visit } from './steps'

/** Luck with which the third of the three films is mould. */
const LUCK = 2
/** Every draw of the page's own luck comes out so from now on; ids and keys are drawn as always. */
const withLuck = (page: Page, luck: number) =>
  page.addInitScript((drawn) => {
    const real = crypto.getRandomValues.bind(crypto)
    const isLuck = (into: unknown): into is Uint32Array => into instanceof Uint32Array && into.length === 1
    crypto.getRandomValues = ((into: Parameters<typeof real>[0]) =>
      isLuck(into) && (globalThis as { choosing?: boolean }).choosing ? into.fill(drawn) : real(into)) as typeof real
  }, luck)

/** Begins an exercise from the list. */
async function begin(page: Page, id: string) {
  await visit(page, '/rehearse')
  await page.evaluate(() => void ((globalThis as { choosing?: boolean }).choosing = true))
  await page.locator(`[data-exercise="${id}"]`).getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByRole('region', { name: 'Practice loft' })).toBeVisible()
  await expect(page.getByRole('status').filter({ hasText: /^day 0, / })).toBeVisible()
}
const openLot = async (page: Page, code: string) => {
  await page
    .getByRole('link', { name: /^Today/ })
    .first()
    .click()
  await page.locator(`[data-lot="${code}"]`).click()
  await expect(page.getByRole('region', { name: 'At the jar' })).toBeVisible()
}
/** Presses all of a lot, whatever the page says of it. */
async function press(page: Page) {
  await visit(page, new URL(page.url()).pathname.replace('/ferment/', '/press?lot='))
  await field(page, 'Base came out').fill('1100')
  await field(page, 'Pulp left').fill('200')
  await page.getByRole('button', { name: 'Record the press' }).click()
  await expect(page).not.toHaveURL(/\/press\?lot/)
}
async function endIt(page: Page) {
  await page.getByRole('link', { name: /What was true/ }).click()
  await expect(page.getByText('What was true is told once you are through')).toBeVisible()
  await page.getByRole('button', { name: 'End it, and show me' }).click()
  await expect(page.getByRole('heading', { name: 'What it was about' })).toBeVisible({ timeout: 60_000 })
}
const score = (page: Page, name: string) => page.locator(`[data-score="${name}"]`)

test('three films: pressed with the mould it is told so; the own log stays', async ({ guarded: page }) => {
  await withLuck(page, LUCK)
  await openDemo(page)
  const lots = () =>
    page.locator('[data-lot]').evaluateAll((all) => all.map((one) => one.getAttribute('data-lot')).sort())
  // The eight vessels of the demo; a shelf is drawn a piece at a time.
  await expect.poll(async () => (await lots()).length).toBe(8)
  const own = await lots()
  await begin(page, 'three-films')
  await expect.poll(lots).toEqual(['F-1', 'F-2', 'F-3'])
  await expectAccessible(page)

  // Without a look: pressed.
  await openLot(page, 'F-3')
  await press(page)
  await endIt(page)
  await expect(score(page, 'Unsafe let go')).toContainText('1 time')
  const decided = page.getByRole('region', { name: 'What you decided' }).getByRole('row', { name: /Pressed/ })
  await expect(decided).toContainText('Fuzz was seen')
  await expect(decided).toContainText('mould grew in it')
  await expect(page.getByText(/F-3: a look from the side, with a light, would have shown it/)).toBeVisible()
  await expect(page.locator('[data-story="F-3"] [data-drawn="true"]')).toBeVisible({ timeout: 30_000 })
  await expectAccessible(page)
  await expect(page.getByTitle('A week on')).toBeDisabled()

  await page.getByRole('button', { name: 'Leave' }).click()
  await expect(page.getByRole('region', { name: 'Practice loft' })).toBeHidden()
  await expect(page.locator('[data-exercise="three-films"]')).toContainText('Done 1 time')
  await visit(page, '/')
  await expect(page.locator('[data-lot="BPL-01"]')).toBeVisible()
  await expect.poll(lots).toEqual(own)
  await visit(page, '/logbook')
  await expect(page.getByText('F-3')).toBeHidden()
})

test(
  'three films once more with the same luck, looked at first: nothing unsafe, nothing wasted',
  { tag: '@long' },
  async ({ guarded: page }) => {
    await withLuck(page, LUCK)
    await begin(page, 'three-films')
    await endIt(page)
    // The same luck again: looked at, recorded, thrown away.
    await page.getByRole('button', { name: 'Again, with the same' }).click()
    await expect(page.locator('[data-lot="F-3"]')).toBeVisible()
    await openLot(page, 'F-3')
    await expect(page.getByText(/from the side they look like felt/)).toBeVisible()
    await page.getByRole('button', { name: 'Look and record it' }).click()
    await page.locator('[data-sign="fuzzy growth"]').click()
    await page.getByRole('radio', { name: 'Yes, some of it' }).click()
    await page
      .getByRole('radiogroup', { name: /green, black, blue/ })
      .getByRole('radio', { name: 'Yes' })
      .click()
    await page.getByRole('button', { name: 'Keep it in the log' }).click()
    await pressElse(page, 'Decide', 'Discard …')
    await field(page, 'Why').fill('Fur on it')
    await page.getByRole('button', { name: 'Discard it' }).click()
    await expect(page.getByText('Discarded', { exact: true })).toBeVisible()
    // The others are good: skimmed, read with the probes of this loft, and pressed.
    await openLot(page, 'F-1')
    await page.getByRole('button', { name: 'Probes into it' }).click()
    await expect(page.getByText(/The probes are in it/)).toBeVisible()
    await field(page, 'pH').focus()
    await expect(page.getByRole('group', { name: 'pH meter' })).toContainText('steady', { timeout: 30_000 })
    await page.getByRole('button', { name: 'Take the reading' }).click()
    await expect(field(page, 'pH')).toHaveValue(/^3\.\d/)
    await page.getByRole('button', { name: 'Record the reading' }).click()
    await endIt(page)
    await expect(score(page, 'Unsafe let go')).toContainText('nothing')
    await expect(score(page, 'Good food thrown away')).toContainText('nothing')
  },
)

/** Opens the bench of the loft, puts something on it, and goes back to the page. */
async function onBench(page: Page, put: (bench: Locator) => Promise<void>) {
  await page.getByRole('button', { name: 'Set up the simulated bench' }).click()
  const bench = page.getByRole('dialog', { name: 'Simulated bench' })
  await put(bench)
  await page.keyboard.press('Escape')
  await expect(bench).toBeHidden()
}
const take = (page: Page) => page.getByRole('button', { name: 'Take the reading' }).click()
/** Reads a pot on its own page, with the meter of the loft. */
async function readPot(page: Page, code: string) {
  await onBench(page, async (bench) => {
    await pick(page, 'Probes into', code)
    await bench.getByRole('button', { name: 'A ground sample' }).click()
  })
  const form = page.getByRole('form', { name: 'Reading' })
  await field(form, 'pH').focus()
  await expect(page.getByRole('group', { name: 'pH meter' })).toContainText('steady', { timeout: 30_000 })
  await take(page)
  await form.getByRole('button', { name: 'Record the reading' }).click()
  await expect(page.getByText('Reading recorded.')).toBeVisible()
}
/** From the pot's page of bottles to four that are sold: counted, labelled, released. */
async function fillAndSell(page: Page, place: string, count: string) {
  await field(page, 'They stand').fill(place)
  await field(page, 'Bottles filled').fill(count)
  await page.getByRole('button', { name: 'Bottled: record the count' }).click()
  await page.getByRole('link', { name: /^Its label/ }).click()
  await page.getByRole('button', { name: 'I wrote them by hand' }).click()
  await page.getByRole('link', { name: 'Release', exact: true }).click()
  await field(page, 'Your initials').fill('MB')
  await page.getByRole('button', { name: 'Release it' }).click()
  await page.getByRole('link', { name: 'In the cellar' }).click()
  const chosen = page.locator('[data-chosen]')
  await field(chosen, 'Bottles').fill('4')
  await field(chosen, 'To whom').fill('Quay market')
  await chosen.getByRole('button', { name: 'Record it' }).click()
  await expect(chosen.getByText(/4 .*sold/).first()).toBeVisible()
}
async function expectSafe(page: Page) {
  await expect(score(page, 'Unsafe let go')).toContainText('nothing')
  await expect(score(page, 'Good food thrown away')).toContainText('nothing')
}

test(
  'hot fill, cold glass: the last bottle stops it as the glass stands, warmed it passes, and it was as hot as was written',
  { tag: '@long' },
  async ({ guarded: page }) => {
    await withLuck(page, 3)
    await begin(page, 'cold-glass')
    await page.getByRole('link', { name: 'Read P-4' }).click()
    await readPot(page, 'P-4')
    await page.getByRole('link', { name: 'Bottle it' }).click()
    const heat = page.getByRole('region', { name: 'Heat record' })
    const degrees = heat.getByRole('textbox', { name: 'Temperature' })
    const add = heat.getByRole('button', { name: 'Add it' })
    for (const minutes of ['', '2', '2', '2']) {
      await degrees.fill('95')
      if (minutes) await field(heat, 'Minutes after the last').fill(minutes)
      await add.click()
    }
    await heat.getByRole('button', { name: 'Record them' }).click()
    const hotFill = page.locator('[data-check="fill"]')
    for (const [glass, verdict] of [
      ['Last bottle, glass as it stands', 'stop'],
      ['Last bottle, glass warmed', 'pass'],
    ] as const) {
      await onBench(page, async (bench) => {
        await field(bench, 'Sauce in the pot').fill('95')
        await bench.getByRole('button', { name: glass }).click()
      })
      await degrees.focus()
      await expect(page.getByRole('group', { name: 'Thermometer' })).toContainText('steady', { timeout: 30_000 })
      await take(page)
      await add.click()
      await heat.getByRole('button', { name: 'Record them' }).click()
      await expect(hotFill).toHaveAttribute('data-verdict', verdict)
    }
    await fillAndSell(page, 'Shelf', '12')
    await endIt(page)
    await expectSafe(page)
  },
)

test(
  'thin, salty and weak: mixed by the bench, read a day later, kept cold with lids that vent, and nobody is hurt',
  { tag: '@long' },
  async ({ guarded: page }) => {
    await withLuck(page, 3)
    await begin(page, 'save-the-blend')
    await page.getByRole('link', { name: /^Blend/ }).click()
    const parts = [
      ['R-1B', 'Quay red base', '2800'],
      ['White vinegar 5 %', 'White vinegar 5 %', '1000'],
      ['Water', 'Water', '1300'],
    ] as const
    for (const [what, name, grams] of parts) {
      await pick(page, 'Add to the pot', what)
      await field(page, `${name}, weight`).fill(grams)
    }
    const steps = page.getByRole('navigation', { name: 'Steps of the blend' })
    await steps.getByRole('button', { name: 'Pour' }).click()
    await field(page, 'Name of the sauce').fill('Quay Saved')
    await page.getByRole('button', { name: 'Weigh it in' }).click()
    for (const [, , grams] of parts) {
      await field(page, 'Or type the weight').fill(grams)
      await page.getByRole('button', { name: /^Take \d/ }).click()
    }
    await page.getByRole('button', { name: 'Stirred: record the blend' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Quay Saved' })).toBeVisible()
    await page.getByTitle('To the morning').click()
    await expect(page.getByRole('status').filter({ hasText: /^day 1, / })).toBeVisible()
    await readPot(page, 'S-01')
    await page.getByRole('link', { name: 'Bottle it' }).click()
    await page.locator('[data-way="live-cold"]').getByRole('radio').check()
    await expect(page.locator('[data-check="pressure"]')).toHaveAttribute('data-verdict', 'ask')
    await fillAndSell(page, 'Fridge', '20')
    await endIt(page)
    await expectSafe(page)
  },
)

test('in 390 px and by keys alone: the clock is turned on, never back, and what is done is kept through a reload', async ({
  guarded: page,
}) => {
  await withLuck(page, 5)
  await page.setViewportSize({ width: 390, height: 844 })
  await visit(page, '/')
  const today = await page.getByRole('heading', { level: 1 }).innerText()
  await begin(page, 'bag-on-day-20')
  await expectAccessible(page)
  await expectFits(page, 390)
  const day = page.getByRole('status').filter({ hasText: /^day / })
  await page.getByTitle('To the evening').focus()
  await page.keyboard.press('Enter')
  await expect(day).toContainText('day 0')
  await expect(day).toContainText('18:00')
  await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(day).toContainText('day 1')
  await expect(day).toContainText('08:00')
  await page.getByTitle('A week on').focus()
  await page.keyboard.press(' ')
  await expect(day).toContainText('day 8')
  await page.reload()
  await expect(day).toContainText('day 8')
  await visit(page, '/logbook')
  await expect(page.getByText('A log for practice')).toBeVisible()
  await expect(page.getByRole('button', { name: /Save an archive/ })).toBeHidden()
  // Another window is in the maker's own loft.
  const other = await page.context().newPage()
  await other.goto('/')
  await expect(other.getByText('No jar on the shelf yet')).toBeVisible()
  await expect(other.getByRole('region', { name: 'Practice loft' })).toBeHidden()
  // There it is still today.
  await expect(other.getByRole('heading', { level: 1 })).toHaveText(today)
  await other.close()
})
