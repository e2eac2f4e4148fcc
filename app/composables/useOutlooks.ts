import { shallowRef, watch, type Ref } from 'vue'
import { DAY_MS, fermentCaseOf, outlookOf, type Book, type Lot, type Outlook } from '@lactofer/core'
import { SHELF_MEMBERS } from './useForecast'
import { journal } from '~/db/journal'
import { askForForecast, type ForecastAnswer } from '~/workers/forecaster'

/** Raised when the model changes: what was kept before is worked out anew. */
const FORECAST_VERSION = 2
/** Days ahead that the round needs to know of. */
const AHEAD = 12

/**
 * What the forecast says of every open lot, worked out one by one in a worker of its own. What has not changed is
 * not asked again, not even after a reload;
 * a lot whose forecast fails goes without: its readings and its deadline count.
 */
export function useOutlooks(book: Ref<Book>, lots: Ref<Lot[]>, nowMs: Ref<number>) {
  const outlooks = shallowRef<ReadonlyMap<string, Outlook>>(new Map())
  const found = new Map<string, { key: string; answer: ForecastAnswer }>()
  let turn = 0
  // Answers of an earlier visit; without them all is worked out anew.
  const remembered = journal.forecasts
    .each(({ lotId, key, answer }) => found.set(lotId, { key, answer: answer as ForecastAnswer }))
    .catch(() => undefined)

  const show = () => {
    outlooks.value = new Map(
      lots.value.flatMap((lot) => {
        const forecast = found.get(lot.id)?.answer.forecast
        return forecast ? [[lot.id, outlookOf(book.value, lot, forecast, nowMs.value)] as const] : []
      }),
    )
  }
  watch(
    [lots, () => Math.floor((nowMs.value / DAY_MS) * 24)],
    async () => {
      const mine = ++turn
      await remembered
      if (mine !== turn) return
      show()
      let asked = 0
      for (const lot of lots.value) {
        const batch = fermentCaseOf(book.value, lot)
        if (!batch) continue
        const days = Math.ceil((nowMs.value - lot.startedMs) / DAY_MS) + AHEAD
        const key = JSON.stringify([FORECAST_VERSION, batch, days])
        if (found.get(lot.id)?.key === key) continue
        const answer = await askForForecast({ batch, days, members: SHELF_MEMBERS, scenarios: [] }, 'shelf').catch(
          () => null,
        )
        if (mine !== turn) return
        found.set(lot.id, { key, answer: answer ?? { forecast: null, courses: [], problem: 'No forecast.' } })
        if (answer) await journal.forecasts.put({ lotId: lot.id, key, answer }).catch(() => undefined)
        if (++asked % 12 === 0) show()
      }
      if (asked) show()
    },
    { immediate: true },
  )
  return outlooks
}
