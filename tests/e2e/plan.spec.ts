import { readFile } from 'node:fs/promises'
import { PDFDocument } from 'pdf-lib'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, field, figure, openDemo, pick, pressElse, test, visit } from './steps'

const weigh = async (page: Page, rows: readonly (readonly [name: string, said: string])[]) => {
  for (const [name, said] of rows) {
    await pick(page, 'Add an ingredient', name)
    await field(page, `${name}, weight`).fill(said)
  }
}
const upload = (page: Page, label: string, name: string, text: string) =>
  page.getByLabel(label, { exact: true }).setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })

test('one bowl, three jars: each a lot of its own, the hot one marked on shelf, round and label', async ({
  guarded: page,
}) => {
  await visit(page, '/plan')
  await field(page, 'Name on the tape').fill('Salsa')
  await pick(page, 'Style', 'Dry-salted chop')
  await weigh(page, [
    ['Green tomato', '2000'],
    ['Onion', '400'],
  ])
  await page.getByText('Mix it in one bowl').click()
  await page.getByRole('button', { name: 'Mixed: split it' }).click()
  await expect(page.getByText('one bowl, several jars')).toBeVisible()
  await expectAccessible(page)
  const jar = (code: string) => page.getByRole('region', { name: `Jar ${code}` })
  await pick(page, 'Add to this jar', 'Sweet corn')
  await field(jar('LF-01A'), 'Sweet corn, weight').fill('150')
  const hot = jar('LF-01B')
  await hot.locator('.el-select', { has: page.getByRole('combobox', { name: 'Add to this jar' }) }).click()
  await page.keyboard.type('Habanero')
  await page.getByRole('option', { name: 'Habanero' }).filter({ visible: true }).first().click()
  await field(hot, 'Habanero, weight').fill('40')
  await hot.getByText('HOT on the tape').click()
  await expect(figure(jar('LF-01A'), 'jar-salt')).toHaveText('3.8 g') // 150 g at the bowl's 2.46 % of everything
  await expect(figure(jar('LF-01C'), 'jar-salt')).toHaveText('0.0 g')
  await expect(figure(hot, 'jar-heat')).toContainText('gentle')
  await field(hot, 'From the bowl').fill('2000')
  await expect(page.getByText(/g too much\.$/)).toBeVisible()
  await field(hot, 'From the bowl').fill('820')
  await page.getByRole('button', { name: 'Packed: start 3 lots' }).click()
  await expect(page.locator('[data-lot="LF-01B"] svg text', { hasText: 'HOT' })).toHaveCount(1)
  await expect(page.locator('[data-lot="LF-01A"] svg text', { hasText: 'HOT' })).toHaveCount(0)
  await page.locator('[data-lot="LF-01B"]').click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    pressElse(page, 'Paper and files', 'Jar labels'),
  ])
  const pdf = await PDFDocument.load(await readFile(await download.path()))
  expect(pdf.getSubject()).toMatch(
    /^LF-01B, Salsa, hot, 2\.\d % salt, started \d{4}-\d\d-\d\d, (loose|tight) lid, HOT$/,
  )
  const [sheet] = await Promise.all([page.waitForEvent('download'), pressElse(page, 'Paper and files', 'Batch sheet')])
  expect((await PDFDocument.load(await readFile(await sheet.path()))).getTitle()).toBe('Batch sheet, LF-01B Salsa, hot')
  // Too salty: water thins it; its own produce is habanero, and more of that would be another sauce.
  await pressElse(page, 'Put in, or lost', 'Salted wrong?')
  await field(page, 'Salt measured').fill('4')
  await expect(page.locator('[data-remedy="water"]')).toBeVisible()
  await expect(page.locator('[data-remedy="produce"]')).toBeHidden()
})

test('library: found by any name, own values over it and back again, own vessels that a plan chooses from', async ({
  guarded: page,
}) => {
  await visit(page, '/library')
  await page.getByLabel('Search by any common name').fill('hari mirch')
  await page.getByRole('button', { name: /^Green chilli/ }).click()
  await expect(page.getByRole('row', { name: /Citric acid 0\.15 %/ })).toContainText('Doubtful')
  await expect(page.getByRole('row', { name: /Water 85\.4 %/ })).toContainText('IFCT 2017, G008')
  await field(page, 'Heat, SHU dry basis, low').fill('9000')
  await field(page, 'Heat, SHU dry basis, typical').fill('5000')
  await page.getByRole('button', { name: 'Keep my values' }).click()
  await expect(page.getByText(/Heat, SHU dry basis: Low, typical and high must stand in this order/)).toBeVisible()
  await field(page, 'Heat, SHU dry basis, typical').fill('12000')
  await page.getByRole('button', { name: 'Keep my values' }).click()
  await expect(page.getByRole('row', { name: /Heat, dry basis 12.000 SHU/ })).toContainText('your own value')
  await page.getByRole('button', { name: 'Back to the library’s values' }).click()
  await expect(page.getByRole('row', { name: /Heat, dry basis 40.000 SHU/ })).toContainText('common practice')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export CSV' }).click(),
  ])
  const csv = await readFile(await download.path(), 'utf8')
  await upload(page, 'Import CSV', 'library.csv', csv)
  await expect(page.getByText('Nothing in the file differs from your library.')).toBeVisible()
  await upload(page, 'Import CSV', 'library.csv', 'name,kind,shu_dry\nHarbour chilli,pepper,9000/12000/15000\n')
  await page.getByLabel('Search by any common name').fill('harbour')
  await expect(page.getByRole('button', { name: /^Harbour chilli ?yours/ })).toBeVisible()

  await page.getByLabel('Search by any common name').fill('')
  await page.getByRole('button', { name: 'Vessels and closures' }).click()
  const form = page.getByRole('form', { name: 'A vessel of yours' })
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(form.getByText('Enter an amount.').or(form.getByText('Give it a name'))).toBeVisible()
  await field(form, 'Vessel name').fill('Blue tub')
  await field(form, 'Holds, to the brim').fill('20')
  await expect(form.getByText('This lies between 50 mL')).toBeVisible()
  await field(form, 'Holds, to the brim').fill('4 l')
  await field(form, 'Weighs empty').fill('310')
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('button', { name: 'Change Blue tub' })).toContainText('weighs 310 g')
  await visit(page, '/plan')
  await weigh(page, [['Fresno chilli', '2000']])
  await expect(figure(page, 'fill')).toContainText('Blue tub')
})

test('a label opens its lot: by the camera where the browser reads codes, by the short code where not', async ({
  guarded: page,
}) => {
  await openDemo(page)
  const href = await page.locator('[data-lot="BPL-09"] a, a[data-lot="BPL-09"]').first().getAttribute('href')
  const scan = () => page.getByRole('button', { name: 'Open a lot by its label' }).click()
  await scan()
  await field(page, 'Code on the tape').fill('ZZ-9')
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await expect(page.getByText('No lot “ZZ-9” in this log.')).toBeVisible()
  await field(page, 'Code on the tape').fill('bpl-03d')
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Green tomato salsa' })).toBeVisible()

  await page.addInitScript((link) => {
    Object.assign(globalThis, {
      BarcodeDetector: class {
        detect() {
          return Promise.resolve([{ rawValue: `https://somewhere.test${link}` }])
        }
      },
    })
    const canvas = document.createElement('canvas')
    const pen = canvas.getContext('2d')
    setInterval(() => pen?.fillRect(0, 0, Math.random() * 90, 90), 40)
    const asked: { give: () => void; stream: MediaStream }[] = []
    Object.assign(globalThis, { asked })
    navigator.mediaDevices.getUserMedia = () =>
      new Promise((resolve) => {
        const stream = canvas.captureStream(20)
        asked.push({ stream, give: () => resolve(stream) })
        if (asked.length > 1) resolve(stream)
      })
  }, href)
  await page.reload()
  await scan()
  // Asked for, and given only after the scan was cancelled: it does not stay on.
  await page.waitForFunction(() => (globalThis as unknown as { asked: unknown[] }).asked.length === 1)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Open a lot by its label' })).toBeHidden()
  await page.evaluate(() => {
    const { asked } = globalThis as unknown as { asked: { give: () => void }[] }
    asked[0]!.give()
  })
  await page.waitForFunction(() => {
    const { asked } = globalThis as unknown as { asked: { stream: MediaStream }[] }
    return asked[0]!.stream.getTracks().every((track) => track.readyState === 'ended')
  })
  await scan()
  await expect(page.getByRole('heading', { level: 1, name: 'Scotch bonnet and mango' })).toBeVisible({
    timeout: 20_000,
  })
})
