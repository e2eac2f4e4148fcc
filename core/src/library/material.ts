import type { AcidId } from '../acid/species'
import type { Range } from '../working'

/** Allergens that Lactofer knows by name; a maker adds others as text. */
export const ALLERGENS = ['celery', 'crustacean', 'fish', 'milk', 'mustard', 'sulphites'] as const
export type Allergen = typeof ALLERGENS[number]

export type MaterialKind = 'pepper' | 'vegetable' | 'fruit' | 'herb' | 'water' | 'vinegar' | 'acid' | 'sweetener' | 'salt' | 'seafood'

/**
 * One thing a maker can weigh in, as it is (fresh weight). Percentages are of weight.
 * `waterSource` names the dataset row where there is one; everything else is from memory (see docs/checks.md).
 */
export interface Material {
  id: string
  name: string
  kind: MaterialKind
  /** Colour of the pulp, for the drawing of a vessel. */
  color: string
  waterPct: Range
  /** Row code in the Indian Food Composition Tables 2017 the water is taken from. */
  waterSource?: string
  sugarPct: Range
  saltPct: number
  acidsPct: Partial<Record<AcidId, Range>>
  /** Binding sites in mmol per kg. */
  sites: { pectin: number, protein: number }
  /** pH of the thing itself; `null` for water, salt, sugar, pure acids and plain vinegar, which are never back-calculated. */
  ph: Range | null
  /** Scoville heat units on a dry basis. */
  dryShu: Range | null
  allergens: readonly Allergen[]
  /** Brings living lactic acid bacteria when raw. */
  livens: boolean
}
