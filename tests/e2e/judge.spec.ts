import { notebook, START } from '../../core/test/log/build'
import { expect, expectAccessible, field, figure, openLog, test, unfold, visit } from './steps'

const HOUR_MS = 3_600_000

test('two jars and a pocket meter: a reading says which jar and when, only what was read is pressed, and why', async ({
  guarded: page,
}) => {
  const log = notebook()
  const vessels = ['a', 'b'].map((mark) => ({ vesselId: 'jar-1000', mark, massG: 1040, hot: false }))
  const lotId = log.mash(0, {}, { vessels })
  await openLog(page, log.entries, 2)
  await visit(page, `/ferment/${lotId}`)
  await expect(figure(page, 'standing')).toContainText('No pH in 2 days')
  await unfold(page, 'Decide')
  await expect(page.getByRole('button', { name: 'Call it ready …' })).toBeDisabled()

  // A meter that shows no millivolts: refused where it is far off, then good for a day.
  await field(page.getByRole('form', { name: 'Reading' }), 'pH').fill('4.2')
  await page.getByRole('button', { name: 'Set it on two buffers' }).click()
  await page.getByText('It shows pH only').click()
  const check = page.getByRole('form', { name: 'Pocket meter' })
  await field(check, 'It showed in buffer 1').fill('7.3')
  await check.getByRole('button', { name: /Use this meter/ }).click()
  await expect(check.getByText('Both buffers want what the meter showed.')).toBeVisible()
  await field(check, 'It showed in buffer 2').fill('4.05')
  await expect(figure(check, 'pocket-check')).toContainText('Refused')
  await field(check, 'It showed in buffer 1').fill('7.04')
  await expect(figure(check, 'pocket-check')).toContainText('Accepted At most 0.04 off.')
  await expectAccessible(page)
  await check.getByRole('button', { name: 'Use this meter' }).click()
  await expect(check).toBeHidden()
  await page.keyboard.press('Escape')

  // Typed two hours after the page was opened: it was read then. Without a jar it is not taken, and stays.
  const reading = page.getByRole('form', { name: 'Reading' })
  await page.clock.fastForward(2 * HOUR_MS)
  await field(reading, 'pH').fill('4.1')
  await field(reading, 'Temperature').fill('21')
  await reading.getByRole('button', { name: 'Record the reading' }).click()
  await expect(reading.getByText(/Mark the jar you read/)).toBeVisible()
  await expect(field(reading, 'pH')).toHaveValue('4.1')
  await reading.locator('label.el-checkbox', { hasText: /^a$/ }).click()
  await reading.getByRole('button', { name: 'Record the reading' }).click()
  const line = page.getByRole('row', { name: /pH 4\.10 of jar a.*checked in two buffers/ })
  await expect(line).toContainText(
    new Date(START + 50 * HOUR_MS).toLocaleTimeString('en-GB', {
      hour: '2-digit',
      minute: '2-digit',
      timeZone: 'Europe/Berlin',
    }),
  )

  // The verdict opens to its facts and rules, and is the same on the press.
  await expect(figure(page, 'standing')).toContainText('No pH was read in jar b.')
  await page.getByText('Why: facts and rules').click()
  await expect(page.locator('[data-reason="jars not read"]')).toContainText('Jars of one lot differ.')
  await expect(
    page.getByText(/of the time allowed above 4\.6 was spent when it passed; some of its temperature is assumed/),
  ).toBeVisible()
  await visit(page, `/press?lot=${lotId}`)
  await expect(figure(page, 'standing')).toContainText('No pH was read in jar b.')
  await expect(page.getByRole('checkbox', { name: 'Jar a' })).toBeChecked()
  await expect(page.getByRole('checkbox', { name: 'Jar b, not read' })).toBeDisabled()
  await expectAccessible(page)
})
