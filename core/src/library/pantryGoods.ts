import { SOURCES, type Allergen } from './material'
import { fixed, pantry, sourced } from './rows'

/** A vinegar of a strength in percent acetic acid by weight; the bottle is right, this is only its usual strength. */
const vinegar = (
  id: string,
  name: string,
  color: string,
  acetic: number,
  allergens: readonly Allergen[] = [],
  names: readonly string[] = [],
) =>
  pantry('vinegar', id, name, color, 239, {
    names,
    waterPct: fixed(100 - acetic),
    acidsPct: { acetic: fixed(acetic, 'strength on the bottle') },
    allergens,
  })

const fromMemory = (low: number, typical: number, high: number) => sourced({ low, typical, high }, SOURCES.memory)

/** 192.12 g of acid in 210.14 g of the monohydrate. */
const MOLAR = 'molar masses (IUPAC atomic weights)'

/** Water, vinegars, acids, sweeteners, salt. Cups: common practice. */
export const PANTRY = [
  pantry('water', 'water', 'Water', '#b8d2dc', 236.6, { names: ['tap water', 'filtered water'], waterPct: fixed(100) }),
  vinegar('white-vinegar', 'White vinegar 5 %', '#e4e9dc', 5, [], ['spirit vinegar', 'distilled vinegar']),
  vinegar('white-vinegar-10', 'White vinegar 10 %', '#e4e9dc', 10, [], ['strong spirit vinegar']),
  vinegar('cider-vinegar', 'Cider vinegar 5 %', '#d8b873', 5, [], ['apple vinegar']),
  vinegar('wine-vinegar', 'White wine vinegar 6 %', '#dcd49c', 6, ['sulphites']),
  vinegar('red-wine-vinegar', 'Red wine vinegar 6 %', '#a35a5f', 6, ['sulphites']),
  vinegar('rice-vinegar', 'Rice vinegar 4.2 %', '#e6e2c8', 4.2),
  vinegar('malt-vinegar', 'Malt vinegar 5 %', '#9a6a37', 5, ['gluten'], ['barley vinegar']),
  pantry('acid', 'citric-acid', 'Citric acid, anhydrous', '#eef0e2', 200, {
    names: ['citric acid without water'],
    acidsPct: { citric: fixed(100) },
    teaspoonG: sourced({ low: 4, typical: 4.5, high: 5 }, SOURCES.practice),
  }),
  pantry('acid', 'citric-acid-hydrate', 'Citric acid, monohydrate', '#eef0e2', 200, {
    names: ['citric acid with water of crystallisation'],
    waterPct: fixed(8.57, MOLAR),
    acidsPct: { citric: fixed(91.43, MOLAR) },
    teaspoonG: sourced({ low: 4, typical: 4.5, high: 5 }, SOURCES.practice),
  }),
  pantry('acid', 'lactic-acid-88', 'Lactic acid 88 %', '#ece9d4', 285, {
    waterPct: fixed(12),
    acidsPct: { lactic: fixed(88, 'strength on the bottle') },
  }),
  pantry('acid', 'malic-acid', 'Malic acid', '#eeeee4', 190, { acidsPct: { malic: fixed(100) } }),
  pantry('acid', 'tartaric-acid', 'Tartaric acid', '#eeeee4', 200, {
    names: ['wine acid'],
    acidsPct: { tartaric: fixed(100) },
  }),
  pantry('acid', 'ascorbic-acid', 'Ascorbic acid', '#f2eddc', 200, {
    names: ['vitamin c'],
    acidsPct: { ascorbic: fixed(100) },
  }),
  pantry('sweetener', 'sugar', 'Sugar', '#f4efe4', 200, {
    names: ['white sugar', 'cane sugar'],
    sugarPct: fixed(100),
    teaspoonG: sourced({ low: 4, typical: 4.2, high: 5 }, SOURCES.practice),
  }),
  pantry('sweetener', 'brown-sugar', 'Brown sugar', '#b98a4f', 213, {
    names: ['muscovado', 'panela'],
    waterPct: fromMemory(1, 1.5, 3),
    sugarPct: fromMemory(94, 96, 98),
  }),
  pantry('sweetener', 'honey', 'Honey', '#d8992a', 340, {
    teaspoonG: sourced({ low: 6.5, typical: 7, high: 8 }, SOURCES.practice),
    waterPct: fromMemory(16, 17, 20),
    sugarPct: fromMemory(78, 81, 83),
  }),
  pantry('sweetener', 'maple-syrup', 'Maple syrup', '#a8662a', 315, {
    waterPct: fromMemory(31, 33, 35),
    sugarPct: fromMemory(64, 66, 68),
  }),
  pantry('sweetener', 'agave-syrup', 'Agave syrup', '#c99a4b', 335, {
    waterPct: fromMemory(22, 24, 26),
    sugarPct: fromMemory(72, 75, 77),
  }),
  pantry('oil', 'olive-oil', 'Olive oil', '#b3a33c', 216, { names: ['oil'] }),
  pantry('thickener', 'xanthan', 'Xanthan gum', '#efeadb', 150, {
    names: ['gum'],
    waterPct: fromMemory(8, 10, 13),
    teaspoonG: sourced({ low: 2.5, typical: 3, high: 3.5 }, SOURCES.practice),
  }),
  pantry('thickener', 'corn-starch', 'Corn starch', '#f4f0e4', 128, {
    names: ['cornflour', 'maize starch'],
    waterPct: fromMemory(10, 12, 14),
    teaspoonG: sourced({ low: 2.5, typical: 2.7, high: 3 }, SOURCES.practice),
  }),
  pantry('thickener', 'potato-starch', 'Potato starch', '#f4f2ea', 160, {
    waterPct: fromMemory(14, 17, 20),
    teaspoonG: sourced({ low: 3, typical: 3.5, high: 4 }, SOURCES.practice),
  }),
  pantry('salt', 'salt', 'Salt', '#f2f4f4', 288, {
    names: ['sea salt', 'pickling salt', 'sodium chloride'],
    saltPct: fixed(100),
    teaspoonG: sourced({ low: 5, typical: 5.7, high: 6.3 }, SOURCES.practice),
  }),
]
