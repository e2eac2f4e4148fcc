import { z } from '../schema'
import type { Balance } from '../acid/balance'
import { chargeOf, mixturePh, TITRATED_TO, titratableOf } from '../acid/mixture'
import { MILLIEQUIVALENT_G } from '../acid/titration'
import { mix, ofMass, sharesOf, type Composition } from '../composition/composition'
import type { Range } from '../working'
import { phAnswer, type Forecast } from './forecast'

/** What a blend is judged by, in the order it is always shown. */
export const PROPERTIES = ['acid', 'salt', 'heat', 'sweet', 'body'] as const
export type Property = (typeof PROPERTIES)[number]

/**
 * What can be aimed at: the five, and titratable acidity. Units: pH, % of weight, SHU, %, % of solids, % as lactic
 * acid.
 */
export const AIMS = [...PROPERTIES, 'tart'] as const
export type Aim = (typeof AIMS)[number]

/** Ranks of a target, the first to be met first. */
export const RANKS = [1, 2, 3] as const
export const RANK_WORDS = { 1: 'must', 2: 'should', 3: 'if it can' } as const

/** A wanted range; an open end is `null`. `rank`: 1 must, 2 should, 3 if it can. */
export const TargetSchema = z.object({
  low: z.number().nullable(),
  high: z.number().nullable(),
  rank: z.union([z.literal(1), z.literal(2), z.literal(3)]),
})
export type Target = z.infer<typeof TargetSchema>
export const TargetsSchema = z.object({
  acid: TargetSchema,
  salt: TargetSchema,
  heat: TargetSchema,
  sweet: TargetSchema,
  body: TargetSchema,
  tart: TargetSchema,
})
export type Targets = z.infer<typeof TargetsSchema>

/** Nothing wanted. */
export const openTargets = (): Targets => {
  const open = (): Target => ({ low: null, high: null, rank: 1 })
  return { acid: open(), salt: open(), heat: open(), sweet: open(), body: open(), tart: open() }
}

/** The value of a property in a forecast, with what is not known about it; `null` without water where water matters. */
export function valueOf(aim: Aim, forecast: Forecast): Range | null {
  const sharp = (value: number): Range => ({ low: value, typical: value, high: value })
  switch (aim) {
    case 'acid':
      return forecast.ph
    case 'salt':
      return sharp(forecast.saltPct)
    case 'heat':
      return forecast.shu
    case 'sweet':
      return forecast.sugarPct
    case 'body':
      return sharp(forecast.bodyPct)
    case 'tart': {
      const tart = tartPct(forecast.composition)
      return tart === null ? null : sharp(tart)
    }
  }
}

/** Titratable acidity in percent as lactic acid, or `null` without water. */
export function tartPct(composition: Composition): number | null {
  const found = titratableOf(composition)
  return found && composition.massG > 0 ? (100 * found.mmol * MILLIEQUIVALENT_G.lactic) / composition.massG : null
}

/**
 * A plain figure of a composition: what the program steers by. `null` of nothing, and without water where water
 * matters.
 */
export function figureOf(aim: Aim, composition: Composition): number | null {
  if (!(composition.massG > 0)) return null
  if (aim === 'acid') return mixturePh(composition)
  if (aim === 'tart') return tartPct(composition)
  const { saltPct, shu, sugarPct, bodyPct } = sharesOf(composition)
  return { salt: saltPct, heat: shu.typical, sweet: sugarPct.typical, body: bodyPct }[aim]
}

/**
 * How an aim's figure answers an addition: what it is after each added mass of one more component, in the aim's own
 * unit; `null` where it has no figure.
 * @param addedG grams of the addition, each 0 or more.
 */
export function answersTo(
  aim: Aim,
  base: Composition,
  addition: Composition,
  addedG: readonly number[],
): (number | null)[] {
  if (aim === 'acid') return phAnswer(base, addition, addedG)
  return addedG.map((grams) => figureOf(aim, mix([base, ofMass(addition, grams)])))
}

/**
 * How much each gram of a part lifts a mixture over a value: Σ excess × grams is over zero exactly when the
 * mixture's figure is over the value.
 * For pH it is the charge that the part brings at that pH, which adds up; so every target is a linear row at a given
 * ionic strength.
 */
export function excessOf(composition: Composition): (aim: Aim, value: number, ionicStrength: number) => number {
  const { massG } = composition
  if (!(massG > 0)) return () => 0
  const charge = chargeOf(composition)
  const at = (balance: Balance) => charge(balance).left / massG
  return (aim, value, ionicStrength) => {
    if (aim === 'acid') return at({ pH: value, ionicStrength })
    // What is missing to pH 8.2 is the titratable acidity.
    if (aim === 'tart') return -at({ pH: TITRATED_TO, ionicStrength }) * 100 * MILLIEQUIVALENT_G.lactic - value
    return (figureOf(aim, composition) ?? 0) - value
  }
}
