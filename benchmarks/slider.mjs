// From a slider's key to the new figures in the page, 20 components in the pot, in the built application.
import { middle, within, withinMiddle } from './rows.mjs'
import { onServedPage } from './served.mjs'

const NAMES = [
  'Carrot',
  'Onion',
  'Shallot',
  'Garlic',
  'Tomato',
  'Green tomato',
  'Fennel bulb',
  'Celery',
  'Ginger',
  'Mango',
  'Pineapple',
  'Pear',
  'Plum',
  'Kumquat',
  'Lime juice',
  'Water',
  'White vinegar 5 %',
  'Cider vinegar 5 %',
  'Salt',
  'Honey',
]

await onServedPage('4176', async (page) => {
  await page.goto('/blend')
  const box = page.getByRole('combobox', { name: 'Add to the pot', exact: true })
  for (const name of NAMES) {
    await page.locator('.el-select', { has: box }).click()
    await page.keyboard.type(name)
    await page.getByRole('option', { name, exact: true }).filter({ visible: true }).click()
  }
  const series = () =>
    page.evaluate(async () => {
      const slider = document.querySelector('[role=slider]')
      const figure = document.querySelector('[data-figure=mass]')
      const once = () =>
        new Promise((resolve) => {
          const started = performance.now()
          new MutationObserver((_, observer) => {
            observer.disconnect()
            resolve(performance.now() - started)
          }).observe(figure, { subtree: true, childList: true, characterData: true })
          slider.dispatchEvent(new KeyboardEvent('keydown', { code: 'ArrowRight', key: 'ArrowRight', bubbles: true }))
        })
      const found = []
      for (let turn = 0; turn < 80; turn++) {
        found.push(await once())
        await new Promise((resolve) => setTimeout(resolve, 120))
      }
      return found.slice(5).sort((a, b) => a - b)
    })
  const times = []
  for (let turn = 0; turn < 3; turn++) times.push(await series())
  const at = (share) => times.map((one) => one[Math.floor(share * (one.length - 1))])
  within(`Slider to new figures, ${NAMES.length} components: half of them`, middle(at(0.5)), 1000 / 60)
  withinMiddle('… 95 in 100', at(0.95), 1000 / 60)
})
