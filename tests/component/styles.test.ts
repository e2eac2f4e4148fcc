import { afterAll, beforeAll, expect, it } from 'vitest'
import { fold, STYLES, type StyleId } from '@lactofer/core'
import { allEntries } from '~/db/journal'
import {
  fill,
  follow,
  forget,
  heading,
  holdsValue,
  isGone,
  openWith,
  part,
  pick,
  press,
  reads,
  sees,
  seesNot,
  touch,
  visit,
} from './application'

/* Every style from plan to packed lot. */

/** What goes into each style's trial, and a figure that must then stand on the page; each worked out by hand. */
const TRIALS: Record<StyleId, { rows: [name: string, grams: string][]; salt?: string; evened?: string }> = {
  mash: { rows: [['Fresno chilli', '1000']], salt: '40.0 g', evened: '3.85 %' }, // 40 in 1 040
  brined: { rows: [['Yellow aji', '1000']] },
  chop: { rows: [['Cubanelle', '1000']], salt: '25.0 g', evened: '2.44 %' }, // 2.439 %
  'ground-brine': { rows: [['Cayenne', '1000']], salt: '61.9 g', evened: '3.00 %' }, // 3 % of 1 000 + 1 000 of water
  'whole-salted': { rows: [['Cherry tomato', '1000']], salt: '35.0 g', evened: '3.41 %' }, // (35 + 0.3 of its own) in 1 035
  bag: { rows: [['Lemon-drop chilli', '1200']], salt: '48.0 g', evened: '3.85 %' },
  'salt-packed': { rows: [['Lemon, whole', '800']], salt: '80.0 g', evened: '9.09 %' },
  paste: { rows: [['Shrimp', '500']], salt: '200.0 g', evened: '28.86 %' }, // (200 + 2 of its own) in 700
  infusion: { rows: [['Bird chilli', '300']] },
  cooked: { rows: [['Cayenne', '500']] },
}

/** A lot stands in stock with so much of it, by the log. */
async function inStock(code: string, massG: number) {
  const lots = [...fold(await allEntries()).lots.values()]
  expect(lots.find((lot) => lot.code === code)).toMatchObject({ state: 'in stock', leftG: massG })
}

beforeAll(() => openWith([], '/plan'))
afterAll(forget)

it.each(STYLES.map((style) => [style.name, style] as const))('%s', async (_name, style) => {
  const trial = TRIALS[style.id as StyleId]
  await visit('/plan')
  await heading('Plan and pack')
  await fill('Name on the tape', `Trial ${style.id}`)
  await pick('Style', style.name)
  for (const [name, grams] of trial.rows) {
    await pick('Add an ingredient', name)
    await fill(`${name}, weight`, grams)
  }
  if (style.liquid === 'vinegar') {
    await press('Take that much')
    // Five of peppers to eight of vinegar: 500 g take 800 g (common practice).
    await holdsValue('White vinegar 5 %, weight', style.id === 'cooked' ? '800' : /^\d+/)
  }
  if (style.voidShare && style.liquid === 'brine') {
    // A brine is not the final salt: with a kilo of each, 3.5 % of the brine ends near half of it, and that is said.
    await sees('Too weak')
    await pick('as a share of', 'everything, evened out')
    await press('Take what covers')
    await seesNot('Not covered')
    await reads('evened', '3.50 %')
    await reads('cover', /./)
  }
  if (trial.salt) await reads('salt', trial.salt)
  if (trial.evened) await reads('evened', trial.evened)
  if (!style.saltPct) await sees('No salt in this style')
  await reads('fill', /./)
  for (const caution of style.cautions) await sees(caution)
  await touch('Produce cut open and looked at')
  if (style.id === 'infusion') await touch('Whole pods pierced or slit')
  await press('Packed: start the lot')
  await heading(`Trial ${style.id}`)
  await sees(/Looked at before packing: produce cut open and looked at: sound inside[^.]*\. Not ticked: /)
  await sees(new RegExp(style.closures.join('|')))
  // Time or the pot decides there: it can be pressed into a lot in stock without a pH.
  if (style.judgedBy === 'acid') return isGone('main a[href^="/press"]')
  if (style.id !== 'cooked') return void (await part('link', 'Press it'))
  await reads('standing', /^It works out to pH 3\.\d\d at most/)
  await follow('Press it')
  await fill('Base came out', '900')
  await fill('Pulp left', '390')
  await press('Record the press')
  await heading('Blend')
  await inStock('LF-10B', 900)
})

it('an infusion is drawn off into stock and refilled once', async () => {
  await openWith([], '/plan')
  await fill('Name on the tape', 'Pepper vinegar')
  await pick('Style', 'Vinegar infusion')
  for (const [name, grams] of [
    ['Bird chilli', '400'],
    ['White vinegar 5 %', '700'],
  ] as const) {
    await pick('Add an ingredient', name)
    await fill(`${name}, weight`, grams)
  }
  await press('Packed: start the lot')
  const form = await part('form', 'Draw off and refill')
  await fill('Vinegar drawn off', '5000', form)
  await fill('Fresh vinegar', '600', form)
  await press('Drawn off and refilled', form)
  await sees('There are only 1100 g in it, pods included.')
  await fill('Vinegar drawn off', '560', form)
  await press('Drawn off and refilled', form)
  await heading('Pepper vinegar, refill')
  await isGone('form[aria-label="Draw off and refill"]')
  await inStock('LF-01V', 560)
})
