import { BenchStateSchema } from '@lactofer/core'
import { startServer } from '../../scripts/killable.mjs'
import { expect, expectAccessible, expectFits, field, figure, openDemo, pick, test, visit } from './steps'

// One bench a server, which other tests tare too: these have a server of their own, and come one after the other.
const PORT = 4189
test.describe.configure({ mode: 'serial' })
test.use({ baseURL: `http://127.0.0.1:${PORT}` })
let server: Awaited<ReturnType<typeof startServer>>
test.beforeAll(async () => {
  server = await startServer(PORT, { NUXT_BENCH_PACE: '12' })
})
test.afterAll(() => server.stop())

test('the strip weighs, dips and puts a settled reading into the field in use', async ({ guarded: page }) => {
  await openDemo(page)
  await page.locator('[data-lot="BPL-01"]').click()
  await page.getByRole('button', { name: 'Set up the simulated bench' }).click()
  const dialog = page.getByRole('dialog', { name: 'Simulated bench' })
  await field(dialog, 'Load on the scale').fill('1384.6')
  await dialog.getByRole('button', { name: 'Put on' }).click()
  await field(dialog, 'Its true pH').fill('3.62')
  await field(dialog, 'Its temperature').fill('21')
  await dialog.getByRole('button', { name: 'Dip the probes' }).click()
  await dialog.getByRole('button', { name: 'Close' }).click()
  const strip = page.getByRole('region', { name: 'Instruments' })
  await expect(strip).toContainText(/1.384\.\d g/)
  await expect(strip.getByText('settling').first()).toBeVisible()
  await expect(strip.getByText('steady')).toHaveCount(3, { timeout: 45_000 })

  await field(page, 'pH').focus()
  await page.getByRole('button', { name: 'Take the reading' }).click()
  // The meter's slope and offset have drifted a little since its calibration.
  expect(Math.abs(Number(await field(page, 'pH').inputValue()) - 3.62)).toBeLessThan(0.06)
  await field(page, 'Temperature').press('Space')
  expect(Math.abs(Number(await field(page, 'Temperature').inputValue()) - 21)).toBeLessThan(0.4)
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(page.getByText(/21\.\d °C, \(calibrated meter\)/).first()).toBeVisible()
})

test('a meter on two buffers: refused, then accepted from the live millivolts; a probe logs to its lot by itself', async ({
  guarded: page,
}) => {
  await openDemo(page)
  await page.locator('[data-lot="BPL-01"]').click()
  await page.getByRole('button', { name: 'Set up the simulated bench' }).click()
  const bench = page.getByRole('dialog', { name: 'Simulated bench' })
  await pick(page, 'Probe 1 logs to', 'BPL-01')
  await expect(page.getByText(/\d\d\.\d °C, \(Probe 1, simulated\)/)).toBeAttached({ timeout: 20_000 })
  await bench.getByRole('button', { name: 'Calibrate on two buffers' }).click()
  const dialog = page.getByRole('dialog', { name: 'Calibrate a meter on two buffers' })
  const type = async (buffer: number, mv: string, temp: string) => {
    await field(dialog, `Buffer ${buffer}, mV`).fill(mv)
    await field(dialog, `Buffer ${buffer}, temperature`).fill(temp)
  }
  await type(1, 'wet', '25')
  await expect(dialog.getByText('Millivolts, like 172.4 or −8.')).toBeVisible()
  await type(1, '4', '25')
  await type(2, '5', '25')
  await expect(dialog.getByText(/Was it in the same buffer twice/)).toBeVisible()
  await type(2, '120', '25')
  await expect(figure(dialog, 'calibration')).toContainText(/Refused Slope 6\d\.\d % of the ideal/)
  // Now from the live meter: slower than typing, as in the loft.
  // Each in its own frame: the stream may still speak of the buffer before.
  for (const name of ['First buffer', 'Second buffer']) {
    const buffer = dialog.getByRole('group', { name })
    await buffer.getByRole('button', { name: 'Dip into it' }).click()
    await buffer.getByRole('button', { name: /^Take/ }).and(dialog.locator(':enabled')).click({ timeout: 60_000 })
  }
  await expect(figure(dialog, 'calibration')).toContainText(/Accepted Slope 9\d\.\d %/)
  await dialog.getByRole('button', { name: 'Use this calibration' }).click()
  await expect(page.getByRole('region', { name: 'Instruments' })).toContainText('calibrated just now')
})

test('the wire: health, a parsed stream, words for a bad command; lost, it is shown and typing goes on', async ({
  request,
  page,
  baseURL,
}) => {
  expect(await (await request.get('/api/health')).json()).toMatchObject({ ok: true })
  // A log of one's own has no bar: nothing is connected.
  await visit(page, '/')
  await expect(page.getByRole('region', { name: 'Instruments' })).toHaveCount(0)
  await openDemo(page)
  await expect(page.getByRole('region', { name: 'Instruments' })).toContainText('Simulated')
  const first = await page.evaluate(
    async (url) =>
      new Promise<string>((resolve) => {
        const source = new EventSource(url)
        source.onmessage = (event) => {
          source.close()
          resolve(String(event.data))
        }
      }),
    `${baseURL}/api/bench/stream`,
  )
  expect(BenchStateSchema.parse(JSON.parse(first)).thermometer.value).not.toBeNull()
  for (const data of [
    { do: 'load', massG: -5 },
    { do: 'load', massG: 1e9 },
    { do: 'dance' },
    { do: 'dip', sample: 'x', ph: 14, tempC: 20 },
  ]) {
    const answer = await request.post('/api/bench/command', { data })
    expect(answer.status()).toBe(400)
    expect((await answer.json()).message).toMatch(/The bench does not understand this: .+/)
  }

  // Lost: shown, and nothing waits for it.
  await page.route('**/api/bench/stream', (route) => route.abort())
  await page.goto('/plan')
  await expect(page.getByText('Type the values; nothing waits for them, and the rest works as always.')).toBeVisible()
  await page.getByLabel('Name on the tape').fill('By hand')
  await expect(page.getByLabel('Name on the tape')).toHaveValue('By hand')
})

test('weigh-in at 390 px by the keyboard alone: every weight from the scale, salt for what was weighed, kept through a reload at any step, packed with its tare', async ({
  guarded: page,
  request,
}) => {
  const order = (data: object) => request.post('/api/bench/command', { data })
  const put = async (massG: number) => {
    await order({ do: 'load', massG })
    await expect(page.getByText('steady', { exact: true })).toBeVisible({ timeout: 20_000 })
  }
  await order({ do: 'load', massG: 0 })
  await order({ do: 'tare' })
  await openDemo(page)
  await visit(page, '/plan')
  await field(page, 'Name on the tape').fill('Scale mash')
  for (const [name, grams] of [
    ['Fresno chilli', '1000'],
    ['Carrot', '300'],
    ['Garlic', '40'],
  ] as const) {
    await pick(page, 'Add an ingredient', name)
    await field(page, `${name}, weight`).fill(grams)
  }
  await page.getByRole('button', { name: 'Weigh it in' }).click()
  await page.setViewportSize({ width: 390, height: 844 })
  const panel = page.getByRole('region', { name: 'On the scale' })
  const steps = page.getByRole('list', { name: 'Steps' })
  const live = async () => Number((await figure(page, 'live').innerText()).replace(/[^\d.]/g, ''))

  await expect(panel.getByRole('heading', { name: 'Fresno chilli' })).toBeVisible()
  await expectFits(page, 390)
  await expectAccessible(page)
  // What an empty scale shows by itself is not a weight.
  await expect.poll(live).toBeLessThan(0.5)
  await page.keyboard.press('Enter')
  await expect(panel.getByText('There is nothing on the scale.')).toBeVisible()
  let loadG = 0
  for (const [name, grams, next] of [
    ['Fresno chilli', 1008, 'Carrot'],
    ['Carrot', 310, 'Garlic'],
  ] as const) {
    await expect(panel.getByRole('heading', { name })).toBeVisible()
    await put((loadG += grams))
    await expect.poll(live, { timeout: 15_000 }).toBeGreaterThan(grams - 0.5)
    await page.keyboard.press('Enter')
    await expect(panel.getByRole('heading', { name: next })).toBeVisible()
    // The browser closes after each: nothing is lost.
    await page.reload()
    await expect(panel.getByRole('heading', { name: next })).toBeVisible()
    await expect(steps.getByRole('button', { name: `${name}: weigh again` })).toBeVisible()
    await expect.poll(live, { timeout: 15_000 }).toBeLessThan(2)
  }
  await page.keyboard.press('s')
  await expect(steps).toContainText('left out')

  // Salt is 4 % of the 1 318 g that were weighed, not of the 1 340 g that were planned: 52.7 g.
  await expect(panel.getByRole('heading', { name: 'Salt' })).toBeVisible()
  await expect(panel.getByText(/Target 52\.[678] g/)).toBeVisible()
  await put((loadG += 60))
  await expect(figure(page, 'verdict')).toContainText('over')
  await put((loadG -= 7.3))
  await expect(figure(page, 'verdict')).toHaveText('On target', { timeout: 15_000 })
  await page.keyboard.press('Enter')

  // Into the vessels: empty, then full.
  await expect(figure(page, 'weighed-salt')).toHaveText(/^3\.8\d %$/)
  await order({ do: 'load', massG: 0 })
  await order({ do: 'tare' })
  const scale = page.getByRole('group', { name: 'Scale' })
  await put(930)
  await expect(scale).toContainText(/930\.\d g/)
  await field(page, 'Empty').press('Space')
  await put(2290)
  await expect(scale).toContainText(/2.290\.\d g/)
  await field(page, 'Full').press('Space')
  await page.getByText('Produce cut open and looked at').click()
  await page.getByRole('button', { name: 'Packed: start the lot' }).press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Scale mash' })).toBeVisible()
  await expect(
    page.getByRole('cell', { name: /Weighed in: 1.00[78] g fresno chilli, (309|310|311) g carrot, 52\.\d g salt/ }),
  ).toBeVisible()
  await expect(page.getByRole('cell', { name: /Looked at before packing: produce cut open/ })).toBeVisible()
  await expect(figure(page, 'salt')).toHaveText(/^3\.8\d %$/)
})
