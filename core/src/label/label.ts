import type { Allergen } from '../library/material'
import type { Treatment } from '../keep/release'
import { InvalidInput } from '../invalid'
import { formatNumber } from '../units/number'

/** All that stands on a bottle. */
export interface Label {
  name: string
  ingredients: string
  allergens: string | null
  net: string
  lot: string
  bestBefore: string
  storage: string
  warnings: string[]
}

/** What a label is made from. `ingredients` by mass; `bestBefore` as YYYY-MM-DD. */
export interface LabelInput {
  name: string
  ingredients: readonly { name: string, massG: number }[]
  allergens: readonly Allergen[]
  bottleMl: number
  lotCode: string
  bestBefore: string
  treatment: Treatment
}

/**
 * Ingredients in falling order of weight, allergens, net contents, lot, date and storage. No health claims.
 * US fluid ounces beside millilitres. What a label must carry differs by country: local rules win.
 * @throws InvalidInput when there is nothing to list.
 */
export function makeLabel({ name, ingredients, allergens, bottleMl, lotCode, bestBefore, treatment }: LabelInput): Label {
  if (ingredients.length === 0) throw new InvalidInput('No ingredients are known for this lot, so no label can be made.')
  const ordered = [...ingredients].sort((a, b) => b.massG - a.massG).map(part => part.name.toLowerCase())
  return {
    name,
    ingredients: `Ingredients: ${ordered.join(', ')}.`,
    allergens: allergens.length ? `Contains: ${allergens.join(', ')}.` : null,
    net: `${formatNumber(bottleMl)} mL (${formatNumber(bottleMl / 29.5735295625, 1)} fl oz)`,
    lot: `Lot ${lotCode}`,
    bestBefore: `Best before ${bestBefore}`,
    storage: treatment === 'live-cold' ? 'Live: keep cold, open with care.' : 'Refrigerate after opening.',
    warnings: ordered.some(part => part.includes('honey')) ? ['Not for infants under one year.'] : [],
  }
}
