import { afterAll, beforeEach, expect, it } from 'vitest'
import {
  fill,
  follow,
  forget,
  giveFile,
  heading,
  holdsValue,
  found,
  openAt,
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

/* The plan: what is typed, said, refused and kept. */

beforeEach(() => openWith([], '/plan'))
afterAll(forget)

async function weigh(rows: readonly (readonly [name: string, said: string])[]) {
  for (const [name, said] of rows) {
    await pick('Add an ingredient', name)
    await fill(`${name}, weight`, said)
  }
}

it('what cannot be is answered beside the field, and nothing is lost or half saved', async () => {
  await pick('Add an ingredient', 'Fresno chilli')
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
    await fill('Fresno chilli, weight', typed)
    await sees(sentence)
    await holdsValue('Fresno chilli, weight', typed)
  }
  await fill('Fresno chilli, weight', '12,5')
  await reads('salt', '0.5 g')
  await fill('Fresno chilli, weight', '1000')
  await fill('Salt', '65')
  await sees('At most 60 % of that.')
  await press('Packed: start the lot')
  await visit('/logbook')
  await sees('0 entries in this browser, 0 lots.')
})

it('a plan that cannot be says so: unknown produce, no water, trimmed to more than was bought, no vessel for it', async () => {
  const box = await part('combobox', 'Add an ingredient')
  await pick('Add an ingredient', 'moon fruit')
  expect(box.getAttribute('aria-label')).toBe('Add an ingredient')
  await fill('moon fruit, weight', '3 pcs')
  await sees('What one piece of moon fruit weighs is not known.')
  await fill('moon fruit, weight', '500')
  await sees('unlisted: wide ranges')
  await press('More about moon fruit')
  await fill('moon fruit, bought', '400')
  await sees('What was bought cannot weigh less than what goes in.')
  await fill('moon fruit, bought', '-3')
  await sees('This cannot be less than zero.')
  await fill('moon fruit, bought', '520')
  await sees('3.8 % trimmed off')
  await pick('Style', 'Brined pieces')
  await fill('Water', '0')
  await sees('There is no water in this plan, so the salt cannot be a percentage of it.')
  await fill('Water', '450')
  await fill('Name on the tape', 'Moon')
  await pick('Choose yourself', '500 mL jar')
  await press('Packed: start the lot')
  await sees('It does not fit. Choose a larger vessel, or more of them.')
  await press('Back to the suggestion')
  await fill('moon fruit, weight', '30')
  await fill('Water', '20')
  await reads('fill', 'Much air above means mould')
})

it('said in cups and cloves, ordered, scaled four ways; what starts it, how sour, what it gives', async () => {
  await weigh([
    ['Fresno chilli', '900'],
    ['Carrot', '8 cups'],
    ['Garlic', '10 cloves'],
  ])
  await sees(/about 1.000 g, 880 to 1.120 g: 125 g a cup/)
  await sees('about 50 g, 30 to 70 g: 3.0 to 7.0 g a clove')
  await reads('salt', '78.0 g') // 4 % of 900 + 1 000 + 50
  await touch('The same spoons of another salt')
  await sees(/flaky kosher salt.*39\.7 g/) // 78 / 5.5 × 2.8

  // More than half of it roasted: two ways out.
  await pick('Carrot, prepared', 'roasted')
  await reads('start', '49 % raw')
  await reads('start', 'Add 50 g of raw produce, or 41 g of living kept brine.')
  await reads('acidity', '4.6')
  await touch('To start at 4.6, if you want that insurance')
  await sees(/g of white vinegar 5 %, which leaves the salt at/)
  await sees('4.00 % of the ingredients')

  const first = async (words: string) => sees(words, await found('.rows > li'))
  await press('More about Garlic')
  await press('Move Garlic up')
  await press('Move Garlic up')
  await first('Garlic')

  const scale = await part('region', 'Scale')
  const go = () => press('Scale it', scale)
  await go()
  await holdsValue('Fresno chilli, weight', '1800')
  await reads('evened', /^3\.9\d %$/)
  await pick('Make it', 'by what I have')
  await pick('Ingredient at hand', 'Fresno chilli')
  await fill('I have', '7.3 kg')
  await go()
  await holdsValue('Fresno chilli, weight', '7300')
  await pick('Make it', 'for so many bottles')
  await fill('Bottles', '60', scale)
  await go()
  await reads('yield', /5\d–6\d bottles of 150 mL/)
  await pick('Make it', 'to fill a vessel')
  await pick('Vessel to fill', '5 L jar')
  await go()
  await reads('fill', '75 % full')
  await pick('Make it', 'by a factor')
  await fill('Factor', '0', scale)
  await sees(/This lies between 0/, scale)
})

it('the unit of a kind of field is chosen at the field and remembered for all of them', async () => {
  await weigh([['Fresno chilli', '1 1/2 lb']])
  await press('Unit for mass: g')
  await touch('kg', await part('radiogroup', 'Unit for mass'))
  await holdsValue('Fresno chilli, weight', '0.68')
  await weigh([['Carrot', '0,32']])
  await reads('salt', '40.0 g') // 4 % of 680.4 + 320
  await openAt('/plan')
  await holdsValue('Carrot, weight', '0.32')
})

it('both unit worlds: typed in any, shown in one, stored once', async () => {
  await pick('Add an ingredient', 'Fresno chilli')
  await fill('Fresno chilli, weight', '2 lb 3 oz')
  // 2 lb 3 oz = 992.2 g; 4 % of it is 39.7 g.
  await reads('salt', '39.7 g')
  await press('Unit for mass: g')
  await touch('kg', await part('radiogroup', 'Unit for mass'))
  await press(/^Units: grams/)
  // Pounds and ounces have units of their own: kilograms of the other world do not stay.
  await holdsValue('Fresno chilli, weight', '35')
  await reads('salt', '1.40 oz')
})

it('is kept, opened again, corrected and packed as the same lot', async () => {
  await fill('Name on the tape', 'Green salsa')
  await weigh([['Green tomato', '600']])
  await pick('Style', 'Brined pieces')
  await fill('Salt', '3')
  await pick('as a share of', 'everything, evened out')
  await fill('Water', '400')
  // 600 g + 400 g water to 3 % of everything: 30.93 g, less the 0.2 g that the tomatoes bring along (0.2 / 0.97).
  await reads('salt', '30.7 g')
  await reads('evened', '3.00 %')
  await press('Keep as a plan')
  await holdsValue('Name on the tape', '')
  await press('LF-01 Green salsa')
  await holdsValue('Water', '400')
  await pick('Choose yourself', '2 L jar')
  await press('Packed: start the lot')
  await heading('Green salsa')
  await reads('salt', '3.00 %')
  await visit('/logbook')
  await sees('3 entries in this browser, 1 lot.')
})

it('a bowl weighed by hand: something else instead, one thing more, weighed again after the salt, then split', async () => {
  await fill('Name on the tape', 'Bowl')
  await pick('Style', 'Dry-salted chop')
  await weigh([
    ['Green tomato', '1000'],
    ['Onion', '400'],
  ])
  await touch('Mix it in one bowl')
  await press('Weigh it in')
  await part('region', 'On the scale')
  const take = async (grams: string) => {
    await fill('Or type the weight', grams)
    await press(/^Take \d/)
  }
  await take('1000')
  await press('Something else instead')
  await pick('What it is', 'Shallot')
  await sees('Shallot')
  await take('400')
  await press('One thing more')
  await pick('What it is', 'Garlic')
  await sees('As much as you like')
  await press('Type the weight')
  await sees('There is nothing on the scale.')
  await take('40')
  // 2.5 % of 1 440 g.
  await sees('Target 36.0 g')
  await take('36')
  // The tomatoes are weighed again, heavier: 2.5 % of 1 640 g is 41 g, 5 g more than went in.
  await press('Green tomato: weigh again')
  await take('1200')
  await sees('The salt no longer fits')
  await press('Weigh 5.0 g more')
  await take('5')
  await seesNot('The salt no longer fits')
  // 41 g weighed in and 0.45 g that tomatoes and shallots bring along, in 1 681 g.
  await reads('weighed-salt', '2.47 %')
  await press('Mixed: split it into jars')
  await sees(/1.681 g in the bowl/)
})

it('the US world speaks US throughout: from the plan over the scale to the jar', async () => {
  await press(/^Units: grams/)
  const speaksUs = async () => {
    const text = (await found('main')).textContent
    expect(text.match(/.{0,30}\d\s?(?:g|kg|mL|L|°C)(?![\w/]).{0,20}/g) ?? []).toEqual([])
  }
  await pick('Style', 'Brined pieces')
  await weigh([['Jalapeño', '2 lb']])
  await fill('Salt', '3 %')
  await reads('fill', /./)
  await speaksUs()
  await press('Keep as a plan')
  await follow(/^Weigh/)
  await sees('Target')
  await visit('/plan')
  await heading('Plan and pack')
  await weigh([['Cherry tomato', '2 lb']])
  await fill('Salt', '3 %')
  await press('Packed: start the lot')
  await part('region', 'Where it stands')
  await speaksUs()
})

it('rows from a file of a spreadsheet, with amounts as people write them; one that cannot be read changes nothing', async () => {
  await giveFile('Import rows', 'rows.csv', 'name;mass_g;preparation\nJalapeno;"1,5 kg";raw\n')
  await holdsValue('Jalapeno, weight', '1500')
  await giveFile('Import rows', 'rows.csv', 'name,mass_g\nFresno,lots\n')
  await sees('Line 2: No amount can be read in "lots". Nothing was changed.')
})
