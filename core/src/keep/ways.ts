import { plainNumber } from '../units/counted'
import { formatNumber } from '../units/number'
import type { Range } from '../working'
import { boilingMinutesAdded, boilingPointC } from './boiling'
import { USUAL_REFERENCE } from './lethality'
import { DEFAULT_FILL } from './process'
import { bottlePressure, STOP_BAR, WARN_BAR } from '../ferment/pressure'
import type { Verdict } from '../level'

/** How a sauce is kept. */
export const TREATMENTS = ['live-cold', 'frozen', 'cooked-hot-fill', 'boiled-in-jar', 'cold-fill'] as const
export type Treatment = (typeof TREATMENTS)[number]

/**
 * Lactofer's own limits for a finished sauce: stricter than the 4.6 of 21 CFR 114. The maker may lower, or raise up
 * to the highest; further only to what a recorded process allows.
 */
export const RELEASE_PH = { usual: 4.0, highest: 4.2 } as const

/**
 * A way to keep a sauce: what it is called, what it gives, where it must stand, how many months makers count on
 * (common practice), air left at the top
 * (the least share of the filling, or in words), and whether it is heated. Who approves it for sale is the same for
 * all: {@link APPROVAL}.
 */
export interface Way {
  id: Treatment
  name: string
  gives: string
  keep: string
  store: 'cold' | 'frozen' | 'shelf'
  months: number
  air: number | string
  heats: boolean
}

export const WAYS: readonly Way[] = [
  {
    id: 'live-cold',
    name: 'Live and cold',
    gives: 'The fresh taste and living bacteria. Six months to a year.',
    keep: 'In the refrigerator, vented now and then.',
    store: 'cold',
    months: 6,
    air: 0.05,
    heats: false,
  },
  {
    id: 'frozen',
    name: 'Frozen',
    gives: 'Stops the clock, colour and aroma stay. Freezing slows bacteria and yeast; it does not reliably kill them.',
    keep: 'At −18 °C; once thawed, cold and soon. Leave a jar out for a day to see what is still alive.',
    store: 'frozen',
    months: 12,
    air: 0.1,
    heats: false,
  },
  {
    id: 'cooked-hot-fill',
    name: 'Cooked, filled hot',
    gives: 'Stands on the shelf until it is opened. Makers speak of 18 to 24 months; that is theirs to show.',
    keep: 'Shelf; in the refrigerator once opened.',
    store: 'shelf',
    months: 12,
    air: 'little, it draws a vacuum as it cools',
    heats: true,
  },
  {
    id: 'boiled-in-jar',
    name: 'Boiled in the jar',
    gives: 'Kills what spoils; pieces keep their shape. The shelf wants a tested recipe or a recorded process.',
    keep: 'In the refrigerator; on the shelf as its process permits.',
    store: 'cold',
    months: 6,
    air: '12 mm under the rim',
    heats: true,
  },
  {
    id: 'cold-fill',
    name: 'Vinegar sauce, filled cold',
    gives: 'Keeps its fresh taste on the shelf, by acid and days alone.',
    keep: 'Shelf, after the days its process names; in the refrigerator once opened.',
    store: 'shelf',
    months: 12,
    air: 0.05,
    heats: false,
  },
]

/**
 * The way to begin with: the one wished for, or where this sauce may not be kept so the first that it may; the wished
 * one where none will do, which the page then says.
 */
export const usualWay = (wished: Treatment, known: KeepCase): Treatment => {
  const may = (id: Treatment) => needsOf(id, known).every(({ verdict }) => verdict !== 'stop')
  return may(wished) ? wished : (TREATMENTS.find(may) ?? wished)
}

/** A way by its id. */
export const wayOf = (id: Treatment): Way => WAYS.find((way) => way.id === id) ?? (WAYS[0] as Way)

/** Who has the last word. */
export const APPROVAL =
  'For sale a process authority sets time, temperature and pH, and your local office licenses the kitchen. Lactofer shows what was measured; it approves nothing.'

/** Minutes in boiling water at sea level, for small jars of acid sauce. Common practice. */
export const BOIL_MIN = 10
/** Usual simmer before filling, minutes. Common practice. */
export const SIMMER_MIN: Pick<Range, 'low' | 'high'> = { low: 10, high: 30 }
/** Least temperature of the last bottle filled hot where no process says otherwise, °C. */
export const FILL_LEAST_C = DEFAULT_FILL.fillC
/** Cold filling wants a pH at or under this. Breidt, from memory. */
export const COLD_FILL_PH = 3.3

/**
 * What is known of a sauce when its keeping is chosen. `upperPh` is the upper end of its finished pH, read or
 * expected; `null` where nothing is known.
 */
export interface KeepCase {
  upperPh: number | null
  measured: boolean
  limitPh: number
  sugarGPerL: Range
  live: boolean
  headspace: number
  altitudeM: number
}

/** One thing a way needs, and how this sauce stands to it. */
export interface Need {
  what: string
  verdict: Verdict
  /** It is about gas in a closed bottle. */
  burst?: boolean
  sentence: string
}

function phNeed({ upperPh, measured }: KeepCase, limit: number, because: string): Need {
  const what = `pH at most ${limit.toFixed(1)}`
  if (upperPh === null) return { what, verdict: 'stop', sentence: 'No pH is known. Read the finished sauce.' }
  const shown = `Its upper end is ${upperPh.toFixed(2)}${measured ? '' : ', worked out, not read'}`
  if (upperPh > limit) return { what, verdict: 'stop', sentence: `${shown}: over ${limit.toFixed(1)}. ${because}` }
  return {
    what,
    verdict: measured ? 'pass' : 'ask',
    sentence: `${shown}.${measured ? '' : ' Read the finished sauce before you decide.'}`,
  }
}

/** Gauge pressure with all its sugar turned to gas, bar, at the upper end of what is known of it. */
const worstBar = ({ sugarGPerL, headspace }: KeepCase, tempC: number) =>
  bottlePressure(sugarGPerL.high, tempC, headspace)

/** What lets gas out of a live bottle, or tells of it in time. */
export const RELIEFS = ['none', 'vented', 'squeeze', 'test bottle'] as const
export type Relief = (typeof RELIEFS)[number]

/** Where a bottle is judged: on a shelf in the sun, in a fridge that is not the coldest, °C. Judgement. */
export const STORE_C = { shelf: 35, cold: 8, frozen: 8 } as const
/** A test bottle tells in time up to this; over it the others are not waited for, bar. Judgement. */
const TEST_BOTTLE_BAR = 3

/** How warm it is where bottles stand, °C, and the gauge pressure there once all sugar is gas, bar, the upper end. */
export function pressureAt(
  known: Pick<KeepCase, 'sugarGPerL' | 'headspace'>,
  store: keyof typeof STORE_C,
): { tempC: number; bar: number } {
  const tempC = STORE_C[store]
  return { tempC, bar: bottlePressure(known.sugarGPerL.high, tempC, known.headspace) }
}

/** What a pressure comes to: ordinary bottles are not made for any; vented or soft ones let it out. */
export function pressureVerdict(bar: number, relief: Relief): Verdict {
  if (bar <= WARN_BAR) return 'pass'
  if (relief === 'vented' || relief === 'squeeze') return 'ask'
  return bar <= (relief === 'test bottle' ? TEST_BOTTLE_BAR : STOP_BAR) ? 'ask' : 'stop'
}

/** Kept cold and live: never refused for its gas alone, since bottles can be vented or soft. */
function pressureNeed(known: KeepCase): Need {
  const need = { what: `Under ${WARN_BAR} bar where it stands`, burst: true }
  if (!known.live) return { ...need, verdict: 'pass', sentence: 'Nothing alive in it by what is logged.' }
  const { tempC, bar } = pressureAt(known, 'cold')
  const figure = `Up to ${formatNumber(known.sugarGPerL.high, 1)} g/L of sugar: ${formatNumber(bar, 1)} bar at ${tempC} °C, ${formatNumber(worstBar(known, 35), 1)} at 35 °C`
  switch (pressureVerdict(bar, 'test bottle')) {
    case 'pass':
      return { ...need, verdict: 'pass', sentence: `${figure}.` }
    case 'ask':
      return { ...need, verdict: 'ask', sentence: `${figure}. Cold only slows it: vent it, keep a test bottle.` }
    case 'stop':
      return {
        ...need,
        verdict: 'ask',
        sentence: `${figure}. Tight bottles burst: only vented or soft ones, or cook it, or less fruit.`,
      }
  }
}

/** Air in the bottle chosen against the least share a way asks. */
function airNeed({ air }: Way, { headspace }: KeepCase): Need[] {
  if (typeof air === 'string') return []
  const there = `The bottle has ${formatNumber(100 * headspace, 1)} %`
  const what = `Air, ${formatNumber(100 * air)} % of the filling`
  return [
    headspace >= air
      ? { what, verdict: 'pass', sentence: `${there}.` }
      : {
          what,
          verdict: 'ask',
          sentence: `${there}: fill less, or take a larger one. A full one pushes its lid off or breaks.`,
        },
  ]
}

/** What a way needs, and how a sauce stands to each of it. Conservative; local rules and the process authority win. */
export function needsOf(id: Treatment, known: KeepCase): Need[] {
  const usual = phNeed(known, known.limitPh, 'More acid, less fruit, then read again.')
  const air = airNeed(wayOf(id), known)
  switch (id) {
    case 'live-cold':
      return [usual, pressureNeed(known), ...air]
    case 'frozen':
      return [
        usual,
        ...air,
        {
          what: 'A day on the shelf as a test',
          verdict: 'ask',
          sentence: 'Thaw one, leave it out for a day in a plastic bottle: if it swells it is still alive.',
        },
      ]
    case 'cooked-hot-fill': {
      const { highestPh } = USUAL_REFERENCE
      return [
        phNeed(
          known,
          Math.min(known.limitPh, highestPh),
          `The reference at hand holds up to pH ${highestPh.toFixed(1)} only.`,
        ),
        {
          what: 'Temperature of pot and last bottle, measured',
          verdict: 'ask',
          sentence: `Simmer ${SIMMER_MIN.low} to ${SIMMER_MIN.high} min; the last bottle at ${FILL_LEAST_C} °C or more, turned over for ${DEFAULT_FILL.invertMin} min. These are usual figures, not a scheduled process.`,
        },
      ]
    }
    case 'cold-fill':
      return [
        phNeed(known, COLD_FILL_PH, 'Only vinegar sauces as sour as this are filled cold.'),
        {
          what: 'A recorded process with its days to stand',
          verdict: 'ask',
          sentence: 'Without one it is kept in the refrigerator.',
        },
        ...air,
      ]
    case 'boiled-in-jar': {
      const boils = boilingPointC(known.altitudeM)
      const more = boilingMinutesAdded(known.altitudeM)
      return [
        usual,
        {
          what: `${BOIL_MIN + more} minutes in boiling water`,
          verdict: 'ask',
          sentence: `Not measured yet. Water boils at ${plainNumber(boils)} °C ${known.altitudeM > 0 ? `at ${formatNumber(known.altitudeM)} m` : 'at the sea'}${more ? `: ${more} minutes more than at the sea` : ''}. Lids loose enough to vent, 25 mm of water over them, 12 mm of air inside.`,
        },
      ]
    }
  }
}

/**
 * Why a sauce may not stand at a place: `null` where it may. A live sauce never goes on the shelf with sugar in it
 * past the warning line.
 * @returns the reason, and what can be done about it.
 */
export function storeRefusal(
  id: Treatment,
  store: 'shelf' | 'cold' | 'frozen',
  known: KeepCase,
): { reason: string; offers: readonly { to: Treatment; words: string }[]; lessSugarPct: number | null } | null {
  const way = wayOf(id)
  if (way.heats || store !== 'shelf' || !known.live) return null
  const bar = worstBar(known, 35)
  const cook = { to: 'cooked-hot-fill', words: 'Cook it and fill it hot' } as const
  const cold = { to: 'live-cold', words: 'Keep it cold' } as const
  if (bar > WARN_BAR) {
    return {
      reason: `Live with up to ${formatNumber(known.sugarGPerL.high, 1)} g/L of sugar: up to ${formatNumber(bar, 1)} bar at 35 °C in a closed bottle, ${formatNumber(WARN_BAR, 1)} is the line. Not for the shelf.`,
      offers: [cold, cook],
      lessSugarPct: 100 * (1 - WARN_BAR / bar),
    }
  }
  return {
    reason: 'Live sauce is not for the shelf: what is alive goes on working, and nothing was heated.',
    offers: [cold, cook],
    lessSugarPct: null,
  }
}
