import { writeFile, type Entry } from '@lactofer/core'
import { demoEntries } from '../../demo/scenario'
import { pastLoft } from '../pastLofts'
import { day, START } from '../../core/test/log/build'
import { expect, figure, openDemo, saved, showFile, takeIn, test, visit } from './steps'

test('everything goes out as a file and comes in again, once: an archive, or the entries as JSON', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await visit(page, '/logbook')
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

test('a log of years begins with its open lots: the same shelf and round, and all of it once it is asked for', async ({
  guarded: page,
}) => {
  const nowMs = START + 9 * 86_400_000
  const past = [...'ACDEFGHJ'].flatMap((sign, at) => pastLoft(nowMs, 90 * (at + 1), sign))
  const own = demoEntries(nowMs).map((entry) => ({ ...entry, origin: 'maker' }) as Entry)
  const entries = [...past, ...own].sort((a, b) => (a.id < b.id ? -1 : 1))
  await page.clock.install({ time: nowMs })
  await visit(page, '/logbook')
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
  await visit(page, '/')
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
  await visit(page, '/logbook')
  const count = String(entries.length).replace(/(?=\d{3}$)/, '\\s?')
  await expect(page.getByText(new RegExp(`${count} entries in this browser`))).toBeVisible()
  const old = past.find((entry) => entry.kind === 'plan')!
  await visit(page, `/ferment/${'lotId' in old ? old.lotId : ''}`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('name' in old ? old.name : '')
})
