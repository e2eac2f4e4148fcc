import type { Draft } from '@lactofer/core'
import { day, notebook } from '../../core/test/log/build'
import { expect, expectAccessible, figure, openLog, test, visit } from './steps'

test('facts of two devices: what does not go together is shown, held, and settled by one press', async ({
  guarded: page,
}) => {
  const log = notebook()
  const lotId = log.mash(0, { code: 'LF-01' })
  log.read(lotId, 2, 4.4)
  log.read(lotId, 6, 3.7)
  const last = log.read(lotId, 8, 3.7)
  const said = { kind: 'reading', at: day(8), lotId, tempC: 21, replaces: last } as const
  for (const [ph, by] of [
    [5.2, 'Tablet'],
    [3.65, 'Phone'],
  ] as const) {
    log.write({ ...said, ph } as Draft)
    log.entries.at(-1)!.by = by
  }
  const plum = log.mash(1, { code: 'LF-01', name: 'Plum' })
  await openLog(page, log.entries, 9)

  // The later counts, and stands at 3.65; until somebody says so the other holds it.
  await visit(page, `/ferment/${lotId}`)
  await expect(figure(page, 'standing')).toContainText('Discard it')
  await expect(page.getByRole('link', { name: 'Press it' })).toBeHidden()
  await expect(page.getByRole('region', { name: 'Not settled' })).toContainText('two devices say different things')

  await visit(page, '/')
  const open = page.getByRole('region', { name: 'Not settled' })
  await expect(open.locator('[data-open]')).toHaveCount(2)
  await expect(open).toContainText('2 lots carry the code LF-01')
  await expectAccessible(page)
  await open.locator('.row', { hasText: '3.65' }).getByRole('button', { name: 'This is right' }).click()
  await expect(open.locator('[data-open]')).toHaveCount(1)
  await open.locator('.row', { hasText: 'Plum' }).getByRole('button', { name: 'Make it LF-02' }).click()
  await expect(open).toBeHidden()

  await visit(page, `/ferment/${lotId}`)
  await expect(page.getByRole('link', { name: 'Press it' })).toBeVisible()
  await visit(page, `/ferment/${plum}`)
  await expect(page.getByText('Code from now on: LF-02')).toBeVisible()
  // The code that is on its tape still finds it.
  await page.getByRole('button', { name: 'Find a lot' }).click()
  await page.getByRole('combobox', { name: 'Find a lot by code or name' }).fill('LF-01')
  await expect(page.getByRole('option')).toHaveText([/LF-02 Plum/, /LF-01 Cayenne mash/])
})
