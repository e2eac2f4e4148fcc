import { bottlePressure, STOP_BAR, WARN_BAR } from './pressure'
import { within } from '../invalid'
import { formatNumber } from '../units/number'
import type { Range, Working } from '../working'

/** Lactofer's own limits for a finished sauce: stricter than the 4.6 of 21 CFR 114. The maker may lower, or raise up to the highest. */
export const RELEASE_PH = { usual: 4.0, highest: 4.2 } as const

/** Hours a blend needs before its pH is taken as evened out. Common practice. */
export const EVENING_OUT_H = 24

/** Age in hours after which a two-buffer calibration is no longer trusted for a release. Judgement. */
export const CALIBRATION_TRUST_H = 48

/** A final pH as read. `calibrationAgeH` is `null` where the meter's calibration is not known. */
export interface FinalReading { ph: number, hoursAfterBlending: number, calibrationAgeH: number | null }

/** How the sauce is kept. */
export const TREATMENTS = ['live-cold', 'cooked-hot-fill'] as const
export type Treatment = typeof TREATMENTS[number]

/** Everything a release is judged from; what is not known is `null`, and counts against it. */
export interface ReleaseCase {
  treatment: Treatment
  limitPh: number
  reading: FinalReading | null
  predictedPh: Range | null
  /** Residual sugar, g per litre of sauce. */
  sugarGPerL: Range
  hasLiveFerment: boolean
  /** Measured temperature of the last bottle filled hot, °C. Predictions get no credit. */
  lastFillTempC: number | null
  discarded: boolean
}

export type Verdict = 'pass' | 'ask' | 'stop'
export interface ReleaseCheck { id: string, title: string, verdict: Verdict, sentence: string, working?: Working }

/** A meter calibrated on two buffers is good to about this much (5–95 %), without to twice as much. Judgement. */
const meterError = (ageH: number | null) => ageH !== null && ageH <= CALIBRATION_TRUST_H ? 0.05 : 0.1

function phCheck({ reading, limitPh }: ReleaseCase): ReleaseCheck {
  const title = 'Finished pH'
  if (!reading) return { id: 'ph', title, verdict: 'stop', sentence: 'No pH of the finished sauce. Let it stand 24 hours, stir, and read it.' }
  const error = meterError(reading.calibrationAgeH)
  const upper = reading.ph + error
  const working: Working = {
    what: 'Upper end of the finished pH', formula: 'upper = reading + meter error',
    numbers: [{ name: 'reading', value: reading.ph.toFixed(2) }, { name: 'meter error', value: error.toFixed(2) }, { name: 'limit', value: limitPh.toFixed(2) }],
    result: upper.toFixed(2), source: 'Limit: Lactofer\'s own, under the 4.6 of 21 CFR 114 (from memory). Meter error: judgement.',
  }
  return upper <= limitPh
    ? { id: 'ph', title, verdict: 'pass', sentence: `pH ${reading.ph.toFixed(2)}, at most ${upper.toFixed(2)}, under ${limitPh.toFixed(2)}.`, working }
    : { id: 'ph', title, verdict: 'stop', sentence: `pH ${reading.ph.toFixed(2)} could be ${upper.toFixed(2)}; the limit is ${limitPh.toFixed(2)}. Add vinegar or another acid and read again.`, working }
}

function eveningCheck({ reading }: ReleaseCase): ReleaseCheck {
  const title = 'Evened out'
  if (!reading) return { id: 'even', title, verdict: 'stop', sentence: `Read it ${EVENING_OUT_H} hours after blending: pieces give off their own pH slowly.` }
  const waited = `${formatNumber(reading.hoursAfterBlending)} h after blending`
  return reading.hoursAfterBlending >= EVENING_OUT_H
    ? { id: 'even', title, verdict: 'pass', sentence: `Read ${waited}.` }
    : { id: 'even', title, verdict: 'stop', sentence: `Read ${waited}. Read it again after ${EVENING_OUT_H} h.` }
}

function meterCheck({ reading }: ReleaseCase): ReleaseCheck {
  const title = 'Meter'
  if (!reading) return { id: 'meter', title, verdict: 'ask', sentence: 'Calibrate on two buffers before the final reading.' }
  const age = reading.calibrationAgeH
  if (age !== null && age <= CALIBRATION_TRUST_H) return { id: 'meter', title, verdict: 'pass', sentence: `Calibrated ${formatNumber(age)} h before the reading.` }
  return { id: 'meter', title, verdict: 'ask', sentence: age === null
    ? 'No calibration is recorded with this reading. Calibrate on two buffers and read again.'
    : `Calibrated ${formatNumber(age)} h before the reading: too old. Calibrate and read again.` }
}

function pressureCheck({ treatment, hasLiveFerment, sugarGPerL }: ReleaseCase): ReleaseCheck {
  const title = 'Pressure in the bottle'
  if (!hasLiveFerment || treatment === 'cooked-hot-fill') {
    return { id: 'pressure', title, verdict: 'pass', sentence: 'Cooked: nothing in it should ferment on. Keep one test bottle in view all the same.' }
  }
  const warm = bottlePressure(sugarGPerL.high, 35)
  const cold = bottlePressure(sugarGPerL.high, 4)
  const working: Working = {
    what: 'Pressure once the sugar is gone', formula: 'p = 1.013 V / (0.9 B + h × 273/T), V = 0.489 × sugar / 1.977',
    numbers: [{ name: 'sugar', value: `${formatNumber(sugarGPerL.low, 1)}–${formatNumber(sugarGPerL.high, 1)} g/L` }, { name: 'h', value: '5 % headspace' }],
    result: `${formatNumber(cold, 1)} bar at 4 °C, ${formatNumber(warm, 1)} bar at 35 °C`, source: 'Bunsen coefficients and yields from memory; limits are judgement.',
  }
  const figure = `Up to ${formatNumber(warm, 1)} bar at 35 °C if all its sugar ferments`
  if (warm > STOP_BAR) return { id: 'pressure', title, verdict: 'stop', sentence: `${figure}: live and sweet bottles burst. Cook it, or leave the sugar out.`, working }
  if (warm > WARN_BAR) return { id: 'pressure', title, verdict: 'ask', sentence: `${figure}. Cold only slows it: keep it cold, vent it, keep a plastic test bottle.`, working }
  return { id: 'pressure', title, verdict: 'pass', sentence: `${figure}. Keep it cold.`, working }
}

function heatCheck({ treatment, lastFillTempC }: ReleaseCase): ReleaseCheck | null {
  if (treatment !== 'cooked-hot-fill') return null
  const title = 'Hot fill'
  if (lastFillTempC === null) return { id: 'fill', title, verdict: 'stop', sentence: 'Measure the temperature in the last bottle filled. A prediction does not count.' }
  return lastFillTempC >= 82
    ? { id: 'fill', title, verdict: 'pass', sentence: `Last bottle at ${formatNumber(lastFillTempC, 1)} °C. Your process authority sets the target.` }
    : { id: 'fill', title, verdict: 'stop', sentence: `Last bottle at ${formatNumber(lastFillTempC, 1)} °C: under 82 °C. Reheat and fill again, or keep it cold as live.` }
}

function forecastCheck({ reading, predictedPh }: ReleaseCase): ReleaseCheck | null {
  if (!reading || !predictedPh) return null
  const inside = reading.ph >= predictedPh.low - 0.1 && reading.ph <= predictedPh.high + 0.1
  const band = `${predictedPh.low.toFixed(2)}–${predictedPh.high.toFixed(2)}`
  return { id: 'forecast', title: 'Against the prediction', verdict: inside ? 'pass' : 'ask',
    sentence: inside ? `In line with the predicted ${band}.` : `Predicted ${band}. Something was weighed or read differently: check before you release.` }
}

/** All checks of a release, worst first. A lot may be released only when none says stop. */
export function releaseChecks(input: ReleaseCase): ReleaseCheck[] {
  within(input.limitPh, 2.5, RELEASE_PH.highest, 'The release limit')
  const checks = [phCheck(input), eveningCheck(input), meterCheck(input), pressureCheck(input), heatCheck(input), forecastCheck(input)]
  const rank: Record<Verdict, number> = { stop: 0, ask: 1, pass: 2 }
  const found = checks.filter(check => check !== null)
  if (input.discarded) found.push({ id: 'discard', title: 'Discarded source', verdict: 'stop', sentence: 'A lot it was made from has been discarded.' })
  return found.sort((a, b) => rank[a.verdict] - rank[b.verdict])
}

/** Whether a release may be confirmed. */
export const mayRelease = (checks: readonly ReleaseCheck[]): boolean => checks.every(check => check.verdict !== 'stop')
