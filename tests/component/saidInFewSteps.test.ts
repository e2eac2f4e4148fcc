import { afterAll, expect, it } from 'vitest'
import {
  fill as typeInto,
  forget,
  heading,
  openWith,
  part,
  row,
  pick as choose,
  press,
  reads,
  sees,
  touch,
  found,
  follow,
} from './application'

/* From what people say to a packed lot, with the hands counted: a click, a key command, a filled field are one each. */

afterAll(forget)

let hands = 0
const click = async (name: string | RegExp) => (hands++, press(name))
const tick = async (label: string) => (hands++, touch(label))
const fill = async (label: string, text: string) => (hands++, typeInto(label, text))
const pick = async (label: string, choice: string) => ((hands += 2), choose(label, choice))
/** Types a line into a list that is searched and takes its first answer. */
async function line(label: string, text: string) {
  hands += 2
  await choose(label, text, { first: true })
}
async function plan() {
  await openWith([], '/')
  hands = 0
  await follow(/Plan/)
  hands++
  await heading('Plan and pack')
}
const packed = () => part('region', 'Where it stands')

it('1.2 kg of one pepper as mash at 3.5 %, packed in at most 10', async () => {
  await plan()
  await line('Add an ingredient', '1.2 kg cayenne')
  await fill('Salt', '3.5 %')
  await reads('salt', '42.0 g')
  await click('Packed: start the lot')
  await packed()
  expect(hands).toBeLessThanOrEqual(10)
})

it('350 g of sliced peppers in a pint jar under "2 tsp in 1 1/2 cups", packed in at most 12', async () => {
  await plan()
  await pick('Style', 'Brined pieces')
  await line('Add an ingredient', '350 g sliced jalapeños')
  await fill('Salt', '2 tsp in 1 1/2 cups')
  // A cup and a half are 354.9 g; two teaspoons of fine sea salt 11 g: 3.1 % of the water.
  await reads('salt', '≈ 11.0 g')
  await line('Choose yourself', 'pint')
  await reads('fill', 'too much')
  await click(/^Pour what fits/)
  await reads('fill', /^(?!.*too much)/)
  // The strength stays: what fits of that brine.
  await sees('3.10 %', await row(/of the water/))
  await click('Packed: start the lot')
  await packed()
  expect(hands).toBeLessThanOrEqual(12)
})

it('whole small tomatoes with "3 tbsp coarse" in a two-quart jar, packed in at most 12', async () => {
  await plan()
  await pick('Style', 'Brined pieces')
  await line('Add an ingredient', '2 lb cherry tomatoes')
  await fill('Salt', '3 tbsp coarse in each two-quart jar')
  await sees('about 45 g, 39 to 50 g of coarse sea salt in one jar')
  await reads('fill', 'Half-gallon jar')
  await click('Packed: start the lot')
  await packed()
  expect(hands).toBeLessThanOrEqual(12)
})

it('a seven-row salsa with whey, juices and "5 tbsp" into four jars, packed in at most 24', async () => {
  await plan()
  await pick('Style', 'Dry-salted chop')
  for (const said of [
    '3 lb tomatoes',
    '2 onions',
    '1 head of garlic',
    '6 jalapeños',
    'a bunch of cilantro',
    'juice of 3 limes',
    '1/4 cup whey',
  ])
    await line('Add an ingredient', said)
  await fill('Salt', '5 tbsp')
  await found('[data-figure="evened-range"]')
  await reads('to-weigh', 'the salt is then known within')
  await line('Choose yourself', '4 quart')
  await reads('fill', '4 × Quart jar')
  await click('Packed: start the lot')
  await packed()
  expect(hands).toBeLessThanOrEqual(24)
})

it('one bowl into three jars with two closures, packed in at most 25', async () => {
  await plan()
  await pick('Style', 'Dry-salted chop')
  await line('Add an ingredient', '2 kg green tomatoes')
  await line('Add an ingredient', '400 g onion')
  await tick('Mix it in one bowl')
  await click('Mixed: split it')
  await sees('one bowl, several jars')
  await pick('Closed with', 'airlock')
  await click(/^Packed: start 3 lots/)
  await sees('LF-01C')
  expect(hands).toBeLessThanOrEqual(25)
})

it('what can be meant two ways is asked; what is put in later is said in spoons and changes the salt', async () => {
  await plan()
  await line('Add an ingredient', 'garlic')
  await fill('Garlic, weight', '2')
  await click('2 heads')
  await sees('about 100 g, 70 to 150 g: 35 to 75 g a head')
  await line('Add an ingredient', '1 kg cayenne')
  await fill('Salt', '2 tbsp kosher')
  await click('2 tbsp dense kosher')
  await sees(/of dense kosher salt/)
  await fill('Salt', '3 %')
  await click('Packed: start the lot')
  await packed()
  await click('Put in, or lost')
  await click(/^Brine, water, salt/)
  const dialog = await part('dialog', /^Put in/)
  await typeInto('Salt alone', '1 tsp', dialog)
  await reads('put-in', /Salt of everything 2\.9\d → 3\.\d\d %/, dialog)
  await line('Anything else', 'juice of 2 limes')
  await sees('about 60 g, 40 to 90 g: 20 to 45 g in one', dialog)
  await press('It is in: record it', dialog)
  await sees(/Put in: .*lime juice/i)
})
