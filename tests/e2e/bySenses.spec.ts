import { day, notebook } from '../../core/test/log/build'
import type { Draft } from '../../core/src/index'
import { expect, expectAccessible, openLog, pressElse, test, visit } from './steps'

/** What a healthy mash shows, day by day. */
const SEEN = [
  [0.1, { sour: 0 }],
  [1, { bubbles: 0, 'one mass': 0 }],
  [2, { bubbles: 1, 'one mass': 0 }],
  [2.1, { sour: 1 }],
] as const

test(
  'nothing but eyes and tongue: asked to look, told how likely, called ready by taste, marked for ever, eaten',
  { tag: '@long' },
  async ({ guarded: page }) => {
    const log = notebook()
    const lotId = log.mash(0)
    log.read(lotId, 0, undefined, 20)
    for (const [at, seen] of SEEN) log.write({ kind: 'sense', at: day(at), lotId, seen } as Draft)
    await openLog(page, log.entries, 3.05)
    await visit(page, '/')
    // Asked once what is at hand; every chore follows it.
    const round = page.getByRole('region', { name: 'The round' })
    await expect(round.getByText(/^Read pH/).first()).toBeVisible()
    const kit = page.getByRole('region', { name: 'What I have' })
    await kit.getByText('nose and tongue', { exact: true }).click()
    await kit.getByText('cups and spoons', { exact: true }).click()
    await expect(kit).toBeHidden()
    await expect(round.getByText(/^Read pH/)).toHaveCount(0)
    await expect(round.getByText('Look, and taste a drop')).toBeVisible()
    await expectAccessible(page)

    // One tap each; a wrong one is taken back.
    await round.getByRole('button', { name: 'none' }).click()
    await expect(round.getByText(/: none, recorded\./)).toBeVisible()
    await round.getByRole('button', { name: 'Undo' }).click()
    await round.getByRole('button', { name: 'vigorous' }).click()
    await round.getByRole('button', { name: 'sour', exact: true }).click()
    await expect(round.getByText(/: sour, recorded\./)).toBeVisible()

    await visit(page, `/ferment/${lotId}`)
    const senses = page.getByRole('region', { name: 'By eye and tongue' })
    const told = senses.locator('[data-figure="by-senses"]')
    await expect(told).toContainText(/tastes sour moved it from [a-z ]+ to [a-z ]+; pH by now/, { timeout: 60_000 })
    await expect(page.locator('[data-figure="standing"]')).toContainText('A strip, a few cents, would settle it')
    // A day later it is as lively and sourer.
    await page.clock.fastForward(24 * 3_600_000)
    await senses.getByRole('button', { name: 'vigorous' }).click()
    await senses.getByRole('button', { name: 'very sour' }).click()
    await expect(told).toContainText(/likely that it passed 4\.6 in its time/, { timeout: 60_000 })
    await expect(page.locator('[data-figure="standing"]')).toContainText('Likely under 4.6', { timeout: 60_000 })
    await pressElse(page, 'Decide', 'Call it ready …')
    const dialog = page.getByRole('dialog', { name: /: ready$/ })
    await expect(dialog.getByText(/Never for the shelf, for sale, under oil/)).toBeVisible()
    await expectAccessible(page)
    await dialog.getByRole('button', { name: 'Call it ready' }).click()
    await expect(page.locator('[data-figure="standing"]')).toContainText('Ready by taste, not measured')
    await expect(page.locator('[data-mark="not measured"]')).toBeVisible()

    // Into the cold, and eaten: nothing stands in the way, and the mark stays.
    await pressElse(page, 'Decide', 'To the cold …')
    await page.getByRole('button', { name: 'Move it', exact: true }).click()
    await expect(page.getByText('Kept cold, not measured: no day is told.')).toBeVisible()
    await visit(page, '/')
    await expect(page.locator('[data-lot]')).toContainText('not measured')
    await visit(page, `/ferment/${lotId}`)
    await pressElse(page, 'Decide', 'Eaten, given, frozen …')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByRole('button', { name: 'Decide' })).toBeHidden()
    await expect(page.locator('[data-mark="not measured"]')).toBeVisible()
    await visit(page, `/trace/${lotId}`)
    await expect(page.locator('[data-mark="not measured"]')).toBeVisible()
  },
)

test('an American browser writes the month first and counts hours to twelve, in fields too', async ({
  browser,
  baseURL,
}) => {
  const page = await (await browser.newContext({ locale: 'en-US', baseURL: baseURL! })).newPage()
  const log = notebook()
  const lotId = log.mash(0)
  await openLog(page, log.entries, 1)
  await visit(page, `/ferment/${lotId}`)
  const when = page.getByLabel('When', { exact: true })
  await expect(when).toHaveValue(/^03\/03\/2026 \d\d:00 AM$/)
  await when.fill('03/02/2026 11:30 AM')
  await when.press('Enter')
  await page.getByLabel('pH', { exact: true }).fill('5.1')
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(page.getByText(/Mar 2 11:30 AM/).first()).toBeVisible()
})
