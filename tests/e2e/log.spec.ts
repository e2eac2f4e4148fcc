import { writeFile, type Entry } from '@lactofer/core'
import { demoEntries } from '../../demo/scenario'
import { pastLoft } from '../pastLofts'
import { day, START } from '../../core/test/log/build'
import { expect, field, figure, openDemo, saved, showFile, takeIn, test } from './steps'

test('everything goes out as a file and comes in again, once: an archive, or the entries as JSON', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await page.goto('/logbook')
  const heading = page.getByText(/\d+ entries in this browser/)
  const before = await heading.innerText()
  const archive = await saved(page, 'Save an archive')
  const text = (await saved(page, 'Entries as a file')).toString()

  await showFile(page, text)
  await expect(page.getByText('Everything in it is here already.')).toBeVisible()
  for (const [bad, sentence] of [
    [text.slice(0, 4000), 'This file is not JSON, or it was cut off. Nothing was changed.'],
    ['{"a":1}', 'This is not a Lactofer log. Nothing was changed.'],
    [text.replace('"Fresno and roasted carrot"', '"Something else"'), 'is in your log with other content'],
    [archive.subarray(0, archive.length - 300), 'This archive was cut off or damaged. Nothing was changed.'],
  ] as const) {
    await showFile(page, bad as Buffer)
    await expect(page.getByRole('alert')).toContainText(sentence)
    await expect(heading).toHaveText(before)
  }

  await page.getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByText('0 entries in this browser, 0 lots.')).toBeVisible()
  await showFile(page, archive, 'log.zip')
  await expect(figure(page, 'preview')).toContainText(/An archive of .* entries and 2 pictures are new here/)
  await expect(page.getByText('0 entries in this browser, 0 lots.')).toBeVisible()
  await page.getByRole('button', { name: 'Take it in' }).click()
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
  await expect(page.getByRole('cell', { name: /^pH 3\.69/ })).toBeVisible()
  await page.goto('/logbook')
  await page.getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByText(/of your own entries spoke of its lots; they are kept/)).toBeVisible()
  await expect(
    page.getByText(
      /^\s*[1-9]\d* entries in this browser, 0 lots\.\s*[1-9]\d* entr(?:y speaks|ies speak) of lots that are not in this log; nothing of it is lost\.\s*$/,
    ),
  ).toBeVisible()
})

test('a log of years begins with its open lots: the same shelf and round, and all of it once it is asked for', async ({
  guarded: page,
}) => {
  const nowMs = START + 9 * 86_400_000
  const past = [...'ACDEFGHJ'].flatMap((sign, at) => pastLoft(nowMs, 90 * (at + 1), sign))
  const own = demoEntries(nowMs).map((entry) => ({ ...entry, origin: 'maker' }) as Entry)
  const entries = [...past, ...own].sort((a, b) => (a.id < b.id ? -1 : 1))
  await page.clock.install({ time: nowMs })
  await page.goto('/logbook')
  await takeIn(page, writeFile(entries, day(9)))
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const open = indexedDB.open('lactofer')
          open.onsuccess = () => {
            const count = open.result.transaction('checkpoints').objectStore('checkpoints').count()
            count.onsuccess = () => {
              resolve(count.result)
              open.result.close()
            }
          }
        }),
    )
  // The first start reads all of it: nothing was kept before.
  await page.goto('/')
  const shelf = page.locator('.shelf')
  const round = page.locator('.round')
  await expect(round).toContainText(/\d+ things to do/)
  const told = [await shelf.innerText(), await round.innerText()]
  await expect.poll(kept).toBe(1)

  await page.reload()
  await expect(page.locator('[data-lot="BPL-06"]')).toBeVisible()
  await expect(round).toContainText(/\d+ things to do/)
  expect([await shelf.innerText(), await round.innerText()]).toEqual(told)
  // A lot of years ago is found, and what is said of it holds at the next start.
  await page.goto('/logbook')
  const count = String(entries.length).replace(/(?=\d{3}$)/, '\\s?')
  await expect(page.getByText(new RegExp(`${count} entries in this browser`))).toBeVisible()
  const old = past.find((entry) => entry.kind === 'plan')!
  await page.goto(`/ferment/${'lotId' in old ? old.lotId : ''}`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('name' in old ? old.name : '')
})
