import { DAY_MS, HOUR_MS } from '../units/time'
import type { Instrument } from './entryParts'

/** How far what gave a pH can be trusted; the one table of errors that forecast, judge, blend and release share. */
export const TRUSTS = ['bench', 'pocket', 'unchecked', 'strip'] as const
export type Trust = (typeof TRUSTS)[number]

/** Standard deviation of a pH by what it was read with. Judgement. */
export const PH_SD: Readonly<Record<Trust, number>> = { bench: 0.03, pocket: 0.05, unchecked: 0.1, strip: 0.2 }

/** Standard deviations to the end that 95 in 100 stay under (one-sided, normal distribution). */
export const ONE_SIDED = 1.645

/** A calibration counts so long for a bench meter, and a check in two buffers for a pocket meter, h. Judgement. */
export const BENCH_TRUST_H = 48
export const POCKET_TRUST_H = 7 * (DAY_MS / HOUR_MS)
/** Slope of a usable electrode in percent of Nernst's, and how far it may be off at pH 7, mV. Common practice. */
const SLOPE = { low: 85, high: 105 }
export const OFFSET_MV = 30

/** Hours from something done to a reading; `null` where it was not done, or only afterwards. */
const agedH = (doneAt: string | undefined, readMs: number): number | null => {
  const hours = doneAt === undefined ? -1 : (readMs - Date.parse(doneAt)) / HOUR_MS
  return hours >= 0 ? hours : null
}

/** Hours from the calibration, or the check in two buffers, to a reading; `null` where there was none before it. */
export const calibrationAgeH = (instrument: Instrument | undefined, readMs: number): number | null =>
  agedH(instrument?.calibratedAt, readMs) ?? agedH(instrument?.checkedAt, readMs)

/**
 * What a reading of an instrument is worth. A bench meter: calibrated on two buffers at most 48 h before, slope and
 * offset good, steady. A pocket meter: checked in two buffers at most 7 days before. Calibrated afterwards is not
 * calibrated; what is not known of it counts against it.
 * @param readMs when it was read, ms.
 */
export function trustOf(instrument: Instrument | undefined, readMs: number): Trust {
  if (instrument?.kind === 'strip') return 'strip'
  if (!instrument?.steady) return 'unchecked'
  const { calibratedAt, checkedAt, slopePct = 0, offsetMv = 0 } = instrument
  const calibrated = agedH(calibratedAt, readMs)
  const good = slopePct >= SLOPE.low && slopePct <= SLOPE.high && Math.abs(offsetMv) <= OFFSET_MV
  if (calibrated !== null && calibrated <= BENCH_TRUST_H && good) return 'bench'
  const checked = agedH(checkedAt, readMs)
  return checked !== null && checked <= POCKET_TRUST_H ? 'pocket' : 'unchecked'
}

/** Standard deviation of a pH read at a moment. */
export const phSdOf = (instrument: Instrument | undefined, readMs: number): number => PH_SD[trustOf(instrument, readMs)]
