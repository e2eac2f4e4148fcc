import { InvalidInput, within } from '../invalid'
import { isUsable, METER_LIMITS } from '../log/trust'
import { HOUR_MS } from '../units/time'

/** Gas constant, J/(mol·K), and Faraday constant, C/mol: CODATA 2018. */
const R = 8.314462618
const F = 96485.33212

/** Millivolts for a pH of an ideal electrode: 59.16 at 25 °C. @param tempC −10 to 110. */
export const nernstMv = (tempC: number): number =>
  (1000 * Math.LN10 * R * (within(tempC, -10, 110, 'The temperature of the buffer') + 273.15)) / F

/** A buffer as the meter reads it. */
export interface BufferReading {
  ph: number
  millivolt: number
  tempC: number
}

/** A calibration: slope in percent of Nernst's, millivolts at pH 7, whether it may be used, and why. */
export interface Calibration {
  slopePct: number
  offsetMv: number
  accepted: boolean
  sentence: string
}

/** Slope of a good electrode, percent of Nernst's; what is usable stands in `METER_LIMITS`. Common practice. */
const GOOD = { low: 95, high: 103 }

/** Buffers less than this apart say too little, pH. */
const APART = 1.5

/**
 * Slope and offset from two buffers, each with the electrode's slope at its own temperature.
 * @throws InvalidInput when the buffers lie too near each other, or one seems to be the other.
 */
export function calibrateMeter(first: BufferReading, second: BufferReading): Calibration {
  if (Math.abs(first.ph - second.ph) < APART)
    throw new InvalidInput('Use two buffers at least 1.5 pH apart: 7 and 4 suit a ferment.')
  const share = (buffer: BufferReading) => (7 - buffer.ph) * nernstMv(buffer.tempC)
  const slope = (first.millivolt - second.millivolt) / (share(first) - share(second))
  const slopePct = 100 * slope
  const offsetMv = first.millivolt - slope * share(first)
  if (slope < 0.3)
    throw new InvalidInput(
      'The meter hardly tells the two buffers apart. Was it in the same buffer twice, or are they swapped?',
    )
  const accepted = isUsable({ slopePct, offsetMv })
  const figures = `Slope ${slopePct.toFixed(1)} % of the ideal, ${offsetMv.toFixed(0)} mV at pH 7.`
  return {
    slopePct,
    offsetMv,
    accepted,
    sentence: !accepted
      ? `${figures} Not accepted: clean the electrode, take fresh buffers, try again; an old electrode is replaced.`
      : slopePct < GOOD.low || slopePct > GOOD.high
        ? `${figures} Usable, but worn: clean it soon.`
        : `${figures} Good.`,
  }
}

/** pH that a calibrated meter shows for a voltage. */
export const phOfMv = (
  millivolt: number,
  tempC: number,
  { slopePct, offsetMv }: Pick<Calibration, 'slopePct' | 'offsetMv'>,
): number => 7 - (millivolt - offsetMv) / ((nernstMv(tempC) * slopePct) / 100)

/** Whether a calibration can be relied on at a moment, as a sentence and as words to stand beside a name. */
export function calibrationAge(
  calibratedMs: number | null,
  nowMs: number,
): { fresh: boolean; sentence: string; words: string } {
  if (calibratedMs === null) return { fresh: false, sentence: 'Not calibrated.', words: 'not calibrated' }
  const hours = (nowMs - calibratedMs) / HOUR_MS
  const said = hours < 1 ? 'just now' : hours < 48 ? `${Math.round(hours)} h ago` : `${Math.round(hours / 24)} days ago`
  const fresh = hours <= METER_LIMITS.freshH
  const advice = fresh ? '' : ': do it again before a reading that decides'
  return { fresh, sentence: `Calibrated ${said}${advice}.`, words: `calibrated ${said}${advice}` }
}
