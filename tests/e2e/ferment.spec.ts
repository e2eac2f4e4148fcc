import { readFile, writeFile as saveAs } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { demoEntries } from '#demo/scenario'
import { writeFile, type Entry } from '@lactofer/core'
import { readLog } from '~/archive/readArchive'
import {
  expect,
  expectAccessible,
  expectFits,
  field,
  figure,
  openDemo,
  pick,
  pressElse,
  saved,
  takeIn,
  test,
  unfold,
  visit,
} from './steps'

const START = new Date('2026-03-02T09:00:00')
const HOUR = 3_600_000

/** Plans and packs a 4 % cayenne mash in one tight jar; leaves the browser on its page. */
async function packMash(page: Page, name: string, place = 'Bench') {
  await page.clock.install({ time: START })
  await visit(page, '/plan')
  await field(page, 'Name on the tape').fill(name)
  await pick(page, 'Add an ingredient', 'Cayenne')
  await field(page, 'Cayenne, weight').fill('2000')
  await field(page, 'Where it stands').fill(place)
  await pick(page, 'Closed with', 'tight lid')
  await expect(figure(page, 'plan-forecast')).toContainText('ready about day')
  await page.getByRole('button', { name: 'Packed: start the lot' }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}
/** Lets hours pass. */
const later = (page: Page, hours: number) => page.clock.fastForward(hours * HOUR)
async function read(page: Page, ph: string, temp: string) {
  await field(page, 'pH').fill(ph)
  await field(page, 'Temperature').fill(temp)
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(field(page, 'pH')).toHaveValue('')
}
const forecast = (page: Page) => figure(page, 'forecast')

test('a batch lived day by day, from packing to ready, on a phone', async ({ guarded: page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await packMash(page, 'Harbour red')
  await read(page, '5.15', '22')
  await expect(forecast(page)).toContainText(/4\.6 is expected by \w+ \w+ \(.*\)\. Ready by/)
  const lot = new URL(page.url()).pathname
  // A reading before the lot began is refused, and the figure stays.
  await field(page, 'pH').fill('4.9')
  await field(page, 'When').fill('01/03/2026 08:00')
  await field(page, 'When').press('Enter')
  await expect(page.getByText(/This is before 2 Mar/)).toBeVisible()
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(field(page, 'pH')).toHaveValue('4.9')
  await field(page, 'pH').fill('')
  await later(page, 50)

  // The round: burp with its interval, one tap, undo, skip with a reason.
  await visit(page, '/')
  const round = page.getByRole('region', { name: 'The round' })
  await expect(round.getByText(/At this gas every \d+ h/)).toBeVisible({ timeout: 20_000 })
  await round.getByRole('button', { name: 'Burp, LF-01: done' }).click()
  await expect(round.getByRole('status')).toContainText('LF-01: burp recorded.')
  await round.getByRole('button', { name: 'Undo' }).click()
  await round.getByRole('button', { name: 'Skip: Burp, LF-01' }).click()
  await page.getByRole('button', { name: 'Looked: it does not want it' }).click()
  await expect(round.getByRole('status')).toContainText('LF-01: burp skipped.')
  await expect(round.getByRole('button', { name: 'Burp, LF-01: done' })).toBeHidden()

  await visit(page, lot)
  // A meter that nobody checked proves it at 4.0 or less.
  await read(page, '3.98', '22')
  await expect(figure(page, 'standing')).toHaveText('pH 3.98, below 4.6. Target 3.80.')
  for (const [hours, ph] of [
    [24, '3.95'],
    [72, '3.66'],
    [30, '3.63'],
  ] as const) {
    await later(page, hours)
    await read(page, ph, '22')
  }
  await expect(figure(page, 'standing')).toHaveText(/^3\.66 and 3\.63, 1\.3 days apart/)
  await expect(page.getByRole('link', { name: 'Press it' })).toBeVisible()
  // Tasting, titration and a note, kept through a closed browser.
  await page.getByText('Salt, Brix, titration, weight, taste, picture').click()
  await pick(page, 'sour', '3')
  await field(page, 'Sample').fill('10 g')
  await field(page, 'Lye').fill('8.5 mL')
  await expect(figure(page, 'titration')).toHaveText('0.77 % as lactic acid')
  await page.clock.runFor(1000)
  await page.reload()
  await expect(page.getByRole('group', { name: /^Taste/ })).toContainText('3 much')
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(page.getByText('0.77 % titrated as lactic, tastes: sour 3')).toBeVisible()
  // More time, then ready after all.
  await pressElse(page, 'Decide', 'More time …')
  await field(page, 'Why').fill('Rounder')
  await page.getByRole('button', { name: 'Give it more time' }).click()
  await expect(page.getByText('More time: Rounder')).toBeVisible()
  await visit(page, '/')
  await expect(round.getByText('Ready to press')).toBeHidden()
})

test('one that falls behind, is moved to the warm, and comes through; brine of it is kept', async ({
  guarded: page,
}) => {
  await packMash(page, 'Slow one', 'Cold corner')
  await read(page, '5.15', '13')
  await later(page, 96)
  await read(page, '5.1', '13')
  await later(page, 48)
  await read(page, '4.95', '13')
  await expect(figure(page, 'standing')).toHaveText(
    /^Behind: pH 4\.95 on day 6 at 13 °C; 4\.6 is due by \w+ \w+\. Move it to about 20 °C, check the salt, read again tomorrow\.$/,
  )
  await expect(page.locator('[data-caution="botulism"]')).toBeVisible()

  // What if it stood warmer? Two days there and then cold: when is it like day six?
  await page.getByRole('button', { name: 'Try another way' }).click()
  await page.getByRole('slider', { name: 'Temperature, Way A' }).focus()
  for (let step = 0; step < 14; step++) await page.keyboard.press('ArrowRight')
  await expect(page.locator('[data-scenario="Way A"]')).toContainText('22.0 °C')
  await expect(figure(page, 'what-0')).toContainText(
    /4\.6 about day \d+\.\d .*As sour as it would be on day 6 if left as it is: on day/,
  )
  await page.getByRole('button', { name: 'Another way' }).click()
  await page.getByRole('button', { name: 'Another way' }).click()
  await expect(page.locator('[data-scenario]')).toHaveCount(3)
  await expect(page.getByRole('button', { name: 'Another way' })).toBeHidden()

  // The cold is not a rescue: it says so.
  await pressElse(page, 'Decide', 'To the cold …')
  await expect(
    page.getByText('Cooling is not a rescue: a batch above 4.6 must still pass it in its time.'),
  ).toBeVisible()
  await field(page, 'It is there').fill('12')
  await page.getByRole('button', { name: 'Move it' }).click()
  await expect(page.getByText('Over 8 °C it goes on working: that is not the cold.')).toBeVisible()
  await page.getByRole('button', { name: 'Leave it' }).click()
  await read(page, '4.93', '22')
  await later(page, 24)
  await read(page, '3.98', '22')
  await expect(figure(page, 'standing')).toHaveText('pH 3.98, below 4.6. Target 3.80.')

  // Now the cold: the shelf follows; some brine becomes a lot of its own.
  await pressElse(page, 'Decide', 'To the cold …')
  await field(page, 'Place').fill('Cellar shelf')
  await page.getByRole('button', { name: 'Move it' }).click()
  await expect(page.getByText(/^day 7, Cellar shelf/)).toBeVisible()
  await pressElse(page, 'Decide', 'Keep some brine …')
  await field(page, 'Drawn off').fill('1900')
  await page.getByRole('button', { name: 'Keep the brine' }).click()
  await expect(page.getByText(/That is more than the brine of/)).toBeVisible()
  await field(page, 'Drawn off').fill('150')
  await page.getByRole('button', { name: 'Keep the brine' }).click()
  await expect(page.getByText('LF-01K is in stock.')).toBeVisible()
  await visit(page, '/')
  await expect(page.getByRole('region', { name: 'Shelf: Cellar shelf' }).locator('[data-lot="LF-01"]')).toBeVisible()
})

test('green fuzz: two questions, a picture as evidence, and no way to press or release it', async ({
  guarded: page,
}, testInfo) => {
  await packMash(page, 'Furry one')
  const lot = new URL(page.url()).pathname
  await later(page, 48)
  await read(page, '4.2', '21')
  await later(page, 72)
  await read(page, '3.7', '21')
  await later(page, 26)
  await read(page, '3.68', '21')
  await expect(page.getByRole('link', { name: 'Press it' })).toBeVisible()
  await page.getByRole('button', { name: 'Look and record it' }).click()
  await page.locator('[data-sign="fuzzy growth"]').click()
  await page.getByRole('radio', { name: 'Yes, some of it' }).click()
  await expect(page.locator('.verdict')).toBeHidden()
  await page
    .getByRole('radiogroup', { name: /green, black, blue/ })
    .getByRole('radio', { name: 'Yes' })
    .click()
  await expect(page.locator('.verdict')).toHaveAttribute('data-level', 'discard')
  await expect(page.locator('.verdict')).toContainText('Do not taste it')
  await expectAccessible(page)

  // Pictures: a text that pretends and 40 MB of noise are refused in words; a real one is reduced and kept.
  const add = page.getByLabel('Add a picture as evidence')
  await add.setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') })
  await expect(page.getByText(/This is not a picture that can be read here/)).toBeVisible()
  await add.setInputFiles({ name: 'jar.png', mimeType: 'image/png', buffer: await page.screenshot() })
  await expect(page.getByRole('button', { name: 'Picture 1, open large' })).toBeVisible()
  await expect(page.getByText(/This is not a picture that can be read here/)).toBeHidden()
  const large = testInfo.outputPath('large.jpg')
  await saveAs(large, Buffer.alloc(40_000_000, 7))
  await add.setInputFiles(large)
  await expect(page.getByText(/This is not a picture that can be read here/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Picture 1, open large' })).toBeVisible()
  await page.getByRole('button', { name: 'Keep it in the log' }).click()

  await expect(figure(page, 'standing')).toHaveText('Fuzz was seen. Discard it, do not taste it.')
  await expect(page.getByRole('link', { name: 'Press it' })).toBeHidden()
  await unfold(page, 'Decide')
  await expect(page.getByRole('button', { name: 'Call it ready …' })).toBeDisabled()
  await visit(page, lot.replace('/ferment/', '/press?lot='))
  await field(page, 'Base came out').fill('1900')
  await field(page, 'Pulp left').fill('150')
  await page.getByRole('button', { name: 'Record the press' }).click()
  await expect(page.getByText(/It stops here\. Fuzz was seen\. Discard it/)).toBeVisible()

  await visit(page, lot)
  await pressElse(page, 'Decide', 'Discard …')
  await page.getByRole('button', { name: 'Discard it' }).click()
  await expect(page.getByText('Say why: the next batch learns from it.')).toBeVisible()
  await field(page, 'Why').fill('Green fuzz on day 6')
  await page.getByRole('button', { name: 'Discard it' }).click()
  await expect(page.getByText('Discarded', { exact: true })).toBeVisible()
  await visit(page, '/')
  await expect(page.locator('[data-lot="LF-01"]')).toBeHidden()

  // The picture goes out with the log, and comes back with it.
  await visit(page, '/logbook')
  const { pictureIds, picture } = await readLog(new Blob([new Uint8Array(await saved(page, 'Save an archive'))]))
  expect(pictureIds.length).toBe(1)
  const { type, size } = await picture(pictureIds[0]!)
  expect([type, size > 1000]).toEqual(['image/jpeg', true])
})

test('a logger’s file: columns, what was left out, 20,000 lines thinned; wrong separators and pictures are refused', async ({
  guarded: page,
}) => {
  await packMash(page, 'Logged one')
  await later(page, 200)
  await unfold(page, 'Paper and files')
  const input = page.getByLabel('Import a logger’s CSV')
  const csv = (text: string, name = 'probe.csv') =>
    input.setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await csv('just a line of words')
  await expect(page.getByText(/This has no table in it/)).toBeVisible()
  await page.getByRole('button', { name: 'Leave it' }).click()
  await csv('time temp\n2026-03-03 10:00 21\n2026-03-03 11:00 22')
  await expect(page.getByText(/no table in it/)).toBeVisible()
  await page.getByRole('button', { name: 'Leave it' }).click()
  const begin = START.getTime() + HOUR
  const lines = Array.from(
    { length: 20_000 },
    (_, index) => `${new Date(begin + index * 30_000).toISOString()};${(21 + 3 * Math.sin(index / 400)).toFixed(2)};90`,
  )
  await csv(
    ['Time;Temp (°C);Battery', ...lines, 'broken;line', `${new Date(begin - 48 * HOUR).toISOString()};20;90`].join(
      '\n',
    ),
    'Jar probe.csv',
  )
  await expect(figure(page, 'record')).toContainText(/20.002 lines/, { timeout: 40_000 })
  await expect(figure(page, 'record')).toContainText(/18\.[01] °C to (23\.9|24\.0) °C/)
  await expect(figure(page, 'record')).toContainText('1 line could not be read')
  await expect(figure(page, 'record')).toContainText('before the lot was packed')
  await page.getByRole('button', { name: 'Keep it in the log' }).click()
  await expect(page.getByText(/Record of Jar probe: 20002 lines, \d+ points kept/)).toBeVisible()
})

test('two lots day by day, the round as a calendar that updates, several vessels at once', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await page.locator('[data-lot="BPL-01"]').click()
  await pick(page, 'Lay beside', 'BPL-91')
  await page.getByRole('link', { name: 'Day by day' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Two lots, day by day' })).toBeVisible()
  await expect(page.locator('[data-row="10 pH"]')).toContainText('3.63')
  await expect(page.locator('[data-row="10 done"]')).toContainText('Tastes: sour 3, salty 2')
  await pick(page, 'The other', 'BPL-10')
  await expect(page.getByRole('button', { name: 'Picture 1, open large' }).first()).toBeVisible()
  await expectAccessible(page)

  await visit(page, '/')
  const round = page.getByRole('region', { name: 'The round' })
  const exported = async () => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      round.getByRole('button', { name: 'Calendar file' }).click(),
    ])
    return new Map(
      [
        ...(await readFile(await download.path(), 'utf8'))
          .replaceAll('\r\n ', '')
          .matchAll(/BEGIN:VEVENT.*?UID:(\S+).*?SEQUENCE:(\d+).*?END:VEVENT/gs),
      ].map((found) => [found[1]!, Number(found[2])]),
    )
  }
  await page.locator('label').filter({ hasText: 'By chore' }).click()
  const before = await exported()
  expect(before.size).toBeGreaterThan(20)
  await round
    .getByRole('button', { name: /^All \d done$/ })
    .first()
    .click()
  await expect(round.getByRole('status')).toContainText(/BPL-\d\d, BPL-\d\d.* recorded\./)
  const after = await exported()
  const moved = [...after].filter(([uid, sequence]) => sequence > (before.get(uid) ?? Infinity))
  expect(moved.length).toBeGreaterThan(0)
  expect([...after.keys()].filter((uid) => before.has(uid)).length).toBeGreaterThan(15)
  await page.locator('label').filter({ hasText: 'One walk' }).click()
  await expect(round.getByRole('heading', { level: 3 }).first()).toContainText('Cold corner')
})

test('a hundred and fifty vessels stay readable: by place, by what they ask, and as a list', async ({
  guarded: page,
}) => {
  const demo = demoEntries(Date.now())
  const ferments = demo.filter(
    (entry): entry is Extract<Entry, { kind: 'plan' }> => entry.kind === 'plan' && /^BPL-0/.test(entry.code),
  )
  const copies = Array.from({ length: 15 }, (_, copy) => copy).flatMap((copy) => {
    // The last characters of an id tell the copies apart; all of a lot's entries move together.
    const renamed = (id: string) =>
      `${id.slice(0, 22)}${String.fromCharCode(65 + (copy % 8))}${Math.floor(copy / 8)}${id.slice(24)}`
    const ids = new Set(ferments.map((entry) => entry.lotId))
    return demo
      .filter((entry) => 'lotId' in entry && ids.has(entry.lotId))
      .map(
        (entry) =>
          ({
            ...entry,
            id: renamed(entry.id),
            origin: 'maker',
            ...('lotId' in entry && { lotId: renamed(entry.lotId) }),
            ...('code' in entry && { code: `${entry.code}-${copy}` }),
          }) as Entry,
      )
  })
  await visit(page, '/logbook')
  await takeIn(page, writeFile(copies, new Date().toISOString()))
  await visit(page, '/')
  const shelf = page.getByRole('region', { name: 'Shelf: Cold corner' })
  await expect(shelf.locator('[data-lot]').first()).toBeVisible()
  // Of so many those near the window are drawn; who goes down finds the last of them.
  const last = page.locator('.shelf section').last()
  await expect(async () => {
    await last.evaluate((section) => section.scrollIntoView({ block: 'end' }))
    await expect(last.locator('[data-lot]').last()).toBeInViewport({ timeout: 1000 })
  }).toPass()
  await page.evaluate(() => window.scrollTo(0, 0))
  await expect(shelf.locator('[data-lot]').first()).toBeInViewport()
  await expectFits(page, 1280)
  const filter = page.getByRole('group', { name: 'Show vessels that ask for' })
  await filter.getByRole('button', { name: /^Act/ }).click()
  await expect(page.locator('[data-lot="BPL-06-3"]')).toBeVisible()
  await expect(page.locator('[data-lot="BPL-04-3"]')).toBeHidden()
  await page.getByRole('button', { name: 'As a list' }).click()
  await expect(page.getByRole('row', { name: /BPL-06-3.*Read pH: behind/ })).toBeVisible()
  await expectAccessible(page, ['color-contrast'])
})
