import { expect, field, openDemo, pick, test } from './steps'

test('what cannot be is answered beside the field, and nothing is lost or half saved', async ({ guarded: page }) => {
  await page.goto('/plan')
  await pick(page, 'Add an ingredient', 'Fresno chilli')
  const weight = field(page, 'Fresno chilli, weight')
  for (const [typed, sentence] of [
    ['-5', 'This cannot be less than zero.'], ['', 'Enter a number.'], ['NaN', '"NaN" is not a number.'], ['1000000000', /This lies between 0\.1 g and 1.000.000 g\./], ['12,5', 'A comma can be read two ways. Write 12.5 with a point.'],
  ] as const) {
    await weight.fill(typed)
    await expect(page.getByRole('alert').filter({ hasText: sentence })).toBeVisible()
    await expect(weight).toHaveValue(typed)
  }
  await weight.fill('1000')
  await field(page, 'Strength').fill('40')
  await expect(page.getByText('This lies between 0 % and 20 %.')).toBeVisible()
  await page.getByRole('button', { name: 'Packed: start the lot' }).click()
  await expect(page.getByText('Give it a name, as it should stand on the tape.')).toBeVisible()
  await page.getByRole('link', { name: /^Logbook/ }).click()
  await expect(page.getByText('0 entries in this browser, 0 lots.')).toBeVisible()
})

test('a reading of pH 14, or of tomorrow, is not taken', async ({ guarded: page }) => {
  await openDemo(page)
  await page.locator('[data-lot="BPL-04"]').click()
  await field(page, 'pH').fill('14')
  await expect(page.getByText('A pH here lies between 1.5 and 9.')).toBeVisible()
  await field(page, 'Temperature').fill('20')
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(page.getByText('Mend the marked field, or empty it; nothing was recorded.')).toBeVisible()
  await expect(field(page, 'pH')).toBeFocused()
  await field(page, 'pH').fill('3.7')
  await field(page, 'When').fill('2099-01-01T10:00')
  await expect(page.getByText('This lies in the future. Enter when it was done.')).toBeVisible()
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(field(page, 'When')).toBeFocused()
  await expect(field(page, 'pH')).toHaveValue('3.7')
})
