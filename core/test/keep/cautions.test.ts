import { describe, expect, it } from 'vitest'
import { cautionsFor, type CautionContext, type Step } from '../../src'

const ids = (step: Step, context: CautionContext) => cautionsFor(step, context).map((caution) => caution.id)

describe('cautions stand at the step where they matter', () => {
  it.each<[string, Step, CautionContext, string[]]>([
    ['a ferment above 4.6', 'ferment', { aboveLine: true }, ['botulism']],
    ['a ferment below 4.6', 'ferment', {}, []],
    ['a closed lid', 'ferment', { closed: true }, ['pressure']],
    [
      'packing hot peppers under a lid',
      'pack',
      { hasHotPeppers: true, closed: true },
      ['pressure', 'metals', 'capsaicin'],
    ],
    ['any packing: reactive metals', 'pack', {}, ['metals']],
    ['salting under 2 %', 'pack', { saltPct: 1.6 }, ['salt', 'metals']],
    ['many vessels in a room', 'ferment', { vessels: 9 }, ['pressure']],
    ['a few vessels', 'ferment', { vessels: 3 }, []],
    ['something doubtful was seen', 'ferment', { doubtful: true }, ['mould']],
    ['any reading with a meter', 'read', {}, ['meter']],
    ['titrating with lye', 'read', { lye: true }, ['chemicals', 'meter']],
    ['acid of 88 %', 'blend', { strongAcid: true }, ['chemicals']],
    ['oil in the pot', 'blend', { oily: true }, ['oil']],
    ['hot peppers cooked', 'blend', { hasHotPeppers: true, cooked: true }, ['capsaicin']],
    ['a pot that may be over the limit', 'blend', { aboveLimit: true }, ['botulism']],
    ['filling hot', 'bottle', { hotFill: true }, ['botulism', 'scald', 'glass', 'seals', 'sale']],
    ['a salty sauce for people on low-salt diets', 'bottle', { saltPct: 2.4 }, ['botulism', 'glass', 'sale', 'salt']],
    ['pressing hot peppers', 'press', { hasHotPeppers: true }, ['capsaicin']],
    ['blending live and sweet', 'blend', { liveSugar: true }, ['pressure']],
    ['whey in the bowl', 'pack', { allergens: ['milk'] }, ['metals', 'allergens']],
    ['an allergen and honey in the pot', 'blend', { allergens: ['milk'], honey: true }, ['allergens', 'honey']],
    ['eaten with honey', 'end', { ending: 'eaten', honey: true }, ['kitchen', 'honey']],
    ['given away', 'end', { ending: 'given' }, ['kitchen']],
    ['into the freezer', 'end', { ending: 'frozen' }, ['freezer']],
    ['any bottling', 'bottle', {}, ['botulism', 'glass', 'sale']],
    [
      'a live sweet bottling with shellfish',
      'bottle',
      { liveSugar: true, allergens: ['crustacean'] },
      ['botulism', 'glass', 'sale', 'pressure', 'allergens'],
    ],
  ])('%s', (_, step, context, expected) => {
    expect(ids(step, context)).toEqual(expected)
  })

  it('name the allergen, defer to local rules, and speak of vapour when it is cooked', () => {
    expect(
      cautionsFor('bottle', { allergens: ['crustacean', 'milk'] })
        .map((caution) => caution.text)
        .join(' '),
    ).toMatch(/Local rules win.*Contains crustacean, milk/)
    expect(cautionsFor('blend', { hasHotPeppers: true, cooked: true })[0]?.text).toMatch(/vapour burns/)
  })
})
