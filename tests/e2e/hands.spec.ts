import type { Locator } from '@playwright/test'
import { expect, field, figure, openDemo, test, visit } from './steps'

test('a press that was begun is still there after the browser closed; pulp becomes a lot of its own', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Press BPL-01' }).click()
  await field(page, 'Base came out').fill('2730')
  await field(page, 'Pulp left').fill('480')
  await page.getByText('Keep it as a lot of its own').click()
  await expect(figure(page, 'yield')).toHaveText('83.3 %')
  await page.getByText('Drain and chop').click()
  await field(page, 'Liquid let off').fill('100')
  await expect(page.getByText('More came out than went in: 34 g too much. Check the tare of the bowl.')).toBeVisible()
  await field(page, 'Liquid let off').fill('60')
  await expect(page.locator('[data-stream="brine"]')).toContainText('0.0 g')
  await expect(figure(page, 'usual')).toBeHidden()
  await page.reload()
  await expect(field(page, 'Base came out')).toHaveValue('2730')
  await page.getByRole('button', { name: 'Record the press' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Blend' })).toBeVisible()
  await visit(page, '/cellar')
  await field(page, 'Find by code, name or place').fill('BPL-01B')
  const stock = page.getByRole('region', { name: 'Stock' })
  await expect(stock.getByRole('row', { name: /BPL-01B-P.*480 g/ })).toBeVisible()
  await expect(stock.getByRole('row', { name: /BPL-01B-K.*60\.0 g/ })).toBeVisible()
  await stock
    .getByRole('row', { name: /BPL-01B(?!-[PK]).*2.730 g/ })
    .getByRole('link')
    .click()
  await expect(page.locator('[data-chosen]').getByRole('link', { name: /BPL-01 Fresno/ })).toBeVisible()
})

test('the round in one hand: vessel by vessel, undo above the way on, a press a task and a press a vessel', async ({
  guarded: page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  const hand = page.getByRole('region', { name: 'The round' })
  const heading = hand.getByRole('heading', { level: 2 })
  const next = hand.getByRole('button', { name: /^Next: / })
  const done = hand.getByRole('button', { name: /: done$/ })
  await expect(heading).toContainText(/^1 of \d+, Cold corner/)
  // The round grows while the lots are read.
  const stopsNow = async () => Number(/of (\d+)/.exec(await heading.innerText())?.[1])
  await expect.poll(stopsNow).toBeGreaterThan(7)
  const stops = await stopsNow()
  // Frame and strip take little of the phone, upright and lying.
  const frameShare = async (width: number, height: number) => {
    await page.setViewportSize({ width, height })
    const parts = await page
      .locator('.frame-rail, .frame-strip')
      .evaluateAll((all) => all.map((one) => one.getBoundingClientRect().height))
    return parts.reduce((sum, one) => sum + one, 0) / height
  }
  expect(await frameShare(844, 390)).toBeLessThan(0.25)
  expect(await frameShare(390, 844)).toBeLessThan(0.14)

  // What was tapped last is taken back by its bar or by the key, and asks again.
  for (let stop = 0; stop < stops && (await done.filter({ hasNotText: 'Top up' }).count()) === 0; stop++)
    await next.click()
  const first = done.filter({ hasNotText: 'Top up' }).first()
  const name = (await first.getAttribute('aria-label')) ?? ''
  const again = hand.getByRole('button', { name, exact: true })
  await first.click()
  await expect(again).toBeHidden()
  await page.keyboard.press('Control+z')
  await expect(again).toBeVisible()
  await again.click()
  await hand.getByRole('button', { name: 'Undo' }).click()
  await expect(again).toBeVisible()

  await page.reload()
  await expect(heading).toContainText(/^1 of/)
  let presses = 0
  let tasks = 0
  const seen = new Set<string>()
  const links = new Set<string>()
  const press = async (button: Locator) => {
    presses++
    await button.click()
  }
  for (let stop = 0; stop < stops; stop++) {
    seen.add(await heading.innerText())
    links.add((await hand.locator('a.jar').getAttribute('href')) ?? '')
    const chores = done.filter({ hasNotText: 'Top up' })
    // What was done stays with a tick; the next one is the first again.
    for (let left = await chores.count(); left > 0; left--) {
      const box = await chores.first().boundingBox()
      expect(box?.height).toBeGreaterThanOrEqual(64)
      tasks++
      await press(chores.first())
      await expect(chores).toHaveCount(left - 1)
      await expect(hand.locator('.ticked').first()).toBeVisible()
    }
    if ((await next.count()) === 0) break
    await press(next)
  }
  expect(seen.size).toBe(stops)
  expect(tasks).toBeGreaterThan(5)
  expect(presses).toBeLessThanOrEqual(tasks + stops)

  // What is no ferment any more has another page: every stop leads to its lot.
  for (const link of [...links].slice(-3)) {
    await visit(page, link)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(page.getByText('No such lot')).toBeHidden()
  }
  await visit(page, '/')

  // The stages unfold from the date; the shelf stands below with the hot jar told from the others.
  await page.getByRole('button', { name: /All stages/ }).click()
  await expect(page.getByRole('link', { name: /^Ferment/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.locator('[data-lot="BPL-03"] .vessels svg')).toHaveCount(4)
  await expect(page.locator('[data-lot="BPL-03"] svg text', { hasText: 'HOT' })).toHaveCount(1)
  await expect(page.locator('[data-lot="BPL-03"] svg text', { hasText: 'BPL-03d' })).toHaveCount(1)
})
