import { InvalidInput, within } from '../invalid'
import { formatNumber } from '../units/number'
import type { Working } from '../working'

/**
 * What a stated strength refers to: the ingredients, the added water, the brine itself, or everything once evened
 * out.
 */
export type SaltBasis = 'ingredients' | 'water' | 'brine' | 'everything'

/** What goes into the vessel before the salt. Masses in g; `ownSaltG` is salt already in the ingredients. */
export interface SaltCase {
  ingredientG: number
  waterG: number
  ownSaltG?: number
}

/** One dose said in all four ways. Fractions as percent; `null` where there is no water to refer to. */
export interface SaltDose {
  saltG: number
  ofIngredientsPct: number | null
  ofWaterPct: number | null
  ofBrinePct: number | null
  /** Salt of everything once it has evened out, own salt included: the figure safety is judged on. */
  ofEverythingPct: number
}

/** A dose on one basis, percent; `null` where there is nothing to refer to. */
export const pctOn = (dose: SaltDose, basis: SaltBasis): number | null =>
  ({
    ingredients: dose.ofIngredientsPct,
    water: dose.ofWaterPct,
    brine: dose.ofBrinePct,
    everything: dose.ofEverythingPct,
  })[basis]

const check = ({ ingredientG, waterG, ownSaltG = 0 }: SaltCase) => {
  within(ingredientG, 0, 1e9, 'The ingredients in grams')
  within(waterG, 0, 1e9, 'The water in grams')
  within(ownSaltG, 0, ingredientG + waterG, 'The salt already in the ingredients')
  if (ingredientG + waterG <= 0) throw new InvalidInput('Weigh in at least one ingredient first.')
  return { ingredientG, waterG, ownSaltG }
}

/** States a salt mass in g on every basis. Source: mass balance. @throws InvalidInput on impossible masses. */
export function describeDose(saltG: number, input: SaltCase): SaltDose {
  const { ingredientG, waterG, ownSaltG } = check(input)
  within(saltG, 0, 1e9, 'The salt in grams')
  return {
    saltG,
    ofIngredientsPct: ingredientG > 0 ? (100 * saltG) / ingredientG : null,
    ofWaterPct: waterG > 0 ? (100 * saltG) / waterG : null,
    ofBrinePct: waterG > 0 ? (100 * saltG) / (waterG + saltG) : null,
    ofEverythingPct: (100 * (saltG + ownSaltG)) / (ingredientG + waterG + saltG),
  }
}

/**
 * Salt in g for a strength stated on one basis. For "everything": S = [e(I+W) − o]/(1 − e); for the brine: S = c
 * W/(1 − c).
 * @param strengthPct 0 to 35 % of the brine or of everything, 0 to 60 % of the ingredients or the water (a seafood
 * paste stands at 40).
 * @throws InvalidInput when the strength is out of range, refers to water that is not there, or is already exceeded.
 */
export function saltDose(basis: SaltBasis, strengthPct: number, input: SaltCase): SaltDose {
  const { ingredientG, waterG, ownSaltG } = check(input)
  const share =
    within(strengthPct, 0, basis === 'ingredients' || basis === 'water' ? 60 : 35, 'A salt strength in percent') / 100
  if ((basis === 'water' || basis === 'brine') && waterG <= 0) {
    throw new InvalidInput(
      'There is no water in this plan, so the salt cannot be a percentage of it. Choose another basis or add water.',
    )
  }
  const saltG =
    basis === 'ingredients'
      ? share * ingredientG
      : basis === 'water'
        ? share * waterG
        : basis === 'brine'
          ? (share * waterG) / (1 - share)
          : (share * (ingredientG + waterG) - ownSaltG) / (1 - share)
  if (saltG < 0)
    throw new InvalidInput('The ingredients already hold more salt than that. Thin with unsalted produce or water.')
  return describeDose(saltG, input)
}

/** The working of a dose, with the numbers put in. */
export function doseWorking(basis: SaltBasis, strengthPct: number, input: SaltCase): Working {
  const { ingredientG, waterG, ownSaltG } = check(input)
  const { saltG } = saltDose(basis, strengthPct, input)
  const formula: Record<SaltBasis, string> = {
    ingredients: 'S = p × I',
    water: 'S = b × W',
    brine: 'S = c × W / (1 − c)',
    everything: 'S = [e × (I + W) − o] / (1 − e)',
  }
  return {
    what: 'Salt to weigh in',
    formula: formula[basis],
    numbers: [
      { name: 'strength', value: `${formatNumber(strengthPct, 2)} % of the ${basis}` },
      { name: 'I, ingredients', value: `${formatNumber(ingredientG, 1)} g` },
      { name: 'W, water', value: `${formatNumber(waterG, 1)} g` },
      { name: 'o, own salt', value: `${formatNumber(ownSaltG, 1)} g` },
    ],
    result: `${formatNumber(saltG, 2)} g`,
    source: 'Mass balance',
  }
}
