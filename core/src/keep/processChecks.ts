import { plainNumber } from '../units/counted'
import { formatNumber } from '../units/number'
import { boilingMinutesAdded, boilingPointC } from './boiling'
import { lastFilledC } from './hotFill'
import { lethality, LONGEST_GAP_MIN, type HeatPoint, type HeatReference } from './lethality'
import { DEFAULT_FILL, DEFAULTS_WORDS, permits } from './process'
import { seen, upperPhOf, type ReleaseCase, type ReleaseCheck } from './releaseCase'
import { BOIL_MIN, wayOf } from './ways'

/** Water this far under its boiling point still counts as boiling, °C: weather and thermometer. Judgement. */
const BOILS_WITHIN_C = 1.5

/** How warm the last bottle was when it was filled, how long it was held, and how long it stood on its head. */
function fillChecks({ process, heat: { lastBottle }, turnedMin, heldMin }: ReleaseCase): ReleaseCheck[] {
  const { fillC = DEFAULT_FILL.fillC, holdMin = 0, invertMin = process ? 0 : DEFAULT_FILL.invertMin } = process ?? {}
  const by = process ? `${process.name} asks` : 'asked'
  const check = { id: 'fill', title: 'Hot fill', evidence: seen(lastBottle?.evidence) }
  const filledC = lastBottle && lastFilledC(lastBottle.points)
  const fill: ReleaseCheck =
    filledC === null
      ? {
          ...check,
          verdict: 'stop',
          sentence: 'Measure the temperature in the last bottle filled. A prediction does not count.',
        }
      : filledC >= fillC
        ? {
            ...check,
            verdict: 'pass',
            sentence: `Last bottle at ${formatNumber(filledC, 1)} °C; ${by} ${formatNumber(fillC, 1)}.`,
          }
        : {
            ...check,
            verdict: 'stop',
            sentence: `Last bottle at ${formatNumber(filledC, 1)} °C; ${by} ${formatNumber(fillC, 1)}. Reheat and fill again, or keep it cold as live.`,
          }
  const held = (id: string, title: string, asked: number, done: number | null, how: string): ReleaseCheck[] =>
    asked <= 0
      ? []
      : [
          (done ?? 0) >= asked
            ? {
                id,
                title,
                evidence: [],
                verdict: 'pass',
                sentence: `${how} ${formatNumber(done ?? 0, 1)} min; ${by} ${formatNumber(asked, 1)}.`,
              }
            : {
                ...{ id, title, evidence: [], verdict: 'stop' },
                sentence: `${by[0]!.toUpperCase()}${by.slice(1)}: ${how.toLowerCase()} ${formatNumber(asked, 1)} min. ${done === null ? 'Nothing was recorded.' : `It was ${formatNumber(done, 1)}.`} Fill again, or keep it cold.`,
              },
        ]
  return [
    fill,
    ...held('hold', 'Held hot', holdMin, heldMin, 'Closed and held hot'),
    ...held('turned', 'Turned over', invertMin, turnedMin, 'Turned over for'),
  ]
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
      sentence: `It holds up to pH ${reference.highestPh.toFixed(1)}; this sauce may be ${upperPh.toFixed(2)}. It says nothing here: more acid, or another process.`,
      working,
    }
  if (reference.minutes === null)
    return {
      verdict: 'stop',
      sentence: `${against}.${told} The process names no minutes, so it passes nothing: write down those its author named.`,
      working,
    }
  const asked = `${against}; asked are ${formatNumber(reference.minutes, 2)}.${told}`
  if (minutes.low < reference.minutes)
    return { verdict: 'stop', sentence: `${asked} Cook it again and log it.`, working }
  return {
    verdict: gaps.length ? 'ask' : 'pass',
    sentence: `${asked} That is what was measured, not an approval.`,
    working,
  }
}

/** The measured heat of the pot and of the last bottle, against the process or the usual figures. */
export function heatChecks(input: ReleaseCase): ReleaseCheck[] {
  const {
    treatment,
    reading,
    heat: { reference, pot },
  } = input
  if (treatment !== 'cooked-hot-fill') return []
  const check = { id: 'heat', title: 'Heat record of the pot', evidence: seen(pot?.evidence) } as const
  const verdict = pot
    ? potVerdict(pot.points, reference, reading ? upperPhOf(reading) : null)
    : {
        verdict: 'stop' as const,
        sentence:
          'The temperature of the pot was not logged, or longer than two days before. Cook it, and log it: without a measured record nothing can be said of the heat.',
      }
  return [{ ...check, ...verdict }, ...fillChecks(input)]
}

/**
 * The longest that water boiled without a break, minutes: where it left the boil the time begins anew (common practice
 * of boiling jars), and over a gap in the record nobody knows that it did not.
 */
export function boiledMin(points: readonly HeatPoint[], boilsC: number): number {
  let [stretch, longest] = [0, 0]
  for (const [index, point] of points.entries()) {
    const before = points[index - 1]
    const boiled =
      before &&
      point.minute - before.minute <= LONGEST_GAP_MIN &&
      Math.min(before.tempC, point.tempC) >= boilsC - BOILS_WITHIN_C
    stretch = boiled ? stretch + point.minute - before.minute : 0
    longest = Math.max(longest, stretch)
  }
  return longest
}

/** Jars in boiling water: how long the water really boiled, against the process or the usual time. */
export function boilCheck({ treatment, altitudeM, process, heat: { water } }: ReleaseCase): ReleaseCheck[] {
  if (treatment !== 'boiled-in-jar') return []
  const check = { id: 'boil', title: 'Time in boiling water', evidence: seen(water?.evidence) }
  const asked = (process?.boilMin ?? BOIL_MIN) + boilingMinutesAdded(altitudeM)
  const boils = boilingPointC(altitudeM)
  if (!water)
    return [
      {
        ...check,
        verdict: 'stop',
        sentence: `The water was not logged. ${formatNumber(asked)} min at ${formatNumber(boils, 1)} °C are asked at ${formatNumber(altitudeM)} m.`,
      },
    ]
  const boiled = boiledMin(water.points, boils)
  return [
    {
      ...check,
      verdict: boiled >= asked ? 'pass' : 'stop',
      sentence: `${formatNumber(boiled, 1)} min of boiling measured without a break; ${formatNumber(asked)} are asked at ${formatNumber(altitudeM)} m, where water boils at ${formatNumber(boils, 1)} °C.`,
    },
  ]
}

/** What a process asks besides heat: its container, air, start, water activity, days to stand. */
function asAsked({ process, headspace, bottleMl, filledHours, aw, heat: { water, pot } }: ReleaseCase): string[] {
  if (!process) return []
  const { largestMl, leastAirPct, initialC, maxAw, standDays } = process
  const first = (water ?? pot)?.points[0]?.tempC ?? null
  return [
    largestMl !== undefined && bottleMl > largestMl
      ? `It holds for up to ${formatNumber(largestMl)} mL; these take ${formatNumber(bottleMl)}.`
      : '',
    leastAirPct !== undefined && 100 * headspace < leastAirPct
      ? `It asks for ${formatNumber(leastAirPct, 1)} % of air; the bottle has ${formatNumber(100 * headspace, 1)}.`
      : '',
    initialC !== undefined && (first === null || first < initialC)
      ? `It asks for ${formatNumber(initialC, 1)} °C at the start; ${first === null ? 'none was measured' : `it was ${formatNumber(first, 1)}`}.`
      : '',
    maxAw !== undefined && (aw === null || aw > maxAw)
      ? `It asks for a water activity of ${maxAw.toFixed(2)} or less; ${aw === null ? 'none was measured' : `it is ${aw.toFixed(2)}`}.`
      : '',
    standDays !== undefined && filledHours < 24 * standDays
      ? `It stands ${plainNumber(standDays)} days before it goes out.`
      : '',
  ].filter(Boolean)
}

/** How each treatment is packed. */
const PACKS = { 'cooked-hot-fill': ['hot'], 'boiled-in-jar': ['hot', 'raw'], 'cold-fill': ['cold'] } as const

/** The process behind it: whether there is one, whether it is of this, and whether it covers where it stands. */
export function processCheck(input: ReleaseCase): ReleaseCheck[] {
  const { treatment, store, process, oilPct } = input
  const check = { id: 'process', title: 'Process', evidence: [] }
  if (!(treatment in PACKS) && store !== 'shelf') return []
  const wants = [
    ...(treatment === 'cold-fill' && !process ? ['Cold filling wants a recorded process with its days to stand.'] : []),
    ...(treatment === 'boiled-in-jar' && store === 'shelf' && process?.boilMin === undefined
      ? ['Boiling in the jar keeps nothing on the shelf by itself: it wants a tested recipe or a recorded process.']
      : []),
    ...(store === 'shelf' && process && !permits(process, 'shelf')
      ? [`${process.name} does not permit the shelf.`]
      : []),
    ...(oilPct > 0.5 && store === 'shelf' && !permits(process, 'oil')
      ? [`${formatNumber(oilPct, 1)} % oil: never at room temperature without a process that covers oil.`]
      : []),
    ...(process &&
    treatment in PACKS &&
    !(PACKS[treatment as keyof typeof PACKS] as readonly string[]).includes(process.pack)
      ? [`${process.name} is packed ${process.pack}.`]
      : []),
    ...asAsked(input),
  ]
  if (wants.length) return [{ ...check, verdict: 'stop', sentence: wants.join(' ') }]
  if (!process)
    return wayOf(treatment).heats
      ? [
          {
            ...check,
            verdict: 'ask',
            sentence: `None recorded: held to ${DEFAULTS_WORDS}. Where 21 CFR 114 applies (United States), a sale needs one from a qualified person.`,
          },
        ]
      : []
  const { name, product, container, closure, basis } = process
  return [
    {
      ...check,
      verdict: basis === 'tested recipe' ? 'ask' : 'pass',
      sentence: `${name}: for ${product}, ${container}, ${closure}. Look that these are yours.${basis === 'tested recipe' ? ' A tested recipe is for the home: a sale needs a scheduled process where 21 CFR 114 applies.' : ''}`,
    },
  ]
}

/** Whether the way of keeping was carried out: its heat checks pass. */
export const carriedOut = (input: ReleaseCase): boolean => {
  const checks = [...heatChecks(input), ...boilCheck(input)]
  return checks.length > 0 && checks.every(({ verdict }) => verdict !== 'stop')
}
