import { sharesOf, type Composition } from '../composition/composition'
import { exactly, mapRange, type Range } from '../working'
import { bottlePressure, co2Volumes, WARN_BAR } from '../ferment/pressure'
import { STORE_C } from './ways'

/**
 * Sugar that yeast turns into gas in a live sauce at 20 °C, g per litre and day; and how many times faster it goes
 * for ten degrees more. Judgement.
 */
const EATEN_PER_DAY: Range = { low: 0.1, typical: 0.5, high: 2 }
const TEN_DEGREES = 3

/** A room where bottles wait, °C. */
const ROOM_C = 20

/**
 * A live sauce closed at a temperature: gauge pressure once all its sugar is gas, bar, and days until it is felt;
 * `days` is `null` where it never is.
 */
export interface Closed {
  tempC: number
  bar: Range
  days: Range | null
}

/** What a sauce does closed and live in the cold, in a room and on a shelf in the sun. */
export interface PressureOutlook {
  live: boolean
  sugarGPerL: Range
  co2Volumes: Range
  closed: Closed[]
}

/**
 * Days until a closed bottle passes {@link WARN_BAR}: soonest where much sugar meets quick yeast. A range, since the
 * yeast is not known.
 */
function daysTo(sugarGPerL: Range, tempC: number): Range | null {
  const needed = WARN_BAR / bottlePressure(1, tempC)
  if (sugarGPerL.high < needed) return null
  const pace = TEN_DEGREES ** ((tempC - 20) / 10)
  const at = (perDay: number) => needed / (perDay * pace)
  return { low: at(EATEN_PER_DAY.high), typical: at(EATEN_PER_DAY.typical), high: at(EATEN_PER_DAY.low) }
}

/** The consequences of sugar in a sauce before anybody pours it. Hexose is assumed; sucrose gives a twentieth more. */
export function pressureOutlook(composition: Composition, headspace = 0.05): PressureOutlook {
  const litres = sharesOf(composition).volumeMl / 1000
  const sugarGPerL = litres > 0 ? mapRange(composition.sugarG, (grams) => grams / litres) : exactly(0)
  return {
    live: composition.live,
    sugarGPerL,
    co2Volumes: mapRange(sugarGPerL, co2Volumes),
    closed: [STORE_C.cold, ROOM_C, STORE_C.shelf].map((tempC) => ({
      tempC,
      bar: mapRange(sugarGPerL, (grams) => bottlePressure(grams, tempC, headspace)),
      days: daysTo(sugarGPerL, tempC),
    })),
  }
}
