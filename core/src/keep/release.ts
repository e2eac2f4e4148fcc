import type { Verdict } from '../level'
import { bottlePressure } from '../ferment/pressure'
import { within } from '../invalid'
import { METER_LIMITS, type Trust } from '../log/trust'
import { formatNumber } from '../units/number'
import type { Working } from '../working'
import { DEFAULT_FILL } from './process'
import { boilCheck, carriedOut, heatChecks, processCheck } from './processChecks'
import { meterError, seen, upperPhOf, type FinalReading, type ReleaseCase, type ReleaseCheck } from './releaseCase'
import {
  COLD_FILL_PH,
  pressureAt,
  pressureVerdict,
  RELEASE_PH,
  STORE_C,
  storeRefusal,
  wayOf,
  type KeepCase,
  type Relief,
} from './ways'

/** Hours a blend needs before its pH is taken as evened out. Common practice. */
export const EVENING_OUT_H = 24

/** Up to this pH strips release. 21 CFR 114.90, from memory: colour methods to 4.0 only. */
const STRIP_PH = 4.0

/** What a pH was read with, in words. */
const TRUST_WORDS: Record<Trust, string> = {
  bench: 'a calibrated meter',
  pocket: 'a meter checked in two buffers',
  unchecked: 'a meter not checked of late',
  strip: 'strips',
  stained: 'strips in red or brown juice',
  failed: 'a meter that failed its last check',
}

/** The pH a release may go to: as chosen, and no further than its process or, without one, its way of keeping. */
function limitOf({ limitPh, process, treatment }: ReleaseCase): number {
  const way =
    treatment === 'cold-fill'
      ? COLD_FILL_PH
      : !process && treatment === 'cooked-hot-fill'
        ? DEFAULT_FILL.maxPh
        : RELEASE_PH.highest
  return Math.min(limitPh, treatment === 'cold-fill' ? way : (process?.maxPh ?? way))
}

function phCheck(input: ReleaseCase): ReleaseCheck {
  const { reading } = input
  const limitPh = limitOf(input)
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

/** Containers of a chunky product that are read for a release. 21 CFR 114.80-90, from memory. */
const CONTAINERS = 3

/** A chunky product is released on its solids: drained, blended, three containers, a day after filling. */
function solidsCheck(input: ReleaseCase): ReleaseCheck[] {
  const { chunky, solids } = input
  if (!chunky) return []
  const limit = limitOf(input)
  const over = solids.filter((reading) => upperPhOf(reading) > limit)
  const check = {
    ...{ id: 'solids', title: 'Drained solids, blended' },
    evidence: solids.flatMap(({ evidence }: FinalReading) => evidence ?? []),
  }
  const worst = Math.max(...solids.map(upperPhOf))
  if (over.length)
    return [
      {
        ...check,
        verdict: 'stop',
        sentence: `One of them could be ${worst.toFixed(2)}; the limit is ${limit.toFixed(2)}. Hold the run.`,
      },
    ]
  return [
    solids.length < CONTAINERS
      ? {
          ...check,
          verdict: 'stop',
          sentence: `${solids.length} of ${CONTAINERS} containers read. Open them a day after filling, drain them, blend the solids, and read each. The liquid does not stand for the pieces.`,
        }
      : { ...check, verdict: 'pass', sentence: `${solids.length} containers, at most ${worst.toFixed(2)}.` },
  ]
}

function eveningCheck({ reading }: ReleaseCase): ReleaseCheck {
  const check = { id: 'even', title: 'Evened out', evidence: seen(reading?.evidence) }
  if (!reading)
    return {
      ...check,
      verdict: 'stop',
      sentence: `Read it ${EVENING_OUT_H} hours after blending: pieces give off their own pH slowly.`,
    }
  const waited =
    reading.hoursAfterBlending < 1 ? 'at once' : `${formatNumber(reading.hoursAfterBlending)} h after blending`
  return reading.hoursAfterBlending >= EVENING_OUT_H
    ? { ...check, verdict: 'pass', sentence: `Read ${waited}.` }
    : { ...check, verdict: 'stop', sentence: `Read ${waited}. Read it again after ${EVENING_OUT_H} h.` }
}

/** What a check of the meter after the reading says of it. */
const AFTER: Record<'passed' | 'failed' | 'none', Pick<ReleaseCheck, 'verdict'> & { words: string }> = {
  passed: { verdict: 'pass', words: 'and checked again after it' },
  none: { verdict: 'ask', words: 'not checked since: check it in a buffer, a drifting electrode shows then' },
  failed: { verdict: 'stop', words: 'but it failed its check afterwards. Set it on its buffers and read again' },
}

/** For a release a meter was set on its buffers the same day, and checked after the run; strips count to pH 4.0. */
function meterCheck({ reading }: ReleaseCase): ReleaseCheck {
  const check = { id: 'meter', title: 'Meter', evidence: seen(reading?.evidence) }
  if (!reading) return { ...check, verdict: 'ask', sentence: 'Calibrate on two buffers before the final reading.' }
  const { trust, ph, calibrationAgeH: age, checkedAfter = 'none' } = reading
  if (trust === 'strip')
    return ph <= STRIP_PH
      ? { ...check, verdict: 'ask', sentence: 'Read with strips: coarse. A meter set on two buffers tells more.' }
      : {
          ...check,
          verdict: 'stop',
          sentence: `Strips release to pH ${STRIP_PH.toFixed(1)} only. Read it with a meter, or acidify it.`,
        }
  if (trust === 'stained')
    return {
      ...check,
      verdict: 'stop',
      sentence: 'Red or brown juice hides the colour of a strip. Rinse a drop until it is clear, or use a meter.',
    }
  if (trust === 'failed')
    return {
      ...check,
      verdict: 'stop',
      sentence: 'This meter failed its last check. Set it on its buffers, then read again.',
    }
  if (age === null)
    return {
      ...check,
      verdict: 'stop',
      sentence: 'Nobody checked this meter before the reading. Set it on two buffers and read again, or use a strip.',
    }
  const how = `Set on its buffers ${formatNumber(age)} h before the reading`
  if (trust === 'unchecked' || age > METER_LIMITS.freshH)
    return {
      ...check,
      verdict: 'stop',
      sentence: `${how}: a release wants that on the same day. Do it, and read again.`,
    }
  const { verdict, words } = AFTER[checkedAfter]
  return { ...check, verdict, sentence: `${how}, ${words}.` }
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
  const check = { id: 'pressure', title: 'Pressure in the bottle', evidence: [], burst: true }
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
    result: [STORE_C.cold, 20, STORE_C.shelf]
      .map((tempC) => `${formatNumber(bar(tempC), 1)} bar at ${tempC} °C`)
      .join(', '),
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
  within(input.limitPh, 2.5, input.process?.maxPh ?? RELEASE_PH.highest, 'The release limit')
  return [
    phCheck(input),
    eveningCheck(input),
    meterCheck(input),
    pressureCheck(input),
    ...solidsCheck(input),
    ...heatChecks(input),
    ...boilCheck(input),
    ...processCheck(input),
    judgeCheck(input),
    allergenCheck(input),
    labelCheck(input),
    ...forecastCheck(input),
  ].sort((a, b) => RANK[a.verdict] - RANK[b.verdict])
}

/** Whether a release may be confirmed. */
export const mayRelease = (checks: readonly ReleaseCheck[]): boolean =>
  checks.every((check) => check.verdict !== 'stop')
