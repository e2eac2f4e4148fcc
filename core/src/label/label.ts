import { InvalidInput } from '../invalid'
import { wayOf, type Treatment } from '../keep/ways'
import type { Allergen } from '../library/material'
import type { Store } from '../log/kinds/bottle'
import { allergensOf, type Ingredient } from '../makeup/ingredients'
import { formatNumber } from '../units/number'
import type { Range } from '../working'

/** A piece of a line of print; `strong` is set apart so that an allergen is seen. */
export interface Run {
  text: string
  strong: boolean
}

/**
 * What may stand on a label beside name, ingredients, net contents and lot; the maker picks, since rules differ by
 * place.
 */
export const LABEL_PICKS = [
  'contains',
  'packed',
  'bestBefore',
  'storage',
  'salt',
  'heat',
  'shu',
  'address',
  'code',
] as const
export type LabelPick = (typeof LABEL_PICKS)[number]

/** All that stands on a bottle, line by line as it is read. */
export interface Label {
  name: string
  line: string | null
  ingredients: Run[]
  contains: string | null
  net: string
  lot: string
  dates: string[]
  storage: string | null
  figures: string[]
  address: string[]
  warnings: string[]
  code: boolean
}

/**
 * What a label is made from. `ingredients` heaviest first; days as YYYY-MM-DD; salt in g per 100 g; heat with its
 * word.
 */
export interface LabelInput {
  name: string
  /** A line of the maker's own under the name. */
  line?: string
  ingredients: readonly Ingredient[]
  bottleMl: number
  lotCode: string
  packed: string
  bestBefore: string
  treatment: Treatment
  saltPct: number | null
  shu: Range | null
  heatWord: string
  address: readonly string[]
  picks: readonly LabelPick[]
  /** Where it stands; what is kept cold says so whatever was picked. */
  store?: Store
  /** Over 0.5 % oil, and no process that covers it at room temperature. */
  oily?: boolean
}

/** Words by which an allergen shows in a name already. */
const SHOWS: Record<Allergen, RegExp> = {
  celery: /celer/i,
  crustacean: /crustacean|prawn|shrimp|crab|lobster/i,
  egg: /egg/i,
  fish: /fish|anchov/i,
  gluten: /wheat|rye|barley|oat/i,
  lupin: /lupin/i,
  milk: /milk|whey|cream|butter/i,
  mollusc: /mollusc|oyster|mussel|squid/i,
  mustard: /mustard/i,
  nuts: /almond|hazelnut|walnut|cashew|pecan|pistachio|macadamia|brazil nut/i,
  peanut: /peanut/i,
  sesame: /sesame/i,
  soy: /soy/i,
  sulphites: /sulph|sulf/i,
}

/**
 * An ingredient in print: compounds opened in brackets, allergens strong, and said where the name does not say them.
 */
function runsOf({ name, allergens, of }: Ingredient): Run[] {
  const lower = name.toLowerCase()
  const unsaid = allergens.filter((allergen) => !SHOWS[allergen].test(name))
  const inside = of.flatMap((part, index) => [...(index ? [{ text: ', ', strong: false }] : []), ...runsOf(part)])
  return [
    { text: lower, strong: allergens.length > 0 && unsaid.length < allergens.length },
    ...(inside.length ? [{ text: ' (', strong: false }, ...inside, { text: ')', strong: false }] : []),
    ...unsaid.flatMap((allergen) => [
      { text: ' (', strong: false },
      { text: allergen, strong: true },
      { text: ')', strong: false },
    ]),
  ]
}

/** The list of ingredients as runs of print, heaviest first. */
export const ingredientRuns = (ingredients: readonly Ingredient[]): Run[] => [
  { text: 'Ingredients: ', strong: false },
  ...ingredients.flatMap((part, index) => [...(index ? [{ text: ', ', strong: false }] : []), ...runsOf(part)]),
  { text: '.', strong: false },
]

const namesOf = (parts: readonly Ingredient[]): string[] => parts.flatMap((part) => [part.name, ...namesOf(part.of)])

/**
 * A label from the log: ingredients in falling order of weight with compounds opened and allergens strong, net
 * contents, lot, and what the maker picked.
 * US fluid ounces beside millilitres. What a label must carry differs by place: local rules win.
 * @throws InvalidInput when there is nothing to list.
 */
export function makeLabel({
  name,
  line,
  ingredients,
  bottleMl,
  lotCode,
  packed,
  bestBefore,
  treatment,
  saltPct,
  shu,
  heatWord,
  address,
  picks,
  store = wayOf(treatment).store,
  oily = false,
}: LabelInput): Label {
  if (ingredients.length === 0)
    throw new InvalidInput('No ingredients are known for this lot, so no label can be made.')
  const shown = (pick: LabelPick) => picks.includes(pick)
  const allergens = allergensOf(ingredients)
  return {
    name,
    line: line?.trim() || null,
    ingredients: ingredientRuns(ingredients),
    contains: shown('contains') && allergens.length ? `Contains: ${allergens.join(', ')}.` : null,
    net: `${formatNumber(bottleMl)} mL (${formatNumber(bottleMl / 29.5735295625, 1)} fl oz)`,
    lot: `Lot ${lotCode}`,
    dates: [
      ...(shown('packed') ? [`Packed ${packed}`] : []),
      ...(shown('bestBefore') ? [`Best before ${bestBefore}`] : []),
    ],
    storage: shown('storage') || store !== 'shelf' ? storageOf(treatment, store, oily) : null,
    figures: [
      ...(shown('salt') && saltPct !== null ? [`Salt ${formatNumber(saltPct, 1)} g per 100 g`] : []),
      ...(shown('heat') && heatWord ? [`Heat: ${heatWord}`] : []),
      ...(shown('shu') && shu
        ? [`about ${formatNumber(roundShu(shu.low))} to ${formatNumber(roundShu(shu.high))} SHU`]
        : []),
    ],
    address: shown('address') ? address.map((one) => one.trim()).filter(Boolean) : [],
    warnings: namesOf(ingredients).some((part) => /\bhoney\b/i.test(part)) ? ['Not for infants under one year.'] : [],
    code: shown('code'),
  }
}

/** How it is kept, as the label says it. */
function storageOf(treatment: Treatment, store: Store, oily: boolean): string {
  if (oily) return 'Contains oil: keep refrigerated, never at room temperature.'
  if (store === 'frozen') return 'Keep frozen. Once thawed, keep cold and use soon.'
  if (treatment === 'live-cold') return 'Live: keep cold, open with care.'
  return store === 'cold' ? 'Keep refrigerated.' : 'Refrigerate after opening.'
}

/** Two digits: more are not known of heat. */
const roundShu = (shu: number): number => (shu > 0 ? Number(shu.toPrecision(2)) : 0)

/** A label as plain text, in the order it is printed. */
export const labelText = (label: Label): string =>
  [
    label.name,
    label.line,
    label.net,
    label.ingredients.map((run) => run.text).join(''),
    label.contains,
    ...label.figures,
    ...label.warnings,
    label.storage,
    [label.lot, ...label.dates].join(' · '),
    ...label.address,
  ]
    .filter(Boolean)
    .join('\n')
