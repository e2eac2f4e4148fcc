import { bagGasL, burpEveryH, TOO_OFTEN_H } from '../ferment/gas'
import { formatNumber } from '../units/number'
import type { Flag } from '../ferment/flags'
import type { FermentForecast, When } from '../ferment/forecast'
import type { Foresight } from '../judge/judgement'
import type { Book } from '../lots/fold'
import { inVessels } from '../log/jars'
import type { Lot } from '../log/lot'
import { propertiesOf } from '../composition/composition'
import { packedComposition } from '../makeup/lotComposition'
import { readTemperatures } from '../makeup/temperature'
import { SALT_MOLAR_MASS_G } from '../acid/mixture'
import { HOUR_MS } from '../units/time'
import { interpolate } from '../units/interpolate'

/**
 * What the round and the shelf need of a forecast at a moment. Times since packing in hours; `gasPerDay` typical,
 * mmol/kg.
 */
export interface ForecastSummary {
  flags: readonly Flag[]
  passes: When
  ready: When
  gasPerDay: number
  burpEveryH: number | null
  gasSentence: string
  /** When it passed 4.6, h since packing; the judge asks where nothing was read in between. */
  crossing: FermentForecast['crossing']
  /** How likely it has passed in its time and stands under 4.6, by hours since packing; `null` where nothing tells. */
  under: NonNullable<Foresight['under']> | null
}

/** The value of a row of figures at an hour, by straight lines between outputs. */
export const valueAt = (hours: readonly number[], values: readonly number[], hour: number): number =>
  interpolate(
    hours.length,
    (index) => hours[index] ?? 0,
    (index) => values[index] ?? 0,
    hour,
  )

/** What a bag may hold, from the upper end of the gas made so far. */
const bagSentence = (litresPerKg: number) =>
  litresPerKg < 0.05
    ? 'The liquid still takes up the gas: it should lie flat.'
    : `Up to ${formatNumber(litresPerKg, 1)} L of gas a kilogram may have come free, less what was let out. Tight? Vent it away from your face and reseal.`

/**
 * Gas of today for the round: how often a tight lid wants burping, from the upper end of the gas and the smallest
 * headspace, `null` where it cannot be told; how much may stand in a bag.
 */
export function summaryOf(
  book: Book,
  lot: Lot,
  forecast: Omit<FermentForecast, 'learned'>,
  nowMs: number,
): ForecastSummary {
  const hour = (nowMs - lot.startedMs) / HOUR_MS
  const { hours, gas, flags, passes, ready, crossing, under } = forecast
  const closure = lot.packed?.closure
  // Only what is shut needs to know what is in it.
  const composition = closure === 'tight lid' || closure === 'sealed bag' ? packedComposition(book, lot) : null
  const figures = composition && propertiesOf(composition)
  const saltMolar =
    composition && composition.waterG > 0 ? (composition.saltG / SALT_MOLAR_MASS_G / composition.waterG) * 1000 : 0
  const tempC = readTemperatures(lot).at(-1)?.tempC ?? 20
  const intervals =
    closure !== 'tight lid' || !figures
      ? []
      : inVessels(lot).flatMap(({ vesselId, massG }) => {
          const capacityMl = book.library.vessel(vesselId)?.capacityMl
          const liquidL = massG / 1000 / figures.densityGPerMl
          if (!capacityMl || liquidL <= 0) return []
          // The most there will be before somebody comes again, not only what there is now.
          const most = Math.max(...[0, 8, 16, 24].map((ahead) => valueAt(hours, gas.high, hour + ahead)))
          return [
            burpEveryH(most, { liquidL, headspaceL: Math.max(0.02, capacityMl / 1000 - liquidL), tempC, saltMolar }),
          ]
        })
  const every = intervals.length ? Math.min(...intervals) : null
  return {
    flags,
    passes,
    ready,
    crossing,
    under: under && { hours, chances: under },
    gasPerDay: valueAt(hours, gas.typical, hour),
    burpEveryH: every,
    gasSentence:
      closure === 'sealed bag'
        ? bagSentence(bagGasL(valueAt(hours, forecast.gasMade, hour), tempC, saltMolar))
        : every === null
          ? ''
          : every < TOO_OFTEN_H
            ? `At this gas every ${Math.max(1, Math.floor(every))} h: nobody keeps that up. Fit an airlock or loosen the lid; do not rely on burping.`
            : `At this gas every ${every < 36 ? `${Math.floor(every)} h` : `${Math.floor(every / 24)} days`}. Away from your face.`,
  }
}
