import { describe, expect, it } from 'vitest'
import { claimsIn, labelText, makeLabel, type Ingredient, type LabelInput } from '../../src'

const part = (name: string, massG: number, change: Partial<Ingredient> = {}): Ingredient => ({
  name,
  massG,
  allergens: [],
  unknown: false,
  of: [],
  ...change,
})
const input: LabelInput = {
  name: 'Quay Red',
  line: 'Fermented chilli sauce',
  ingredients: [
    part('Fresno chilli', 600),
    part('Whey', 200, { allergens: ['milk'] }),
    part('Celery', 60, { allergens: ['celery'] }),
    part('Honey', 30),
    part('Salt', 30),
  ],
  bottleMl: 150,
  lotCode: 'QR-31-C',
  packed: '2026-05-04',
  bestBefore: '2027-05-04',
  treatment: 'cooked-hot-fill',
  saltPct: 3.14,
  shu: { low: 1234, typical: 2000, high: 4321 },
  heatWord: 'gentle',
  address: ['Brackwater Pepper Loft', 'Saltby Quay', ''],
  picks: ['contains', 'packed', 'bestBefore', 'storage', 'salt', 'heat', 'shu', 'address', 'code'],
}

describe('a bottle’s label', () => {
  it('says everything picked, in its order, allergens strong and named where the name does not name them', () => {
    const label = makeLabel(input)
    expect(labelText(label).split('\n')).toEqual(
      [
        'Quay Red',
        'Fermented chilli sauce',
        '150 mL (5.1 fl oz)',
        'Ingredients: fresno chilli, whey, celery, honey, salt.',
        'Contains: celery, milk.',
        'Salt 3.1 g per 100 g',
        'Heat: gentle',
        'about 1 200 to 4 300 SHU',
        'Not for infants under one year.',
        'Refrigerate after opening.',
        'Lot QR-31-C · Packed 2026-05-04 · Best before 2027-05-04',
        'Brackwater Pepper Loft',
        'Saltby Quay',
      ].map((line) => line.replace('1 200', '1\u202f200').replace('4 300', '4\u202f300')),
    )
    expect(label.ingredients.filter((run) => run.strong).map((run) => run.text)).toEqual(['whey', 'celery'])
    expect(
      makeLabel({
        ...input,
        ingredients: [
          part('House paste', 10, { allergens: ['fish', 'sesame'], of: [part('Anchovies', 5), part('Salt', 5)] }),
        ],
      })
        .ingredients.map((run) => (run.strong ? `*${run.text}*` : run.text))
        .join(''),
    ).toBe('Ingredients: house paste (anchovies, salt) (*fish*) (*sesame*).')
  })

  it('what is not picked is not there; what must be there is', () => {
    expect(labelText(makeLabel({ ...input, picks: [] })).split('\n')).toEqual([
      'Quay Red',
      'Fermented chilli sauce',
      '150 mL (5.1 fl oz)',
      'Ingredients: fresno chilli, whey, celery, honey, salt.',
      'Not for infants under one year.',
      'Lot QR-31-C',
    ])
    expect(labelText(makeLabel({ ...input, treatment: 'live-cold' }))).toMatch(/Live: keep cold, open with care/)
    expect(() => makeLabel({ ...input, ingredients: [] })).toThrow(/No ingredients are known/)
  })

  it.each([
    'Good for your gut',
    'PROBIOTIC sauce',
    'boosts immunity',
    'low-sodium',
    'No added sugar',
    'Organic',
    'heals',
    'rich in vitamins',
    'helps against high blood pressure',
    'shelf-stable',
  ])('“%s” is warned of', (text) => {
    expect(claimsIn(text)).not.toEqual([])
  })
  it.each([
    'Fermented red pepper sauce',
    'Harbour Red, hot',
    'Plum, smoke and salt',
    'Keep cold, shake well',
    'Biologist’s choice',
  ])('“%s” is not', (text) => {
    expect(claimsIn(text)).toEqual([])
  })
})
