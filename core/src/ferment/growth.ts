import { SALT_MOLAR_MASS_G } from '../acid/mixture'
import { interpolate } from '../units/interpolate'

/**
 * How temperature, acid, salt and sugar set the pace of lactic acid bacteria: factors from 0 to 1.
 * Two groups: H (heterofermentative: gassy, early, stops near pH 3.7) and P (acid-tolerant, plantarum type).
 */

/**
 * Cardinal values of a group. Temperatures in °C, `aw` water activity, rates per hour, yields per 10⁹ cells, mmol/kg.
 */
export interface Group {
  /** Growth rate at its best, 1/h. */
  rate: number
  tMin: number
  tBest: number
  tMax: number
  phMin: number
  awMin: number
  /** Acid with growth, mmol per 10⁹ cells; acid at rest, mmol/h per 10⁹ cells. */
  withGrowth: number
  atRest: number
  /** Most cells, 10⁹/g. */
  most: number
  /** Death rate, 1/h, where nothing grows. */
  death: number
  /** How far under its least pH for growth it still makes acid. */
  below: number
  /** log10 of cells a gram on raw produce. */
  raw: number
  /** Spread of that, log10. */
  rawSpread: number
}

/**
 * From memory: Passos and others 1993–94 for P (least pH, salt, acid yields), Zwietering 1990–91 for its
 * temperatures; rates and H chosen so that the cases in docs/checks.md come out. The least water activities are those
 * of 8.6 and 11.8 % salt in the water.
 */
export const GROUPS: Readonly<Record<'H' | 'P', Group>> = {
  H: {
    rate: 0.75,
    tMin: -0.5,
    tBest: 29,
    tMax: 39,
    phMin: 3.75,
    awMin: 0.946,
    withGrowth: 45,
    atRest: 3.2,
    most: 0.6,
    death: 0.02,
    below: 0.15,
    raw: 3.5,
    rawSpread: 1,
  },
  P: {
    rate: 0.75,
    tMin: 1,
    tBest: 35,
    tMax: 44,
    phMin: 3.42,
    awMin: 0.921,
    withGrowth: 21,
    atRest: 1.9,
    most: 1.2,
    death: 0.007,
    below: 0.27,
    raw: 2.5,
    rawSpread: 1.2,
  },
}

/** Undissociated acid that stops growth, mmol/kg: lactic (Passos, from memory), acetic (chosen). */
export const STOPS = { lactic: 69, acetic: 150 }
/** Acid is still made at rest up to so many times as much. Chosen. */
export const STOPS_AT_REST = 2.2
/** Hexose at half speed, mmol/kg. Chosen. */
export const HALF_SPEED = 2

/** pK' at an ionic strength of about 0.5, where a salted mash stands. From memory. */
export const MIXED_PK = { lactic: 3.66, acetic: 4.57, citric: [2.92, 4.35, 5.65], malic: [3.22, 4.7] } as const

/** Rosso's cardinal temperature model: 0 at and outside the ends, 1 at the best. °C. */
export function temperatureFactor(
  tempC: number,
  { tMin, tBest, tMax }: Pick<Group, 'tMin' | 'tBest' | 'tMax'>,
): number {
  if (!(tempC > tMin && tempC < tMax)) return 0
  const over = (tempC - tMax) * (tempC - tMin) ** 2
  return over / ((tBest - tMin) * ((tBest - tMin) * (tempC - tBest) - (tBest - tMax) * (tBest + tMin - 2 * tempC)))
}

/**
 * Water activity of sodium chloride solutions at 25 °C, mol/kg of water, up to the saturated one (Robinson and Stokes,
 * from memory).
 */
const SALT_WATER: readonly (readonly [molal: number, activity: number])[] = [
  [0, 1],
  [0.2, 0.9934],
  [0.4, 0.9868],
  [0.6, 0.9802],
  [0.8, 0.9736],
  [1, 0.9669],
  [1.5, 0.9497],
  [2, 0.9316],
  [2.5, 0.9128],
  [3, 0.8932],
  [3.5, 0.8727],
  [4, 0.8515],
  [5, 0.8068],
  [6, 0.7598],
  [6.144, 0.7528],
]

/**
 * Water activity at a salt in the water phase, percent of salt and water; fruit's own sugar takes up to 0.008 more
 * (from memory). Saturated, it stays there.
 */
export function waterActivity(waterPhaseSaltPct: number, fruitShare = 0): number {
  const molal = (1000 * waterPhaseSaltPct) / (100 - waterPhaseSaltPct) / SALT_MOLAR_MASS_G
  const salted = interpolate(
    SALT_WATER.length,
    (index) => SALT_WATER[index]?.[0] ?? 0,
    (index) => SALT_WATER[index]?.[1] ?? 0,
    molal,
  )
  return salted - 0.008 * fruitShare
}

/** Growth at a water activity: straight from 0 at the least to 1 in pure water. */
export const waterFactor = (aw: number, awMin: number): number => Math.max(0, (aw - awMin) / (1 - awMin))
