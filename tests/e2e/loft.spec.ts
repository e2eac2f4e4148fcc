import { readFile } from 'node:fs/promises'
import { expect, expectAccessible, field, figure, openDemo, pick, test, visit } from './steps'

const DAY_WORDS = /Begin (\w{3} \d+ \w{3})/

test('the loft from the crate: lots, vessels and salt, moved by button, key and drag, kept as plans with a day', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await visit(page, '/plan')
  await page.getByRole('link', { name: 'Plan the loft' }).click()
  const comes = page.getByRole('combobox', { name: 'What comes' })
  await comes.fill('18 kg cayenne')
  await expect(page.getByRole('option').filter({ visible: true }).first()).toBeVisible()
  await comes.press('Enter')
  const lot = page.locator('[data-proposed="crate 1"]')
  await expect(lot).toContainText('720 g salt')
  const bar = page.getByRole('button', { name: 'Cayenne mash', exact: true }).first()
  const days = () => figure(lot, 'days').innerText()
  const first = DAY_WORDS.exec(await days())?.[1]
  await lot.getByRole('button', { name: /a day later/ }).click()
  await expect.poll(async () => DAY_WORDS.exec(await days())?.[1]).not.toBe(first)
  await bar.press('ArrowLeft')
  await expect.poll(async () => DAY_WORDS.exec(await days())?.[1]).toBe(first)
  // A day into the past is said, and not recorded.
  await lot.getByRole('button', { name: /a day earlier/ }).click()
  await expect(lot).toContainText('That day has gone by')
  await page.getByRole('button', { name: 'Keep as plans' }).click()
  await expect(page.getByText(/nothing was recorded/)).toBeVisible()
  await bar.hover({ position: { x: 20, y: 8 } })
  const box = (await bar.boundingBox())!
  await page.mouse.down()
  await page.mouse.move(box.x + 120, box.y + 8, { steps: 5 })
  await page.mouse.up()
  await expect(lot).not.toContainText('That day has gone by')
  await expectAccessible(page)
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Calendar file' }).click(),
  ])
  const calendar = await readFile(await file.path(), 'utf8')
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(6)
  expect(calendar).toContain('read the finished pH')
  await page.getByRole('button', { name: 'Keep as plans' }).click()
  const planned = page.getByRole('region', { name: 'Plans with a day' })
  await expect(planned).toContainText('Cayenne mash')
  const begins = await planned.innerText()
  await planned.getByRole('button', { name: /a day later/ }).click()
  await expect(planned).not.toHaveText(begins)
  // What was said here is not asked again at the scale.
  await planned.getByRole('link', { name: 'Weigh it in' }).click()
  await expect(page).toHaveURL(/\/weigh\//)
  // It was moved, so there are two versions of it: dropped, both are gone.
  await visit(page, new URL(page.url()).pathname.replace('/weigh/', '/ferment/'))
  const dropped = page.url()
  await page.getByRole('button', { name: 'Drop this plan' }).click()
  await expect(page).toHaveURL(/\/plan/)
  await visit(page, dropped)
  await expect(page.getByRole('heading', { name: 'No such lot' })).toBeVisible()
})

test('the loft from the table: what to buy and when to begin; what does not fit says what would', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await visit(page, '/loft')
  await pick(page, 'Plan', 'From the table: what is sold')
  await page.getByRole('button', { name: 'Add a sort' }).click()
  await page.getByRole('button', { name: 'Add a sort' }).click()
  await expect(figure(page, 'buy')).toContainText('To buy')
  await expect(page.locator('[data-proposed]')).toHaveCount(2)
  // Next week is too soon for anything that ferments.
  const soon = await page.evaluate(() => new Date(Date.now() + 4 * 86_400_000).toLocaleDateString('en-GB'))
  await page.getByLabel('Sold on').fill(soon)
  await page.getByLabel('Sold on').press('Enter')
  await expect(figure(page, 'misfit')).toContainText(/would have had to begin on .* surely ready for sale on/)
  // A day that has gone by, and an amount nobody has: a sentence, and nothing is lost.
  await page.getByLabel('Sold on').fill('05/01/2020')
  await page.getByLabel('Sold on').press('Enter')
  await expect(page.getByText('That day has gone by.').first()).toBeVisible()
  await field(page, 'Bottles of').fill('5 L')
  await page.getByLabel('Bottles', { exact: true }).first().fill('100000')
  await expect(page.getByLabel('What it comes to').getByRole('alert')).toContainText('than can be made at once')
  await page.getByLabel('Bottles', { exact: true }).first().fill('60')
  await expect(page.getByLabel('What it comes to').getByRole('alert')).toBeHidden()
})
