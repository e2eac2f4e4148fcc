import { within } from '../invalid'
import { formatNumber } from '../units/number'
import type { Range, Working } from '../working'
import { boilingMinutesAdded, boilingPointC } from './boiling'
import { lethality, LONGEST_GAP_MIN, type HeatPoint, type HeatReference } from './lethality'
import { bottlePressure } from '../ferment/pressure'
import { ONE_SIDED, PH_SD, type Trust } from '../log/trust'
import {
  BOIL_MIN,
  FILL_LEAST_C,
  pressureAt,
  pressureVerdict,
  RELEASE_PH,
  storeRefusal,
  wayOf,
  type KeepCase,
  type Relief,
  type Treatment,
} from './ways'
import type { Verdict } from '../level'

/** Hours a blend needs before its pH is taken as evened out. Common practice. */
export const EVENING_OUT_H = 24

/** Water this far under its boiling point still counts as boiling, °C: weather and thermometer. Judgement. */
const BOILS_WITHIN_C = 1.5

/** A fact of the log that a check rests on. */
export interface Evidence {
  atMs: number
  by: string
  what: string
}

/**
 * A final pH as read, and how far what it was read with can be trusted. `calibrationAgeH` is `null` where it was not
 * calibrated, or checked in two buffers, before.
 */
export interface FinalReading {
  ph: number
  hoursAfterBlending: number
  trust: Trust
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
  /** What lets gas out of its bottles, or tells of it in time. */
  relief: Relief
  /**
   * Measured records of the pot, of the last bottle filled hot, of the water around the jars. Predictions get no
   * credit.
   */
  heat: { reference: HeatReference; pot: HeatRecord | null; lastBottle: HeatRecord | null; water: HeatRecord | null }
  /** What the judge has against the pot and what it was made of; `stop` where it does not leave. */
  judged: readonly { verdict: Verdict; sentence: string }[]
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

/** What a reading may be off by, at its one-sided 95 % end. */
const meterError = (trust: Trust) => ONE_SIDED * PH_SD[trust]

/** Upper end of a finished pH: the reading and what it was read with may be off by. */
export const upperPhOf = ({ ph, trust }: Pick<FinalReading, 'ph' | 'trust'>): number => ph + meterError(trust)

/** What a pH was read with, in words. */
const TRUST_WORDS: Record<Trust, string> = {
  bench: 'a calibrated meter',
  pocket: 'a meter checked in two buffers',
  unchecked: 'a meter not checked of late',
  strip: 'strips',
}

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
    formula: 'upper = reading + 1.645 × standard deviation',
    numbers: [
      { name: `reading, by ${TRUST_WORDS[reading.trust]}`, value: reading.ph.toFixed(2) },
      { name: 'may be off by', value: meterError(reading.trust).toFixed(2) },
      { name: 'limit', value: limitPh.toFixed(2) },
    ],
    result: upper.toFixed(2),
    source: "Limit: Lactofer's own, under the 4.6 of 21 CFR 114 (from memory). Errors of instruments: judgement.",
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
  if (reading.trust === 'strip')
    return {
      ...check,
      verdict: 'ask',
      sentence: 'Read with strips: coarse. A meter calibrated on two buffers tells more.',
    }
  if (age !== null && reading.trust !== 'unchecked') {
    const how = reading.trust === 'pocket' ? 'Checked in two buffers' : 'Calibrated'
    return { ...check, verdict: 'pass', sentence: `${how} ${formatNumber(age)} h before the reading.` }
  }
  return {
    ...check,
    verdict: 'ask',
    sentence:
      age === null
        ? 'No calibration before this reading is recorded. Calibrate on two buffers and read again.'
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
  const { treatment, store, hasLiveFerment, sugarGPerL, headspace, relief } = input
  const check = { id: 'pressure', title: 'Pressure in the bottle', evidence: [] }
  if (!hasLiveFerment)
    return {
      ...check,
      verdict: 'pass',
      sentence: 'Nothing alive in it by what is logged: nothing should ferment on. Keep one test bottle in view.',
    }
  if (wayOf(treatment).heats)
    return carriedOut(input)
      ? { ...check, verdict: 'pass', sentence: 'Heated, as measured. Keep one test bottle in view all the same.' }
      : { ...check, verdict: 'ask', sentence: 'It is live until its heat was measured: a plan to cook it is no heat.' }
  const refusal = storeRefusal(treatment, store, keepCaseOf(input))
  const bar = (tempC: number) => bottlePressure(sugarGPerL.high, tempC, headspace)
  const { tempC: storeC, bar: there } = pressureAt(input, store)
  const working: Working = {
    what: 'Pressure once the sugar is gone',
    formula: 'p = 1.013 V / (0.9 B + h × 273/T), V = 0.489 × sugar / 1.977',
    numbers: [
      { name: 'sugar', value: `${formatNumber(sugarGPerL.low, 1)}–${formatNumber(sugarGPerL.high, 1)} g/L` },
      { name: 'h', value: `${formatNumber(100 * headspace, 1)} % headspace` },
    ],
    result: `${formatNumber(bar(4), 1)} bar at 4 °C, ${formatNumber(bar(20), 1)} at 20 °C, ${formatNumber(bar(35), 1)} at 35 °C`,
    source: 'Bunsen coefficients and yields from memory; limits are judgement.',
  }
  const figure = `Up to ${formatNumber(there, 1)} bar at ${storeC} °C if all its sugar ferments`
  if (refusal) return { ...check, verdict: 'stop', sentence: refusal.reason, working }
  const verdict = pressureVerdict(there, relief)
  const then = {
    pass: `Keep it ${store}.`,
    ask: `${RELIEF_WORDS[relief]} Cold only slows it.`,
    stop: 'Live and sweet bottles burst: vent them or fill soft ones, cook it, or leave the sugar out.',
  }[verdict]
  return { ...check, verdict, sentence: `${figure}. ${then}`, working }
}

const RELIEF_WORDS: Record<Relief, string> = {
  none: 'Vent it, keep a test bottle.',
  vented: 'Vented bottles let it out: open each every three days, over a sink, away from your face.',
  squeeze: 'A squeeze bottle swells before it bursts: let the gas out when it is tight.',
  'test bottle': 'The plastic test bottle tells in time: hard as a ball, cool and vent them all.',
}

/** Whether the way of keeping was carried out: its heat checks pass. */
const carriedOut = (input: ReleaseCase): boolean => {
  const checks = [...heatCheck(input), ...boilCheck(input)]
  return checks.length > 0 && checks.every(({ verdict }) => verdict !== 'stop')
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
      verdict: 'stop',
      sentence: `${against}.${told} This reference names no minutes, so it passes nothing: write down those your process authority named.`,
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

/** Minutes that water boiled by what was measured; over a gap in the record nothing is counted. */
export const boiledMin = (points: readonly HeatPoint[], boilsC: number): number =>
  points.reduce((sum, point, index) => {
    const before = points[index - 1]
    return before &&
      point.minute - before.minute <= LONGEST_GAP_MIN &&
      Math.min(before.tempC, point.tempC) >= boilsC - BOILS_WITHIN_C
      ? sum + point.minute - before.minute
      : sum
  }, 0)

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
  const boiled = boiledMin(water.points, boils)
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

/** What the judge says of the pot and of everything it was made of; the worst of it. */
function judgeCheck({ judged }: ReleaseCase): ReleaseCheck {
  const [worst] = [...judged].sort((a, b) => RANK[a.verdict] - RANK[b.verdict])
  return {
    id: 'judge',
    title: 'What it was made of',
    evidence: [],
    ...(worst ?? { verdict: 'pass', sentence: 'Nothing stands against it, or against anything it was made of.' }),
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

const RANK: Record<Verdict, number> = { stop: 0, ask: 1, pass: 2 }

/** All checks of a release, worst first. A lot may be released only when none says stop. */
export function releaseChecks(input: ReleaseCase): ReleaseCheck[] {
  within(input.limitPh, 2.5, RELEASE_PH.highest, 'The release limit')
  return [
    phCheck(input),
    eveningCheck(input),
    meterCheck(input),
    pressureCheck(input),
    ...heatCheck(input),
    ...boilCheck(input),
    judgeCheck(input),
    allergenCheck(input),
    labelCheck(input),
    ...forecastCheck(input),
  ].sort((a, b) => RANK[a.verdict] - RANK[b.verdict])
}

/** Whether a release may be confirmed. */
export const mayRelease = (checks: readonly ReleaseCheck[]): boolean =>
  checks.every((check) => check.verdict !== 'stop')
