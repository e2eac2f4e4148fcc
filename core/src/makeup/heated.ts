import { boilingMinutesAdded, boilingPointC } from '../keep/boiling'
import { lastFilledC } from '../keep/hotFill'
import { lethality, USUAL_REFERENCE } from '../keep/lethality'
import { boiledMin } from '../keep/processChecks'
import { BOIL_MIN, FILL_LEAST_C } from '../keep/ways'
import type { EntryOf } from '../log/entry'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import { heatProcessOf, potHeatOf } from './heatProcess'

/** Heat, as measured, after which a pot is counted dead: the minutes of the usual reference. Judgement. */
const ENOUGH_MIN = USUAL_REFERENCE.minutes ?? 1.2

/**
 * Whether a pot was heated since something was last put in, by a record and up to a moment (ms): a plan to cook it is
 * no heat, and what was put in afterwards is alive again.
 */
export function wasHeated(blend: Lot, untilMs: number): boolean {
  const record = potHeatOf(blend, untilMs)
  return record !== null && lethality(record.points, USUAL_REFERENCE).minutes.low >= ENOUGH_MIN
}

/** What was measured in the last bottle of a run, °C; 0 where nothing was. */
export function lastBottleC(book: Book, made: EntryOf<'bottle'>, blend: Lot): number {
  const { 'last bottle': last } = heatProcessOf(book, blend, Date.parse(made.at))
  return last ? lastFilledC(last.points) : (made.lastFillTempC ?? 0)
}

/** Whether the way a run was kept was carried out, by what was measured. */
export function wasKept(book: Book, made: EntryOf<'bottle'>, blend: Lot): boolean {
  const { pot, 'jar in the water': water } = heatProcessOf(book, blend, Date.parse(made.at))
  switch (made.treatment) {
    case 'live-cold':
    case 'frozen':
    case 'cold-fill':
      return false
    case 'cooked-hot-fill':
      return (
        pot !== null &&
        lethality(pot.points, USUAL_REFERENCE).minutes.low >= ENOUGH_MIN &&
        lastBottleC(book, made, blend) >= FILL_LEAST_C
      )
    case 'boiled-in-jar': {
      const altitudeM = made.altitudeM ?? 0
      const asked = BOIL_MIN + boilingMinutesAdded(altitudeM)
      return water !== null && boiledMin(water.points, boilingPointC(altitudeM)) >= asked
    }
  }
}
