import type { Page } from '@playwright/test'
import { expect, field, figure, test, visit } from './steps'

/** A maker's hands, counted: a click, a key command, a filled field are one each. */
function hands(page: Page) {
  let count = 0
  return {
    count: () => count,
    click: async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
      count++
      await page.getByRole(role, { name }).filter({ visible: true }).first().click()
    },
    tick: async (label: string) => {
      count++
      await page.getByText(label).click()
    },
    fill: async (label: string, text: string) => {
      count++
      await page.getByRole('textbox', { name: label, exact: true }).first().fill(text)
    },
    /** Types into a list that is searched and takes the first answer. */
    line: async (label: string, text: string) => {
      count += 2
      const box = page.getByRole('combobox', { name: label, exact: true }).first()
      await box.fill(text)
      await expect(page.getByRole('option').filter({ visible: true }).first()).toBeVisible()
      await box.press('Enter')
    },
    /** Opens a list and takes a word of it. */
    pick: async (label: string, choice: string) => {
      count += 2
      await page
        .locator('.el-select', { has: page.getByRole('combobox', { name: label, exact: true }) })
        .first()
        .click()
      await page.getByRole('option', { name: choice, exact: true }).filter({ visible: true }).first().click()
    },
  }
}
async function plan(page: Page) {
  await visit(page, '/')
  const maker = hands(page)
  await maker.click(/Plan/, 'link')
  await expect(page.getByRole('heading', { level: 1, name: 'Plan and pack' })).toBeVisible()
  return maker
}
const packed = (page: Page) => expect(page.getByRole('region', { name: 'Where it stands' })).toBeVisible()

test('what was said with the plan is not asked again; another style keeps it, what ran over is gone', async ({
  guarded: page,
}) => {
  const maker = await plan(page)
  await maker.line('Add an ingredient', '2 kg cayenne')
  await maker.fill('Salt', '5 tbsp')
  await maker.pick('Closed with', 'one of your own …')
  await maker.fill('Your closure', 'glass plate and a stone')
  await maker.pick('It lets gas and air as', 'plate')
  await maker.fill('Where it stands', 'Attic')
  await maker.pick('Style', 'Ground in brine')
  await expect(figure(page, 'kept')).toContainText('Kept as you said it: salt 5 tbsp, at Attic')
  await maker.fill('Water', '1 quart')
  await maker.click('Weigh it in')
  await expect(page).toHaveURL(/\/weigh\//)
  for (const grams of ['2000', '946', '82']) {
    await field(page, 'Or type the weight').fill(grams)
    await page.getByRole('button', { name: /^Take / }).click()
  }
  await expect(page.getByLabel('Where it stands')).toHaveValue('Attic')
  await expect(
    page.getByRole('textbox', { name: 'Your closure' }).or(page.getByText('glass plate and a stone')).first(),
  ).toBeVisible()
  await maker.click('Packed: start the lot')
  await packed(page)
  await expect(page.getByText(/Attic, glass plate and a stone/).first()).toBeVisible()
  await maker.click('Put in, or lost')
  await maker.click(/^It ran over/)
  const dialog = page.getByRole('dialog', { name: /^Ran over/ })
  await dialog.getByRole('textbox', { name: 'How much' }).fill('lots')
  await dialog.getByRole('button', { name: 'Record it' }).click()
  await expect(dialog.getByRole('alert').first()).toBeVisible()
  await dialog.getByRole('textbox', { name: 'How much' }).fill('1/2 cup')
  await dialog.getByRole('button', { name: 'Record it' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByText(/Ran over: 1\/2 cup, about 118 g/).first()).toBeVisible()
})
