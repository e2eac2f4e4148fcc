import { expect, field, figure, openDemo, pick, test } from './steps'

test('what cannot be is answered beside the field, and nothing is lost or half saved', async ({ guarded: page }) => {
  await page.goto('/plan')
  await pick(page, 'Add an ingredient', 'Fresno chilli')
  const weight = field(page, 'Fresno chilli, weight')
  for (const [typed, sentence] of [
    ['-5', 'This cannot be less than zero.'],
    ['', 'Enter an amount.'],
    ['NaN', 'No amount can be read in "NaN".'],
    ['500-450 g', 'A range goes from the smaller to the larger: did you mean 450-500?'],
    ['3', '3 g, or 3 pieces?'],
    ['1000000000', /This lies between 0\.1 g and 1.000.000 g\./],
    ['1,250', 'A comma can be read two ways. Write 1250 with a point.'],
    ['3 stone', '"stone" cannot be read here. Say it as 350 g, 12 oz, 1 1/2 cups or 3 pieces.'],
  ] as const) {
    await weight.fill(typed)
    await expect(page.getByRole('alert').filter({ hasText: sentence })).toBeVisible()
    await expect(weight).toHaveValue(typed)
  }
  await weight.fill('12,5')
  await expect(figure(page, 'salt')).toHaveText('0.5 g')
  await weight.fill('1000')
  const salt = page.getByRole('textbox', { name: 'Salt', exact: true })
  await salt.fill('65')
  await expect(page.getByText('At most 60 % of that.')).toBeVisible()
  await page.getByRole('button', { name: 'Packed: start the lot' }).click()
  await expect(salt).toBeFocused()
  await page.getByRole('link', { name: /^Logbook/ }).click()
  await expect(page.getByText('0 entries in this browser, 0 lots.')).toBeVisible()

  // A reading of pH 14, or of tomorrow, is not taken.
  await openDemo(page)
  await page.locator('[data-lot="BPL-04"]').click()
  await field(page, 'pH').fill('14')
  await expect(page.getByText('A pH here lies between 1.5 and 9.')).toBeVisible()
  await field(page, 'Temperature').fill('20')
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(page.getByText('Mend the marked field, or empty it; nothing was recorded.')).toBeVisible()
  await expect(field(page, 'pH')).toBeFocused()
  await field(page, 'pH').fill('3.7')
  await field(page, 'When').fill('01/01/2099 10:00')
  await field(page, 'When').press('Enter')
  await expect(page.getByText('This lies in the future. Enter when it was done.')).toBeVisible()
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(field(page, 'When')).toBeFocused()
  await expect(field(page, 'pH')).toHaveValue('3.7')
})

test('a plan that cannot be says so: unknown produce, no water, trimmed to more than was bought, no vessel for it', async ({
  guarded: page,
}) => {
  await page.goto('/plan')
  const box = page.getByRole('combobox', { name: 'Add an ingredient' })
  await page.locator('.el-select', { has: box }).click()
  await page.keyboard.type('moon fruit')
  await page.getByRole('option', { name: /“moon fruit” is not in the library/ }).click()
  await field(page, 'moon fruit, weight').fill('3 pcs')
  await expect(page.getByText('What one piece of moon fruit weighs is not known.')).toBeVisible()
  await field(page, 'moon fruit, weight').fill('500')
  await expect(page.getByText('unlisted: wide ranges')).toBeVisible()
  await page.getByRole('button', { name: 'More about moon fruit' }).click()
  await field(page, 'moon fruit, bought').fill('400')
  await expect(page.getByText('What was bought cannot weigh less than what goes in.')).toBeVisible()
  await field(page, 'moon fruit, bought').fill('-3')
  await expect(page.getByText('This cannot be less than zero.')).toBeVisible()
  await field(page, 'moon fruit, bought').fill('520')
  await expect(page.getByText('3.8 % trimmed off')).toBeVisible()
  await pick(page, 'Style', 'Brined pieces')
  await field(page, 'Water').fill('0')
  await expect(
    page.getByText('There is no water in this plan, so the salt cannot be a percentage of it.'),
  ).toBeVisible()
  await field(page, 'Water').fill('450')
  await field(page, 'Name on the tape').fill('Moon')
  await pick(page, 'Choose yourself', '500 mL jar')
  await page.getByRole('button', { name: 'Packed: start the lot' }).click()
  await expect(page.getByText('It does not fit. Choose a larger vessel, or more of them.')).toBeVisible()
  await page.getByRole('button', { name: 'Back to the suggestion' }).click()
  await field(page, 'moon fruit, weight').fill('30')
  await field(page, 'Water').fill('20')
  await expect(figure(page, 'fill')).toContainText('Much air above means mould')
})
