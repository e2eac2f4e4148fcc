import { inLoft } from './loft'
import { tableAlone } from './opening'

/** A forecast worked out before, with the case it belongs to: work saved, never a truth. */
export interface KeptForecast {
  lotId: string
  key: string
  answer: unknown
}

/** Forecasts that were worked out: a database of its own, so that they never write beside the log. */
export const forecasts = tableAlone<KeptForecast>(inLoft('lactofer-forecasts'), 'forecasts', 'lotId')

/** Shows every forecast that was kept; where that cannot be, all are worked out anew. */
export async function eachForecast(show: (kept: KeptForecast) => void): Promise<void> {
  try {
    await forecasts.each(show)
  } catch {
    return
  }
}

/** Keeps a forecast; where that cannot be, it is worked out again another time. */
export async function keepForecast(forecast: KeptForecast): Promise<void> {
  try {
    await forecasts.put(forecast)
  } catch {
    return
  }
}
