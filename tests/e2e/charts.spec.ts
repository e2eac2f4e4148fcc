import { expect, openDemo, test, visit } from './steps'

test('a picture is drawn beside the page: a point says what it is, and one that cannot be drawn says so', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await page.locator('[data-lot="BPL-01"]').first().click()
  const paper = page.getByRole('img', { name: /^pH of BPL-01/ })
  await expect(paper.locator('svg')).toBeVisible()
  // Its first reading: where the line of readings begins.
  const findDot = async () =>
    (await paper.locator('path[fill]:not([fill="none"])').evaluateAll((paths) => {
      const round = paths.find((path) => {
        const { width, height } = path.getBoundingClientRect()
        return Math.abs(width - height) < 1 && width > 8 && width < 16
      })
      const box = round?.getBoundingClientRect()
      return box && { x: box.x + box.width / 2, y: box.y + box.height / 2 }
    }))!
  // What is still read above the picture moves it.
  await expect(async () => {
    const dot = await findDot()
    await page.mouse.move(dot.x, dot.y)
    await expect(page.locator('.tip')).toHaveText(/: pH \d\.\d\d$/, { timeout: 1000 })
  }).toPass()

  await page.context().route('**/chart.worker-*', (route) => route.abort())
  await page.reload()
  await expect(page.getByText('The picture could not be drawn here.').first()).toBeVisible()
})

test.describe('with a finger', () => {
  test.use({ hasTouch: true })
  test('a lot in the streams leads to its own', async ({ guarded: page }) => {
    await openDemo(page)
    await visit(page, '/cellar')
    await page.locator('[data-row]', { hasText: 'QR-31-C' }).locator('a, button').first().click()
    await page.getByRole('link', { name: 'Trace and recall' }).click()
    const graph = page.getByRole('img', { name: /^Where it came from/ })
    await expect(graph.locator('svg text', { hasText: 'BPL-91B' })).toBeVisible()
    const label = (await graph.locator('svg text', { hasText: 'BPL-91B' }).boundingBox())!
    await page.touchscreen.tap(label.x + 6, label.y + label.height + 20)
    await expect(page.getByRole('heading', { name: /^Trace: BPL-91B/ })).toBeVisible()
  })
})
