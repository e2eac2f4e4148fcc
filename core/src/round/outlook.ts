import { burpEveryH, TOO_OFTEN_H } from '../ferment/gas'
import type { FermentForecast, Flag, When } from '../ferment/forecast'
import type { Book, Lot } from '../log/fold'
import { temperaturesOf } from '../log/measured'
import { propertiesOf } from '../composition/composition'
import { packedComposition } from '../stock/lotComposition'
import { SALT_MOLAR_MASS_G } from '../acid/mixture'

const HOUR_MS = 3_600_000

/** What the round and the shelf need of a forecast at a moment. Times since packing in hours; `gasPerDay` typical, mmol/kg. */
export interface Outlook { flag: Flag, why: string, dead: number, passes: When, ready: When, gasPerDay: number, burpEveryH: number | null, burpSentence: string }

/** The value of a row of figures at an hour, by straight lines between outputs. */
export function valueAt(hours: readonly number[], values: readonly number[], hour: number): number {
  const after = hours.findIndex(known => known >= hour)
  if (after < 0) return values.at(-1) ?? 0
  if (after === 0) return values[0] ?? 0
  const [from, to] = [hours[after - 1] ?? 0, hours[after] ?? 0]
  const [low, high] = [values[after - 1] ?? 0, values[after] ?? 0]
  return to === from ? high : low + (high - low) * (hour - from) / (to - from)
}

/** Gas of today for the round: how often a tight lid wants burping, from the upper end of the gas and the smallest headspace. `null` where it cannot be told. */
export function outlookOf(book: Book, lot: Lot, forecast: Omit<FermentForecast, 'learned'>, nowMs: number): Outlook {
  const hour = (nowMs - lot.startedMs) / HOUR_MS
  const { hours, gas, flag, why, dead, passes, ready } = forecast
  // Only a tight lid needs to know what is in it.
  const composition = lot.packed?.closure === 'tight lid' ? packedComposition(book, lot) : null
  const figures = composition && propertiesOf(composition)
  const intervals = !composition || !figures ? [] : lot.vessels.flatMap(({ vesselId, massG }) => {
    const capacityMl = book.library.vessel(vesselId)?.capacityMl
    const liquidL = massG / 1000 / figures.densityGPerMl
    if (!capacityMl || liquidL <= 0) return []
    const saltMolar = composition.waterG > 0 ? composition.saltG / SALT_MOLAR_MASS_G / composition.waterG * 1000 : 0
    // The most there will be before somebody comes again, not only what there is now.
    const most = Math.max(...[0, 8, 16, 24].map(ahead => valueAt(hours, gas.high, hour + ahead)))
    return [burpEveryH(most, { liquidL, headspaceL: Math.max(0.02, capacityMl / 1000 - liquidL), tempC: temperaturesOf(lot).at(-1)?.tempC ?? 20, saltMolar })]
  })
  const every = intervals.length ? Math.min(...intervals) : null
  return {
    flag, why, dead, passes, ready, gasPerDay: valueAt(hours, gas.typical, hour), burpEveryH: every,
    burpSentence: every === null ? '' : every < TOO_OFTEN_H ? `At this gas every ${Math.max(1, Math.floor(every))} h: nobody keeps that up. Fit an airlock or loosen the lid; do not rely on burping.` : `At this gas every ${every < 36 ? `${Math.floor(every)} h` : `${Math.floor(every / 24)} days`}. Away from your face.`,
  }
}
