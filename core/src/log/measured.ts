import { METER_SD, type Sampled } from '../ferment/learn'
import { structureOf, type Structure } from '../ferment/batch'
import { styleById } from '../library/styles'
import type { TemperaturePoint } from '../ferment/clock'
import { levelOfSign, SIGN_KINDS, type SignId } from '../ferment/signs'
import type { StandingSign } from '../ferment/standing'
import type { EntryOf } from './entry'
import type { Instrument } from './entryParts'
import type { Lot } from './lot'
import { MINUTE_MS } from '../units/time'

/** A pH of a lot with its moment, its meter's spread, and where it was taken. */
export interface PhOfLot {
  atMs: number
  ph: number
  sd: number
  of: Sampled
}

/** Spread of a pH by what it was read with. */
export const spreadOfInstrument = (instrument?: Instrument): number =>
  instrument?.kind === 'strip' ? METER_SD.strip : instrument?.calibratedAt ? METER_SD.calibrated : METER_SD.uncalibrated

/** Liquid and pieces of a planned lot. */
export function structureOfPlan(plan: EntryOf<'plan'>): Structure {
  const { lie, usualCut } = styleById(plan.style)
  const allG = plan.rows.reduce((sum, row) => sum + row.massG, plan.waterG + plan.saltG)
  return structureOf(lie, plan.cut ?? usualCut, allG > 0 ? plan.waterG / allG : 0)
}

/** Where a sample comes from when nobody said: pieces are read in their liquid. */
export const usuallyOf = (structure: Structure): Sampled => (structure.liquid < 1 ? 'liquid' : 'blended')

/** Every pH of a lot in order, from readings and loggers. */
export function phsOf(lot: Lot): PhOfLot[] {
  const usual = lot.made.kind === 'plan' ? usuallyOf(structureOfPlan(lot.made)) : 'blended'
  const read = lot.readings.flatMap(({ at, ph, instrument, of }) =>
    ph === undefined ? [] : [{ atMs: Date.parse(at), ph, sd: spreadOfInstrument(instrument), of: of ?? usual }],
  )
  const logged = lot.logged.flatMap(({ at, points }) =>
    points.flatMap(([minute, , ph]) =>
      ph === null ? [] : [{ atMs: Date.parse(at) + minute * MINUTE_MS, ph, sd: METER_SD.uncalibrated, of: usual }],
    ),
  )
  return [...read, ...logged].sort((a, b) => a.atMs - b.atMs)
}

/** Every temperature of a lot in order: read, logged, or of the place it was moved to. */
export function temperaturesOf(lot: Lot): TemperaturePoint[] {
  const read = lot.readings.flatMap(({ at, tempC }) => (tempC === undefined ? [] : [{ atMs: Date.parse(at), tempC }]))
  const logged = lot.logged.flatMap(({ at, points }) =>
    points.flatMap(([minute, tempC]) => (tempC === null ? [] : [{ atMs: Date.parse(at) + minute * MINUTE_MS, tempC }])),
  )
  const moved = lot.decisions.flatMap(({ at, tempC }) => (tempC === undefined ? [] : [{ atMs: Date.parse(at), tempC }]))
  return [...read, ...logged, ...moved].sort((a, b) => a.atMs - b.atMs)
}

/**
 * When something was last poured into a lot, ms: as it was made, or put in later. What was read before is of another
 * mixture.
 */
export const lastPouredMs = (lot: Lot): number =>
  Math.max(Date.parse(lot.made.at), ...lot.added.map(({ at }) => Date.parse(at)))

/** Under this a lot stands in the cold: storage, not fermenting. Common practice. */
export const COLD_C = 8

/** Whether a lot was moved to the cold and not back. */
export const isCold = (lot: Lot): boolean =>
  lot.decisions.findLast(({ decision }) => decision === 'cold' || decision === 'warm')?.decision === 'cold'

const NAMES = new Map<SignId, string>(SIGN_KINDS.map(({ id, name }) => [id, name]))

/** What was seen of a lot, as its standing needs it. */
export const signsOf = (lot: Lot): StandingSign[] =>
  lot.signs.map((entry) => ({
    atMs: Date.parse(entry.at),
    what: NAMES.get(entry.sign) ?? entry.sign,
    level: levelOfSign(entry),
    // Film recorded without answers still asks for a new pH.
    ...(entry.level === undefined && entry.sign === 'white film'
      ? { level: 'act' as const, holds: true }
      : { holds: entry.holds ?? false }),
  }))
