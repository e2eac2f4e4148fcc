import type { Piece } from '../amount/words'
import type { AcidId } from '../acid/species'
import type { Range } from '../working'

/** Low, typical and high. */
export type Triple = readonly [low: number, typical: number, high: number]

/**
 * Allergens that are declared by name: the fourteen of regulation (EU) 1169/2011, Annex II, which hold the nine of
 * the United States; from memory.
 */
export const ALLERGENS = [
  'celery',
  'crustacean',
  'egg',
  'fish',
  'gluten',
  'lupin',
  'milk',
  'mollusc',
  'mustard',
  'nuts',
  'peanut',
  'sesame',
  'soy',
  'sulphites',
] as const
export type Allergen = (typeof ALLERGENS)[number]

export const MATERIAL_KINDS = [
  'pepper',
  'vegetable',
  'fruit',
  'herb',
  'seafood',
  'starter',
  'water',
  'vinegar',
  'acid',
  'sweetener',
  'oil',
  'thickener',
  'salt',
] as const
export type MaterialKind = (typeof MATERIAL_KINDS)[number]

/** A number with its range and where it comes from. `doubtful` says what speaks against a published value. */
export interface Figure extends Range {
  source: string
  doubtful?: string
}

/** The sources figures name. */
export const SOURCES = {
  dataset: (code: string) => `IFCT 2017, ${code}`,
  memory: 'from memory',
  practice: 'common practice',
  ph: 'US FDA, Approximate pH of foods, from memory',
  defined: 'what it is',
  own: 'your own value',
} as const

/** One thing a maker can weigh in, as it is (fresh weight). Percentages are of weight; masses in g. */
export interface Material {
  id: string
  name: string
  /** Other common names, for the search. */
  names: readonly string[]
  kind: MaterialKind
  /** Colour of the pulp, for the drawing of a vessel. */
  color: string
  waterPct: Figure
  sugarPct: Figure
  /** Salt of its own: sodium × 2.542. */
  saltPct: Figure
  acidsPct: Partial<Record<AcidId, Figure>>
  /** Binding sites in mmol per kg. */
  sites: { pectin: number; protein: number }
  /**
   * pH of the thing itself; `null` for water, salt, sugar, pure acids and plain vinegar, which are never
   * back-calculated.
   */
  ph: Figure | null
  /** Scoville heat units on a dry basis. */
  dryShu: Figure | null
  /** Grams in a US cup (236.6 mL), chopped where it is produce. */
  cupG: Figure
  /** Grams of one piece, where pieces are counted. */
  pieceG: Figure | null
  /** Grams of what else is counted of it: a head, a bunch, a leaf; of a juice, what one fruit gives. */
  countedG: Readonly<Partial<Record<Piece | 'juice', Figure>>>
  /** Grams in a level teaspoon, where it is spooned. */
  teaspoonG: Figure | null
  allergens: readonly Allergen[]
  /** Brings living lactic acid bacteria when raw. */
  livens: boolean
  /** log10 of living bacteria in a gram of it, for a starter. */
  starterLog10: number | null
  /** What the maker paid, a kilogram, in the maker's own money; the shipped library knows no prices. */
  pricePerKg: number | null
  /** Whether any figure of it is the maker's own. */
  own: boolean
}
