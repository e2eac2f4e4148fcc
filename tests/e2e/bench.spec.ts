import { BenchStateSchema } from '@lactofer/core'
import { expect, field, openDemo, test } from './steps'

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

test('a lost connection is shown and typing goes on', async ({ page }) => {
  await page.route('**/api/bench/stream', route => route.abort())
  await page.goto('/plan')
  await expect(page.getByText('Instruments are not connected. Type the values; nothing waits for them.')).toBeVisible()
  await page.getByLabel('Name on the tape').fill('By hand')
  await expect(page.getByLabel('Name on the tape')).toHaveValue('By hand')
})

test('the server answers: health, a parsed stream, and words for a bad command', async ({ request, page, baseURL }) => {
  expect(await (await request.get('/api/health')).json()).toMatchObject({ ok: true })
  await page.goto('/')
  const first = await page.evaluate(async url => new Promise<string>((resolve) => {
    const source = new EventSource(url)
    source.onmessage = (event) => {
      source.close()
      resolve(String(event.data))
    }
  }), `${baseURL}/api/bench/stream`)
  expect(BenchStateSchema.parse(JSON.parse(first)).thermometer.value).not.toBeNull()
  for (const data of [{ do: 'load', massG: -5 }, { do: 'load', massG: 1e9 }, { do: 'dance' }, { do: 'dip', sample: 'x', ph: 14, tempC: 20 }]) {
    const answer = await request.post('/api/bench/command', { data })
    expect(answer.status()).toBe(400)
    expect((await answer.json()).message).toMatch(/The bench does not understand this: .+/)
  }
})
