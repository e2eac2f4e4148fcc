// One picture of each main view from the demo data, into docs/screenshots. Run `npx nuxt build` first.
import { spawn } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import { chromium } from '@playwright/test'
import { needChromium } from './steps.mjs'

const PORT = '4175'
const OUT = 'docs/screenshots'
mkdirSync(OUT, { recursive: true })
const server = spawn('node', ['.output/server/index.mjs'], {
  env: { ...process.env, PORT, NITRO_HOST: '127.0.0.1', NUXT_PUBLIC_DEMO: 'true' },
  stdio: 'ignore',
})
process.on('exit', () => server.kill())
for (let tries = 0; tries < 50 && !(await fetch(`http://127.0.0.1:${PORT}/api/health`).catch(() => null)); tries++)
  await wait(200)
const browser = await chromium.launch({
  executablePath: needChromium(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
})
const order = (body) =>
  fetch(`http://127.0.0.1:${PORT}/api/bench/command`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
await order({ do: 'load', massG: 1796.6 })
await order({ do: 'tare' })
await order({ do: 'load', massG: 3181.2 })
await order({ do: 'dip', sample: 'BPL-01', ph: 3.62, tempC: 21.4 })

const open = async (size, colorScheme) => {
  const context = await browser.newContext({
    viewport: size,
    colorScheme,
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
  })
  const page = await context.newPage()
  await page.goto(`http://127.0.0.1:${PORT}/`)
  await page.locator('[data-lot]').first().waitFor()
  return page
}
const shoot = async (page, name) => {
  await page.mouse.move(1270, 400)
  await wait(900)
  await page.screenshot({ path: `${OUT}/${name}.png` })
}
const go = (page, path) => page.goto(`http://127.0.0.1:${PORT}${path}`)
const pick = async (page, label, choice) => {
  await page
    .locator('.el-select', { has: page.getByRole('combobox', { name: label, exact: true }) })
    .first()
    .click()
  if (await page.getByRole('combobox', { name: label, exact: true }).first().isEditable())
    await page.keyboard.type(choice)
  await page
    .getByRole('option', { name: new RegExp(`(^|\\s)${choice}(?=$|[\\s,])`) })
    .filter({ visible: true })
    .first()
    .click()
}
const pour = async (page, choice, name, grams) => {
  await pick(page, 'Add to the pot', choice)
  await page.getByLabel(`${name}, weight`, { exact: true }).fill(grams)
}

const page = await open({ width: 1280, height: 800 }, 'light')
await wait(12_000)
await shoot(page, 'today')
await page.locator('[data-lot="BPL-06"]').click()
await page.locator('[data-figure="forecast"]').waitFor()
await shoot(page, 'lot')
await page.getByRole('button', { name: 'Look and record it' }).click()
await wait(600)
await shoot(page, 'signs')
await page.keyboard.press('Escape')
const weighIn = async (page, name, style, rows) => {
  await go(page, '/plan')
  await page.getByLabel('Name on the tape').fill(name)
  await pick(page, 'Style', style)
  for (const [what, grams] of rows) {
    await pick(page, 'Add an ingredient', what)
    await page.getByLabel(`${what}, weight`, { exact: true }).fill(grams)
  }
}
await weighIn(page, 'Fresno and roasted carrot', 'Mash', [
  ['Fresno chilli', '1300'],
  ['Carrot', '3 cups'],
  ['Garlic', '9 cloves'],
])
await page.getByRole('heading', { level: 1 }).click()
await shoot(page, 'plan')
await go(page, '/loft')
await pick(page, 'Plan', 'From the table: what is sold')
await page.getByRole('button', { name: 'Add a sort' }).click()
await page.getByRole('button', { name: 'Add a sort' }).click()
await page.locator('[data-proposed]').first().waitFor()
await page.getByRole('heading', { level: 1 }).click()
await shoot(page, 'loft')
const scale = async (name, size) => {
  const page = await open({ width: 1280, height: 800 }, 'light')
  await weighIn(page, 'Cayenne and fennel', 'Mash', [
    ['Cayenne', '1500'],
    ['Fennel bulb', '380'],
  ])
  await page.getByRole('button', { name: 'Weigh it in' }).click()
  await page.getByRole('region', { name: 'On the scale' }).waitFor()
  await order({ do: 'load', massG: 0 })
  await order({ do: 'tare' })
  await order({ do: 'load', massG: 1371.4 })
  await page.setViewportSize(size)
  await wait(5000)
  await shoot(page, name)
}
await scale('weigh-phone', { width: 390, height: 844 })
await order({ do: 'load', massG: 1796.6 })
await order({ do: 'tare' })
await order({ do: 'load', massG: 3181.2 })
await wait(5000)
await go(page, '/ferment')
await shoot(page, 'ferment')
await go(page, '/press')
await pick(page, 'Lot to press', 'BPL-01')
await page.getByLabel('Base came out', { exact: true }).fill('2730')
await page.getByLabel('Pulp left', { exact: true }).fill('480')
await page.getByRole('heading', { level: 1 }).click()
await shoot(page, 'press')
await go(page, '/blend')
await pour(page, 'BPL-94B', 'Aji mash base', '560')
await pour(page, 'BPL-93B', 'Cherry pepper and plum mash base', '340')
await pour(page, 'Pear', 'Pear', '260')
await pour(page, 'White vinegar 5 %', 'White vinegar 5 %', '120')
await pour(page, 'Water', 'Water', '0')
const grip = page.getByRole('slider', { name: 'Salt, at most, on the ruler' })
for (let step = 0; step < 2; step++) await grip.press('ArrowLeft')
await page.locator('[data-figure=ghost]').first().waitFor()
await page.getByRole('heading', { level: 1 }).click()
await page.evaluate(() => scrollTo(0, 0))
await shoot(page, 'blend')
await go(page, '/cellar')
await page.getByLabel('Find by code, name or place').fill('PS-07')
await page.locator('[data-row="PS-07"] a').first().click()
await page.locator('[data-chosen]').waitFor()
const pot = new URL(page.url()).searchParams.get('lot')
await go(page, `/blend/${pot}`)
await page.locator('[data-figure=correction]').waitFor()
await page.evaluate(() => scrollTo(0, 0))
await shoot(page, 'blended')
await go(page, `/bottle/${pot}`)
await page.getByRole('heading', { name: 'How is it kept?' }).waitFor()
await shoot(page, 'bottle')
await go(page, '/bottle')
await page.getByRole('link', { name: 'Release PR-12' }).click()
await page.getByRole('heading', { name: 'Release checks' }).waitFor()
await shoot(page, 'release')
await go(page, '/cellar')
await page.locator('[data-row^="QR-31-"] a').first().click()
await page.locator('[data-chosen]').waitFor()
await shoot(page, 'cellar')
const bottled = new URL(page.url()).searchParams.get('lot')
await page.getByLabel('Find by code, name or place').fill('PS-06')
await page.locator('[data-row^="PS-06-"] a').first().click()
await page.waitForURL((url) => url.searchParams.get('lot') !== bottled)
await go(page, `/label/${new URL(page.url()).searchParams.get('lot')}`)
await page.getByLabel('A line under it').fill('Fermented cherry pepper and plum sauce')
await page.getByText('salt per 100 g').click()
await page.getByLabel('Address lines').fill('Brackwater Pepper Loft\nSaltby Quay')
await page.evaluate(() => scrollTo(0, 0))
await shoot(page, 'label')
await go(page, `/trace/${bottled}`)
await page.locator('svg').first().waitFor()
await wait(800)
await shoot(page, 'trace')
await go(page, '/logbook')
await shoot(page, 'logbook')
await shoot(await open({ width: 390, height: 844 }, 'light'), 'today-phone')
/** A go at an exercise, always with the same luck. */
const rehearse = async (id, luck) => {
  const page = await open({ width: 1280, height: 800 }, 'light')
  await page.addInitScript((drawn) => {
    const real = crypto.getRandomValues.bind(crypto)
    crypto.getRandomValues = (into) =>
      into instanceof Uint32Array && into.length === 1 && location.pathname === '/rehearse'
        ? into.fill(drawn)
        : real(into)
  }, luck)
  await go(page, '/rehearse')
  await page.locator(`[data-exercise="${id}"]`).getByRole('button', { name: 'Begin' }).click()
  await page.getByRole('region', { name: 'Practice loft' }).waitFor()
  await page.locator('[data-lot]').first().waitFor()
  return page
}
const films = await rehearse('three-films', 2)
await wait(4000)
await shoot(films, 'practice')
await films.locator('[data-lot="F-3"]').click()
await films.waitForURL(/ferment/)
await go(films, new URL(films.url()).pathname.replace('/ferment/', '/press?lot='))
await films.getByLabel('Base came out', { exact: true }).fill('1100')
await films.getByLabel('Pulp left', { exact: true }).fill('200')
await films.getByRole('button', { name: 'Record the press' }).click()
await films.waitForURL((url) => !url.search.includes('lot='))
await go(films, '/rehearse/debrief')
await films.getByRole('button', { name: 'End it, and show me' }).click()
await films.locator('[data-drawn="true"]').first().waitFor({ timeout: 60_000 })
await shoot(films, 'debrief')
await browser.close()
server.kill()
