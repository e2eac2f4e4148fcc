import type { Page } from '@playwright/test'
import { expect, field, figure, test } from './steps'

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
  await page.goto('/')
  const maker = hands(page)
  await maker.click(/Plan/, 'link')
  await expect(page.getByRole('heading', { level: 1, name: 'Plan and pack' })).toBeVisible()
  return maker
}
const packed = (page: Page) => expect(page.getByRole('region', { name: 'Where it stands' })).toBeVisible()

test('said in few steps: a mash, brined pieces, whole fruit, a salsa of seven, a bowl in three jars', async ({
  guarded: page,
}) => {
  await test.step('one bowl into three jars with two closures, packed in at most 25', async () => {
    const maker = await plan(page)
    await maker.pick('Style', 'Dry-salted chop')
    await maker.line('Add an ingredient', '2 kg green tomatoes')
    await maker.line('Add an ingredient', '400 g onion')
    await maker.tick('Mix it in one bowl')
    await maker.click('Mixed: split it')
    await expect(page.getByText('one bowl, several jars')).toBeVisible()
    await maker.pick('Closed with', 'airlock')
    await maker.click(/^Packed: start 3 lots/)
    await expect(page.locator('[data-lot]')).toHaveCount(3)
    expect(maker.count()).toBeLessThanOrEqual(25)
  })
  await test.step('1.2 kg of one pepper as mash at 3.5 %, packed in at most 10', async () => {
    const maker = await plan(page)
    await maker.line('Add an ingredient', '1.2 kg cayenne')
    await maker.fill('Salt', '3.5 %')
    await expect(figure(page, 'salt')).toHaveText('42.0 g')
    await maker.click('Packed: start the lot')
    await packed(page)
    expect(maker.count()).toBeLessThanOrEqual(10)
  })
  await test.step('350 g of sliced peppers in a pint jar under "2 tsp in 1 1/2 cups", packed in at most 12', async () => {
    const maker = await plan(page)
    await maker.pick('Style', 'Brined pieces')
    await maker.line('Add an ingredient', '350 g sliced jalapeños')
    await maker.fill('Salt', '2 tsp in 1 1/2 cups')
    // A cup and a half are 354.9 g; two teaspoons of fine sea salt 11 g: 3.1 % of the water.
    await expect(figure(page, 'salt')).toHaveText('≈ 11.0 g')
    await maker.line('Choose yourself', 'pint')
    await expect(figure(page, 'fill')).toContainText('too much')
    await maker.click(/^Pour what fits/)
    await expect(figure(page, 'fill')).not.toContainText('too much')
    // The strength stays: what fits of that brine.
    await expect(page.getByRole('row', { name: /of the water/ })).toContainText('3.10 %')
    await maker.click('Packed: start the lot')
    await packed(page)
    expect(maker.count()).toBeLessThanOrEqual(12)
  })
  await test.step('whole small tomatoes with "3 tbsp coarse" in a two-quart jar, packed in at most 12', async () => {
    const maker = await plan(page)
    await maker.pick('Style', 'Brined pieces')
    await maker.line('Add an ingredient', '2 lb cherry tomatoes')
    await maker.fill('Salt', '3 tbsp coarse in each two-quart jar')
    await expect(page.getByText('about 45 g, 39 to 50 g of coarse sea salt in one jar')).toBeVisible()
    await expect(figure(page, 'fill')).toContainText('Half-gallon jar')
    await maker.click('Packed: start the lot')
    await packed(page)
    expect(maker.count()).toBeLessThanOrEqual(12)
  })
  await test.step('a seven-row salsa with whey, juices and "5 tbsp" into four jars, packed in at most 24', async () => {
    const maker = await plan(page)
    await maker.pick('Style', 'Dry-salted chop')
    for (const line of [
      '3 lb tomatoes',
      '2 onions',
      '1 head of garlic',
      '6 jalapeños',
      'a bunch of cilantro',
      'juice of 3 limes',
      '1/4 cup whey',
    ])
      await maker.line('Add an ingredient', line)
    await maker.fill('Salt', '5 tbsp')
    await expect(figure(page, 'evened-range')).toBeVisible()
    await expect(figure(page, 'to-weigh')).toContainText('the salt is then known within')
    await maker.line('Choose yourself', '4 quart')
    await expect(figure(page, 'fill')).toContainText('4 × Quart jar')
    await maker.click('Packed: start the lot')
    await packed(page)
    expect(maker.count()).toBeLessThanOrEqual(24)
  })
})

test('what can be meant two ways is asked; what is put in later is said in spoons and changes the salt', async ({
  guarded: page,
}) => {
  const maker = await plan(page)
  await maker.line('Add an ingredient', 'garlic')
  await field(page, 'Garlic, weight').fill('2')
  await page.getByRole('button', { name: '2 heads' }).click()
  await expect(page.getByText('about 100 g, 70 to 150 g: 35 to 75 g a head')).toBeVisible()
  await maker.line('Add an ingredient', '1 kg cayenne')
  await maker.fill('Salt', '2 tbsp kosher')
  await page.getByRole('button', { name: '2 tbsp dense kosher' }).click()
  await expect(page.getByText(/of dense kosher salt/).first()).toBeVisible()
  await maker.fill('Salt', '3 %')
  await maker.click('Packed: start the lot')
  await packed(page)
  await maker.click('Put in, or lost')
  await maker.click(/^Brine, water, salt/)
  const dialog = page.getByRole('dialog', { name: /^Put in/ })
  await dialog.getByRole('textbox', { name: 'Salt alone' }).fill('1 tsp')
  await expect(figure(dialog, 'put-in')).toContainText(/Salt of everything 2\.9\d → 3\.\d\d %/)
  await maker.line('Anything else', 'juice of 2 limes')
  await expect(dialog.getByText('about 60 g, 40 to 90 g: 20 to 45 g in one')).toBeVisible()
  await dialog.getByRole('button', { name: 'It is in: record it' }).click()
  await expect(dialog).toBeHidden()
  await expect(
    page
      .getByText(/Put in: .*lime juice/i)
      .filter({ visible: true })
      .first(),
  ).toBeVisible()
})

test('the US world speaks US throughout: from the plan over the scale to the jar', async ({ guarded: page }) => {
  const maker = await plan(page)
  await maker.click(/^Units: grams/)
  const speaksUs = async () => {
    const text = await page.locator('main').innerText()
    expect(text.match(/.{0,30}\d\s?(?:g|kg|mL|L|°C)(?![\w/]).{0,20}/g) ?? []).toEqual([])
  }
  await maker.pick('Style', 'Brined pieces')
  await maker.line('Add an ingredient', '2 lb jalapeños')
  await maker.fill('Salt', '3 %')
  await expect(figure(page, 'fill')).toBeVisible()
  await page.getByText(/^Working: /).evaluateAll((all) => all.forEach((one) => (one as HTMLElement).click()))
  await speaksUs()
  await maker.click('Keep as a plan')
  await maker.click(/^Weigh/, 'link')
  await expect(page.getByText(/Target/).first()).toBeVisible()
  await page.goto('/plan')
  await expect(page.getByRole('heading', { level: 1, name: 'Plan and pack' })).toBeVisible()
  await maker.line('Add an ingredient', '2 lb cherry tomatoes')
  await maker.fill('Salt', '3 %')
  await maker.click('Packed: start the lot')
  await packed(page)
  await speaksUs()
})

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
