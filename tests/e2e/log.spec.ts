import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { expect, field, openDemo, test } from './steps'

const give = (page: Page, name: string, text: string) =>
  page.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })

test('everything goes out as a file and comes in again, once', async ({ guarded: page }) => {
  await openDemo(page)
  await page.goto('/logbook')
  const heading = page.getByText(/\d+ entries in this browser/)
  const before = await heading.innerText()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export everything' }).click()
  const text = await readFile(await (await download).path(), 'utf8')

  await give(page, 'again.json', text)
  await expect(page.getByText(/0 new entries taken in; \d+ were here already/)).toBeVisible()
  for (const [name, bad, sentence] of [
    ['cut.json', text.slice(0, 4000), 'This file is not JSON, or it was cut off. Nothing was changed.'],
    ['foreign.json', '{"a":1}', 'This is not a Lactofer log. Nothing was changed.'],
    [
      'edited.json',
      text.replace('"Fresno and roasted carrot"', '"Something else"'),
      'is in your log with other content',
    ],
  ] as const) {
    await give(page, name, bad)
    await expect(page.getByRole('alert')).toContainText(sentence)
    await expect(heading).toHaveText(before)
  }

  await page.getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByText('0 entries in this browser, 0 lots.')).toBeVisible()
  await give(page, 'back.json', text)
  await expect(heading).toHaveText(before)
})

test("a chore is one tap, undone by another; taking the demo out leaves the maker's own entries", async ({
  guarded: page,
}) => {
  await openDemo(page)
  await page.getByRole('button', { name: 'Burp, BPL-02: done' }).click()
  await expect(page.getByText('BPL-02: burp recorded.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Burp, BPL-02: done' })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Burp, BPL-02: done' })).toBeVisible()

  await page.locator('[data-lot="BPL-04"]').click()
  await field(page, 'pH').fill('3.69')
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(page.getByText('pH 3.69')).toBeVisible()
  await page.goto('/logbook')
  await page.getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByText(/of your own entries spoke of its lots; they are kept/)).toBeVisible()
  await expect(page.getByText(/^\s*[1-9]\d* entries in this browser, 0 lots\.\s*$/)).toBeVisible()
})

test('a discard wants a reason', async ({ guarded: page }) => {
  await openDemo(page)
  await page.locator('[data-lot="BPL-09"]').click()
  await page.getByRole('button', { name: 'Discard …' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Discard it' }).click()
  await expect(dialog.getByText('Say why: the next batch learns from it.')).toBeVisible()
  await field(dialog, 'Why').fill('Grey fuzz at the rim.')
  await dialog.getByRole('button', { name: 'Discard it' }).click()
  await expect(page.getByText('Grey fuzz at the rim.').first()).toBeVisible()
})
