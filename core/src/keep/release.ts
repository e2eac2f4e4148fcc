import { within } from '../invalid'
import { formatNumber } from '../units/number'
import type { Range, Working } from '../working'
import { boilingMinutesAdded, boilingPointC } from './boiling'
import { lethality, type HeatPoint, type HeatReference } from './lethality'
import { bottlePressure, STOP_BAR, WARN_BAR } from '../ferment/pressure'
import { BOIL_MIN, FILL_LEAST_C, RELEASE_PH, storeRefusal, wayOf, type KeepCase, type Treatment } from './ways'
import type { Verdict } from '../level'

/** Hours a blend needs before its pH is taken as evened out. Common practice. */
export const EVENING_OUT_H = 24

/** Age in hours after which a two-buffer calibration is no longer trusted for a release. Judgement. */
export const CALIBRATION_TRUST_H = 48

/** Water this far under its boiling point still counts as boiling, °C: weather and thermometer. Judgement. */
const BOILS_WITHIN_C = 1.5

/** A fact of the log that a check rests on. */
export interface Evidence {
  atMs: number
  by: string
  what: string
}

/** A final pH as read. `calibrationAgeH` is `null` where the meter's calibration is not known. */
export interface FinalReading {
  ph: number
  hoursAfterBlending: number
  calibrationAgeH: number | null
  evidence?: Evidence
}

/** Temperatures measured of pot, bottle or water, with who measured them. */
export interface HeatRecord {
  points: readonly HeatPoint[]
  evidence?: Evidence
}

/** Everything a release is judged from; what is not known is `null`, and counts against it. */
export interface ReleaseCase {
  treatment: Treatment
  store: 'shelf' | 'cold' | 'frozen'
  limitPh: number
  /** Air over the sauce as a share of it; height above the sea, m. */
  headspace: number
  altitudeM: number
  reading: FinalReading | null
  predictedPh: Range | null
  /** Residual sugar, g per litre of sauce. */
  sugarGPerL: Range
  hasLiveFerment: boolean
  /**
   * Measured records of the pot, of the last bottle filled hot, of the water around the jars. Predictions get no
   * credit.
   */
  heat: { reference: HeatReference; pot: HeatRecord | null; lastBottle: HeatRecord | null; water: HeatRecord | null }
  /** Codes of lots in it that were discarded, or show a sign that says so. */
  discarded: readonly string[]
  /** What is in it that nobody knows the allergens of, and the allergens that are known. */
  unknown: readonly string[]
  allergens: readonly string[]
  /** The label that was printed; `current` when what it says is still so. */
  label: { current: boolean; evidence: Evidence } | null
}

export interface ReleaseCheck {
  id: string
  title: string
  verdict: Verdict
  sentence: string
  evidence: readonly Evidence[]
  working?: Working
}

/** A meter calibrated on two buffers is good to about this much (5–95 %), without to twice as much. Judgement. */
const meterError = (ageH: number | null) => (ageH !== null && ageH <= CALIBRATION_TRUST_H ? 0.05 : 0.1)

/** Upper end of a finished pH: the reading and what its meter may be off. */
export const upperPhOf = ({ ph, calibrationAgeH }: Pick<FinalReading, 'ph' | 'calibrationAgeH'>): number =>
  ph + meterError(calibrationAgeH)

const seen = (...found: (Evidence | undefined)[]): Evidence[] => found.flatMap((one) => one ?? [])

function phCheck({ reading, limitPh }: ReleaseCase): ReleaseCheck {
  const check = { id: 'ph', title: 'Finished pH', evidence: seen(reading?.evidence) }
  if (!reading)
    return {
      ...check,
      verdict: 'stop',
      sentence: 'No pH of the finished sauce. Let it stand 24 hours, stir, and read it.',
    }
  const upper = upperPhOf(reading)
  const working: Working = {
    what: 'Upper end of the finished pH',
    formula: 'upper = reading + meter error',
    numbers: [
      { name: 'reading', value: reading.ph.toFixed(2) },
      { name: 'meter error', value: meterError(reading.calibrationAgeH).toFixed(2) },
      { name: 'limit', value: limitPh.toFixed(2) },
    ],
    result: upper.toFixed(2),
    source: "Limit: Lactofer's own, under the 4.6 of 21 CFR 114 (from memory). Meter error: judgement.",
  }
  return upper <= limitPh
    ? {
        ...check,
        verdict: 'pass',
        sentence: `pH ${reading.ph.toFixed(2)}, at most ${upper.toFixed(2)}, under ${limitPh.toFixed(2)}.`,
        working,
      }
    : {
        ...check,
        verdict: 'stop',
        sentence: `pH ${reading.ph.toFixed(2)} could be ${upper.toFixed(2)}; the limit is ${limitPh.toFixed(2)}. Add vinegar or another acid and read again.`,
        working,
      }
}

function eveningCheck({ reading }: ReleaseCase): ReleaseCheck {
  const check = { id: 'even', title: 'Evened out', evidence: seen(reading?.evidence) }
  if (!reading)
    return {
      ...check,
      verdict: 'stop',
      sentence: `Read it ${EVENING_OUT_H} hours after blending: pieces give off their own pH slowly.`,
    }
  const waited = `${formatNumber(reading.hoursAfterBlending)} h after blending`
  return reading.hoursAfterBlending >= EVENING_OUT_H
    ? { ...check, verdict: 'pass', sentence: `Read ${waited}.` }
    : { ...check, verdict: 'stop', sentence: `Read ${waited}. Read it again after ${EVENING_OUT_H} h.` }
}

function meterCheck({ reading }: ReleaseCase): ReleaseCheck {
  const check = { id: 'meter', title: 'Meter', evidence: seen(reading?.evidence) }
  if (!reading) return { ...check, verdict: 'ask', sentence: 'Calibrate on two buffers before the final reading.' }
  const age = reading.calibrationAgeH
  if (age !== null && age <= CALIBRATION_TRUST_H)
    return { ...check, verdict: 'pass', sentence: `Calibrated ${formatNumber(age)} h before the reading.` }
  return {
    ...check,
    verdict: 'ask',
    sentence:
      age === null
        ? 'No calibration is recorded with this reading. Calibrate on two buffers and read again.'
        : `Calibrated ${formatNumber(age)} h before the reading: too old. Calibrate and read again.`,
  }
}

/** What a release knows of a sauce for its keeping. */
export const keepCaseOf = ({
  reading,
  predictedPh,
  limitPh,
  sugarGPerL,
  hasLiveFerment,
  headspace,
  altitudeM,
}: ReleaseCase): KeepCase => ({
  upperPh: reading ? upperPhOf(reading) : (predictedPh?.high ?? null),
  measured: reading !== null,
  limitPh,
  sugarGPerL,
  live: hasLiveFerment,
  headspace,
  altitudeM,
})

function pressureCheck(input: ReleaseCase): ReleaseCheck {
  const { treatment, store, hasLiveFerment, sugarGPerL, headspace } = input
  const check = { id: 'pressure', title: 'Pressure in the bottle', evidence: [] }
  if (!hasLiveFerment || wayOf(treatment).heats)
    return {
      ...check,
      verdict: 'pass',
      sentence: 'Heated, or nothing alive in it: nothing should ferment on. Keep one test bottle in view all the same.',
    }
  const refusal = storeRefusal(treatment, store, keepCaseOf(input))
  const bar = (tempC: number) => bottlePressure(sugarGPerL.high, tempC, headspace)
  const warm = bar(35)
  const working: Working = {
    what: 'Pressure once the sugar is gone',
    formula: 'p = 1.013 V / (0.9 B + h × 273/T), V = 0.489 × sugar / 1.977',
    numbers: [
      { name: 'sugar', value: `${formatNumber(sugarGPerL.low, 1)}–${formatNumber(sugarGPerL.high, 1)} g/L` },
      { name: 'h', value: `${formatNumber(100 * headspace, 1)} % headspace` },
    ],
    result: `${formatNumber(bar(4), 1)} bar at 4 °C, ${formatNumber(bar(20), 1)} at 20 °C, ${formatNumber(warm, 1)} at 35 °C`,
    source: 'Bunsen coefficients and yields from memory; limits are judgement.',
  }
  const figure = `Up to ${formatNumber(warm, 1)} bar at 35 °C if all its sugar ferments`
  if (refusal) return { ...check, verdict: 'stop', sentence: refusal.reason, working }
  if (warm > STOP_BAR)
    return {
      ...check,
      verdict: 'stop',
      sentence: `${figure}: live and sweet bottles burst. Cook it, or leave the sugar out.`,
      working,
    }
  if (warm > WARN_BAR)
    return {
      ...check,
      verdict: 'ask',
      sentence: `${figure}. Cold only slows it: keep it cold, vent it, keep a plastic test bottle.`,
      working,
    }
  return { ...check, verdict: 'pass', sentence: `${figure}. Keep it cold.`, working }
}

/** How warm the last bottle was when it was filled. */
function fillCheck(lastBottle: ReleaseCase['heat']['lastBottle']): ReleaseCheck {
  const check = { id: 'fill', title: 'Hot fill', evidence: seen(lastBottle?.evidence) } as const
  if (!lastBottle)
    return {
      ...check,
      verdict: 'stop',
      sentence: 'Measure the temperature in the last bottle filled. A prediction does not count.',
    }
  const lastC = Math.max(...lastBottle.points.map(({ tempC }) => tempC))
  const told = `Last bottle at ${formatNumber(lastC, 1)} °C`
  return lastC >= FILL_LEAST_C
    ? { ...check, verdict: 'pass', sentence: `${told}. Your process authority sets the target.` }
    : {
        ...check,
        verdict: 'stop',
        sentence: `${told}: under ${FILL_LEAST_C} °C. Reheat and fill again, or keep it cold as live.`,
      }
}

/** What the record of the pot is worth against the reference chosen, for a sauce of at most so much pH. */
function potVerdict(
  points: readonly HeatPoint[],
  reference: HeatReference,
  upperPh: number | null,
): Pick<ReleaseCheck, 'verdict' | 'sentence' | 'working'> {
  const { minutes, gaps, working } = lethality(points, reference)
  const against = `${formatNumber(minutes.low, minutes.low < 100 ? 1 : 0)} min at ${formatNumber(reference.refC, 1)} °C measured at least`
  const told = gaps.length
    ? ` ${gaps.length === 1 ? 'One gap' : `${gaps.length} gaps`} in the record: not counted.`
    : ''
  if (upperPh !== null && upperPh > reference.highestPh)
    return {
      verdict: 'stop',
      sentence: `The reference chosen holds up to pH ${reference.highestPh.toFixed(1)}; this sauce may be ${upperPh.toFixed(2)}. It says nothing here: more acid, or another reference from your process authority.`,
      working,
    }
  if (reference.minutes === null)
    return {
      verdict: 'ask',
      sentence: `${against}.${told} This reference names no minutes: your process authority does.`,
      working,
    }
  const asked = `${against}; the reference asks ${formatNumber(reference.minutes, 2)}.${told}`
  if (minutes.low < reference.minutes)
    return { verdict: 'stop', sentence: `${asked} Cook it again and log it.`, working }
  return {
    verdict: gaps.length ? 'ask' : 'pass',
    sentence: `${asked} That is what was measured, not an approval.`,
    working,
  }
}

/** The measured heat of the pot against the reference chosen. */
function heatCheck({ treatment, reading, heat: { reference, pot, lastBottle } }: ReleaseCase): ReleaseCheck[] {
  if (treatment !== 'cooked-hot-fill') return []
  const check = { id: 'heat', title: 'Heat record of the pot', evidence: seen(pot?.evidence) } as const
  const verdict = pot
    ? potVerdict(pot.points, reference, reading ? upperPhOf(reading) : null)
    : {
        verdict: 'stop' as const,
        sentence:
          'The temperature of the pot was not logged. Without a measured record nothing can be said of the heat.',
      }
  return [{ ...check, ...verdict }, fillCheck(lastBottle)]
}

/** Jars in boiling water: how long the water really boiled. */
function boilCheck({ treatment, altitudeM, heat: { water } }: ReleaseCase): ReleaseCheck[] {
  if (treatment !== 'boiled-in-jar') return []
  const check = { id: 'boil', title: 'Time in boiling water', evidence: seen(water?.evidence) }
  const asked = BOIL_MIN + boilingMinutesAdded(altitudeM)
  const boils = boilingPointC(altitudeM)
  if (!water)
    return [
      {
        ...check,
        verdict: 'stop',
        sentence: `The water was not logged. ${asked} min at ${formatNumber(boils, 1)} °C are asked at ${formatNumber(altitudeM)} m.`,
      },
    ]
  const boiled = water.points.reduce((sum, point, index) => {
    const before = water.points[index - 1]
    return before && Math.min(before.tempC, point.tempC) >= boils - BOILS_WITHIN_C
      ? sum + point.minute - before.minute
      : sum
  }, 0)
  return [
    {
      ...check,
      verdict: boiled >= asked ? 'pass' : 'stop',
      sentence: `${formatNumber(boiled, 1)} min of boiling measured; ${asked} are asked at ${formatNumber(altitudeM)} m, where water boils at ${formatNumber(boils, 1)} °C.`,
    },
  ]
}

function forecastCheck({ reading, predictedPh }: ReleaseCase): ReleaseCheck[] {
  if (!reading || !predictedPh) return []
  const inside = reading.ph >= predictedPh.low - 0.1 && reading.ph <= predictedPh.high + 0.1
  const band = `${predictedPh.low.toFixed(2)}–${predictedPh.high.toFixed(2)}`
  return [
    {
      id: 'forecast',
      title: 'Against the prediction',
      verdict: inside ? 'pass' : 'ask',
      evidence: [],
      sentence: inside
        ? `In line with the predicted ${band}.`
        : `Predicted ${band}. Something was weighed or read differently: check before you release.`,
    },
  ]
}

function signCheck({ discarded }: ReleaseCase): ReleaseCheck {
  return {
    id: 'discard',
    title: 'Signs and discards',
    evidence: [],
    ...(discarded.length
      ? {
          verdict: 'stop',
          sentence: `${discarded.join(', ')}: discarded, or a sign stands that says so. It does not leave.`,
        }
      : { verdict: 'pass', sentence: 'No sign that says discard stands open in anything it was made of.' }),
  }
}

function allergenCheck({ unknown, allergens }: ReleaseCase): ReleaseCheck {
  const known = allergens.length ? `Contains ${allergens.join(', ')}.` : 'None of those Lactofer knows.'
  return {
    id: 'allergens',
    title: 'Allergens',
    evidence: [],
    ...(unknown.length
      ? {
          verdict: 'ask',
          sentence: `Nobody has said what ${unknown.join(', ')} contains. Look at its packet. ${known}`,
        }
      : { verdict: 'pass', sentence: known }),
  }
}

function labelCheck({ label }: ReleaseCase): ReleaseCheck {
  const check = { id: 'label', title: 'Label', evidence: seen(label?.evidence) }
  if (!label)
    return {
      ...check,
      verdict: 'stop',
      sentence: 'No label was printed for it. Print it, or say that it was written by hand.',
    }
  return label.current
    ? { ...check, verdict: 'pass', sentence: 'Printed, and what it says is still what is in the log.' }
    : {
        ...check,
        verdict: 'stop',
        sentence:
          'What is in it was corrected since the label was printed: other ingredients, order or allergens. Print it again.',
      }
}

/** All checks of a release, worst first. A lot may be released only when none says stop. */
export function releaseChecks(input: ReleaseCase): ReleaseCheck[] {
  within(input.limitPh, 2.5, RELEASE_PH.highest, 'The release limit')
  const rank: Record<Verdict, number> = { stop: 0, ask: 1, pass: 2 }
  return [
    phCheck(input),
    eveningCheck(input),
    meterCheck(input),
    pressureCheck(input),
    ...heatCheck(input),
    ...boilCheck(input),
    signCheck(input),
    allergenCheck(input),
    labelCheck(input),
    ...forecastCheck(input),
  ].sort((a, b) => rank[a.verdict] - rank[b.verdict])
}

/** Whether a release may be confirmed. */
export const mayRelease = (checks: readonly ReleaseCheck[]): boolean =>
  checks.every((check) => check.verdict !== 'stop')
