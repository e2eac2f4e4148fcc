import type { Locator, Page } from '@playwright/test'
import { day, notebook } from '../../core/test/log/build'
import { writeFile, type Draft } from '../../core/src/index'
import {
  expect,
  expectAccessible,
  field,
  figure,
  openLog,
  pick,
  pressElse,
  takeIn,
  test,
  unfold,
  turnTo,
  visit,
} from './steps'

/* What nobody with a meter does: from the market to the empty jar by spoon, strip, eye and tongue. */

const later = (page: Page, days: number) => turnTo(page, Date.parse(day(days)))
/** Says what is at hand, and who writes. */
async function have(page: Page, sour: string, by: string) {
  await visit(page, '/settings')
  const kit = page.getByRole('region', { name: 'What I have' })
  await kit.getByText(sour, { exact: true }).click()
  await kit.getByText('cups and spoons', { exact: true }).click()
  await field(page, 'Your name in the log').fill(by)
  await field(page, 'Your name in the log').press('Enter')
}
/** Pages of lots that were opened from the shelf once. */
const opened = new WeakMap<Page, Map<string, string>>()
async function lotPage(page: Page, code: string) {
  const known = opened.get(page) ?? new Map<string, string>()
  opened.set(page, known)
  const path = known.get(code)
  if (path) return void (await visit(page, path))
  await visit(page, '/')
  await page.locator(`[data-lot="${code}"]`).click()
  await expect(page).toHaveURL(/\/ferment\//)
  known.set(code, new URL(page.url()).pathname)
}
async function strip(page: Page, code: string, ph: string) {
  await lotPage(page, code)
  await page.getByRole('group', { name: 'Strip, in half points' }).getByRole('button', { name: ph }).click()
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(page.getByText(/Recorded|recorded/).first()).toBeVisible()
}
/** Opens the ending of a lot and writes it down. */
async function end(page: Page, code: string, say: (dialog: Locator) => Promise<void>) {
  await lotPage(page, code)
  await pressElse(page, 'Decide', 'Eaten, given, frozen …')
  const dialog = page.getByRole('dialog', { name: /^How it ends/ })
  await say(dialog)
  await dialog.getByRole('button', { name: 'Write it down' }).click()
  await expect(dialog).toBeHidden()
}

test(
  'a summer with spoons and strips: six jars, two people, from the market to empty jars',
  { tag: '@long' },
  async ({ guarded: page }) => {
    test.slow()
    await page.clock.install({ time: Date.parse(day(0)) })
    await have(page, 'paper strips', 'Wren')
    // From the market into one bowl, in cups and spoons.
    await visit(page, '/plan')
    await expect(page.getByRole('region', { name: 'Instruments' })).toBeHidden()
    await field(page, 'Name on the tape').fill('Salsa')
    await pick(page, 'Style', 'Dry-salted chop')
    for (const [name, amount] of [
      ['Green tomato', '12 cups'],
      ['Onion', '2 pieces'],
    ] as const) {
      await pick(page, 'Add an ingredient', name)
      await field(page, `${name}, weight`).fill(amount)
    }
    await expect(figure(page, 'in spoons')).toContainText(/That is about \d tbsp/)
    await page.getByRole('button', { name: 'Say it in spoons' }).click()
    await page.getByRole('button', { name: '+ ½ tsp' }).click()
    await expect(page.getByRole('textbox', { name: 'Salt', exact: true })).toHaveValue(/^\d tbsp.* tsp$/)
    await page.getByText('Mix it in one bowl').click()
    await page.getByRole('button', { name: 'Mixed: split it' }).click()
    // It rests until juice runs; the timer outlives the page.
    await page.getByRole('button', { name: 'Rest 15 minutes' }).click()
    await page.reload()
    await expect(page.locator('[data-timer="LF-01"]')).toContainText(/rests: 1[45]:\d\d/)
    await turnTo(page, Date.parse(day(0)) + 16 * 60_000)
    await expect(page.locator('[data-timer="LF-01"]')).toContainText('has rested')
    await page.locator('[data-timer]').getByRole('button', { name: 'Done' }).click()
    await page.getByRole('button', { name: 'Packed: start 3 lots' }).click()
    await expect(page.locator('[data-lot]')).toHaveCount(3)

    // The other person packed three more, and brings her log.
    const hers = notebook()
    const lemons = { materialId: 'lemon', name: 'Lemon, whole', massG: 800, preparation: 'raw', seedsOut: false }
    const vessels = [{ vesselId: 'jar-1000', mark: '', massG: 880, hot: false }]
    const codes = ['LEM-1', 'MSH-1', 'MSH-2']
    hers.mash(
      0,
      { code: codes[0], name: 'Lemons', style: 'salt-packed', rows: [lemons], saltG: 80, saltPct: 10 },
      { vessels },
    )
    for (const code of codes.slice(1)) hers.mash(0, { code, name: `Mash ${code}` })
    await visit(page, '/logbook')
    await takeIn(page, writeFile(hers.entries, day(0.1)))
    await visit(page, '/')
    await expect(page.locator('[data-lot]')).toHaveCount(6)
    await expect(page.getByRole('region', { name: 'The round' }).getByText(/^Read pH/)).toHaveCount(0)

    // Day 2: one of the bowl's jars pushes out: foam, and it is shared into one more.
    await later(page, 2)
    await lotPage(page, 'LF-01A')
    await page.getByRole('button', { name: 'Look and record it' }).click()
    await page.locator('[data-sign="foam"]').click()
    await page.getByRole('radio', { name: 'Clean and sour' }).click()
    await expect(page.locator('.verdict')).toContainText('share it into two jars')
    await page.getByRole('button', { name: 'Keep it in the log' }).click()
    await pressElse(page, 'Put in, or lost', 'Share into one more jar …')
    const share = page.getByRole('dialog', { name: /^Share into one more jar/ })
    await field(share, 'Goes over').fill('90 kg')
    await share.getByRole('button', { name: 'Shared: record it' }).click()
    await expect(share.getByText(/^Only .* are in it\.$/)).toBeVisible()
    await field(share, 'Goes over').fill('1 lb')
    await expectAccessible(page)
    await share.getByRole('button', { name: 'Shared: record it' }).click()
    await expect(share).toBeHidden()
    await expect(page.getByText(/^Shared: .* into jar b/)).toBeVisible()

    // Day 2: strips, in half points; the next day's tell.
    for (const code of ['LF-01B', 'MSH-1']) await strip(page, code, '4.5')
    await expect(figure(page, 'standing')).not.toContainText('passed')
    await later(page, 3)
    for (const code of ['LF-01B', 'LF-01C', 'MSH-1', 'MSH-2']) await strip(page, code, '4.0')
    await lotPage(page, 'LF-01A')
    await page.getByRole('group', { name: 'pH of jar' }).getByText('a', { exact: true }).click()
    await page.getByRole('group', { name: 'pH of jar' }).getByText('b', { exact: true }).click()
    await page.getByRole('group', { name: 'Strip, in half points' }).getByRole('button', { name: '4.0' }).click()
    await page.getByRole('button', { name: 'Record the reading' }).click()

    // Day 9: a mash is pressed: drained, chopped, counted, and thinned by the spoon with its own brine.
    await later(page, 9)
    await strip(page, 'MSH-1', '3.5')
    await page.getByRole('link', { name: 'Press it' }).click()
    await page.getByText('Drain and chop', { exact: true }).click()
    for (const [label, grams] of [
      ['Base came out', '1300'],
      ['Liquid let off', '600'],
      ['Ran over', '80'],
      ['Left on the board', '90'],
    ] as const)
      await field(page, label).fill(grams)
    await page.getByText('Sticks to the spoon', { exact: true }).click()
    const thin = page.getByRole('region', { name: 'Thin it by the spoon' })
    await expect(thin.locator('[data-row="It"]')).toContainText('sticks to the spoon')
    for (let spoon = 0; spoon < 6; spoon++) await thin.getByRole('button', { name: 'One spoon more' }).click()
    await expect(figure(thin, 'spoons')).toHaveText('6')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Record the press' }).click()
    await expect(page.getByText(/is in stock\. Blend it next\./)).toBeVisible()

    // Into the cold, then on the table, given, frozen, into one another: every jar ends.
    await lotPage(page, 'LF-01B')
    await pressElse(page, 'Decide', 'To the cold …')
    await page.getByRole('button', { name: 'Move it', exact: true }).click()
    await later(page, 40)
    await end(page, 'LF-01B', async (dialog) => {
      await dialog.getByText('Only some of it').click()
      await field(dialog, 'How much').fill('1 cup')
      await dialog.getByText('Honey at the table').click()
      await expect(dialog.getByText(/^Honey: not for infants/)).toBeVisible()
    })
    await expect(
      page
        .getByRole('list', { name: 'Cautions' })
        .getByText(/^Honey: not for infants/)
        .filter({ visible: true }),
    ).toBeVisible()
    await end(page, 'LF-01B', async (dialog) => field(dialog, 'How it was').fill('crisp, round'))
    await end(page, 'LF-01C', async (dialog) => {
      await dialog.getByText('Given to somebody').click()
      await field(dialog, 'To whom').fill('Next door')
    })
    await end(page, 'LEM-1', async (dialog) => {
      await dialog.getByText('Only some of it').click()
      await field(dialog, 'Lemon, whole, pieces').fill('2')
      await dialog.getByText('the peel', { exact: true }).click()
    })
    await expect(page.getByText(/2 pieces, rinsed, the peel/).first()).toBeVisible()
    await end(page, 'LF-01A', async (dialog) => {
      await dialog.getByText('Jar b', { exact: false }).first().click()
      await dialog.getByText('Frozen', { exact: true }).click()
      await field(dialog, 'The freezer stands at').fill('-18')
    })
    await end(page, 'LF-01A', async (dialog) => {
      await dialog.getByText('Into another lot', { exact: true }).click()
      await dialog.getByRole('button', { name: 'Write it down' }).click()
      // Its pieces were never read: nothing is made of it, and eating it is written down all the same.
      await expect(dialog.getByText(/^Nothing may be made of it\./)).toBeVisible()
      await dialog.getByText('Into the own kitchen', { exact: true }).click()
    })
    await end(page, 'LEM-1', async () => undefined)
    await end(page, 'MSH-2', async (dialog) => {
      await dialog.getByText('Into another lot', { exact: true }).click()
      await dialog.getByRole('button', { name: 'Write it down' }).click()
      await expect(dialog.getByText('Choose the lot it went into.')).toBeVisible()
      await pick(page, 'Into which', 'MSH-1B')
    })
    await visit(page, '/')
    await expect(page.locator('[data-lot]')).toHaveCount(0)
  },
)

test('a bad jar found by eye: nobody read it, nothing moves in it, and it is thrown away without a taste', async ({
  guarded: page,
}) => {
  const log = notebook()
  const lotId = log.mash(0)
  log.read(lotId, 0, undefined, 20)
  const see = (at: number, seen: object) => log.write({ kind: 'sense', at: day(at), lotId, seen } as Draft)
  see(0.1, { sour: 0 })
  for (let on = 1; on < 6; on++) see(on, { bubbles: 0, 'one mass': 0 })
  await openLog(page, log.entries, 6)
  await have(page, 'nose and tongue', 'Wren')
  await visit(page, `/ferment/${lotId}`)
  await expect(figure(page, 'standing')).toContainText(/[Dd]iscard/, { timeout: 60_000 })
  await expect(figure(page, 'standing')).toContainText(/do not taste/i)
  const senses = page.getByRole('region', { name: 'By eye and tongue' })
  await expect(senses.getByRole('group', { name: /sour/i })).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'Press it' })).toBeHidden()
  await unfold(page, 'Decide')
  await expect(page.getByRole('button', { name: 'Call it ready …' })).toBeDisabled()
  await visit(page, '/')
  await expect(page.getByRole('region', { name: 'The round' })).toContainText(/[Dd]iscard/, { timeout: 60_000 })
  await visit(page, `/ferment/${lotId}`)
  await pressElse(page, 'Decide', 'Discard …')
  await field(page, 'Why').fill('Nothing moved in five days')
  await page.getByRole('button', { name: 'Discard it' }).click()
  await expect(page.getByText('Discarded', { exact: true })).toBeVisible()
})

test('two lots side by side by their pictures: no pH was read in either', async ({ guarded: page }) => {
  const log = notebook()
  const first = log.mash(0)
  const other = log.mash(0, { saltPct: 6 }, { closure: 'cloth' })
  await openLog(page, log.entries, 2)
  const picture = { name: 'jar.png', mimeType: 'image/png', buffer: await page.screenshot() }
  for (const lotId of [first, other]) {
    await visit(page, `/ferment/${lotId}`)
    await page.getByRole('button', { name: 'Look and record it' }).click()
    await page.locator('[data-sign="white film"]').click()
    await page.getByRole('radio', { name: lotId === first ? 'A thin veil' : 'Thick, in raised islands' }).click()
    await page.getByRole('radio', { name: 'Clean and sour' }).click()
    await page.getByLabel('Add a picture as evidence').setInputFiles(picture)
    await page.getByRole('button', { name: 'Keep it in the log' }).click()
    await expect(page.getByText('Film: recorded.', { exact: false }).last()).toBeVisible()
  }
  await visit(page, '/compare')
  const pictures = page.locator('[data-row="2 pictures"]')
  await expect(pictures.getByRole('button', { name: /^Picture 1/ })).toHaveCount(2)
  await expect(page.getByText('6 % of the ingredients').first()).toBeVisible()
  await expect(page.getByText('Which one went down faster?')).toBeHidden()
  await expectAccessible(page)
})
