import { DAY_MS, HOUR_MS } from '../units/time'
import type { Instrument } from './entryParts'

/** How far what gave a pH can be trusted; the one table of errors that forecast, judge, blend and release share. */
export const TRUSTS = ['bench', 'pocket', 'unchecked', 'strip', 'stained', 'failed'] as const
export type Trust = (typeof TRUSTS)[number]

/**
 * Standard deviation of a pH by what it was read with. `stained`: a strip in red or brown juice, which hides its
 * colour. `failed`: a meter that failed its last check. Judgement.
 */
export const PH_SD: Readonly<Record<Trust, number>> = {
  bench: 0.03,
  pocket: 0.05,
  unchecked: 0.25,
  strip: 0.2,
  stained: 0.35,
  failed: 0.5,
}

/** Standard deviations to the end that 95 in 100 stay under (one-sided, normal distribution). */
export const ONE_SIDED = 1.645

/**
 * What a meter is held to, for the judge, for calibration and for words: hours a calibration or a check counts in full
 * and a calibration counts at all; slope in percent of Nernst's; how far it may be off at pH 7, mV, and in a buffer,
 * pH. Ages and the last are judgement, the rest common practice.
 */
export const METER_LIMITS = {
  freshH: 24,
  oldH: 7 * (DAY_MS / HOUR_MS),
  slopePct: { low: 90, high: 105 },
  offsetMv: 30,
  offPh: 0.1,
} as const

/** Whether slope and offset of a calibration are those of a usable electrode. */
export const isUsable = ({ slopePct, offsetMv }: { slopePct: number; offsetMv: number }): boolean =>
  slopePct >= METER_LIMITS.slopePct.low &&
  slopePct <= METER_LIMITS.slopePct.high &&
  Math.abs(offsetMv) <= METER_LIMITS.offsetMv

/** Hours from something done to a reading; `null` where it was not done, or only afterwards. */
const agedH = (doneAt: string | undefined, readMs: number): number | null => {
  const hours = doneAt === undefined ? -1 : (readMs - Date.parse(doneAt)) / HOUR_MS
  return hours >= 0 ? hours : null
}

/** Hours from the calibration, or the check in two buffers, to a reading; `null` where there was none before it. */
export const calibrationAgeH = (instrument: Instrument | undefined, readMs: number): number | null =>
  agedH(instrument?.calibratedAt, readMs) ?? agedH(instrument?.checkedAt, readMs)

/**
 * What a reading of an instrument is worth. `bench`: calibrated on two buffers at most 24 h before, slope and offset
 * good, steady. `pocket`: calibrated so at most 7 days before, or checked in two buffers at most 24 h before.
 * Calibrated afterwards is not calibrated; what is not known of it counts against it.
 * @param readMs when it was read, ms.
 */
export function trustOf(instrument: Instrument | undefined, readMs: number): Trust {
  if (instrument?.kind === 'strip') return instrument.stained ? 'stained' : 'strip'
  if (instrument?.failed) return 'failed'
  if (!instrument?.steady) return 'unchecked'
  const { calibratedAt, checkedAt, slopePct = 0, offsetMv = 0 } = instrument
  const calibrated = isUsable({ slopePct, offsetMv }) ? agedH(calibratedAt, readMs) : null
  const checked = agedH(checkedAt, readMs)
  if (calibrated !== null && calibrated <= METER_LIMITS.freshH) return 'bench'
  if (calibrated !== null && calibrated <= METER_LIMITS.oldH) return 'pocket'
  return checked !== null && checked <= METER_LIMITS.freshH ? 'pocket' : 'unchecked'
}

/** Standard deviation of a pH read at a moment. */
export const phSdOf = (instrument: Instrument | undefined, readMs: number): number => PH_SD[trustOf(instrument, readMs)]
