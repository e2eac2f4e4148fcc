import { computed, shallowRef, watch, type Ref } from 'vue'
import {
  DAY_MS,
  judgeOf,
  looksOf,
  lotCaseOf,
  measuredPhs,
  summaryOf,
  PH_LINE,
  type Book,
  type Lot,
  type ForecastSummary,
} from '@lactofer/core'
import { SENSED_MEMBERS, SHELF_MEMBERS } from './useForecast'
import { eachForecast, keepForecast } from '~/db/forecasts'
import { askForForecast, type ForecastAnswer } from '~/workers/forecaster'

/** Raised when the model changes: what was kept before is worked out anew. */
const FORECAST_VERSION = 6
/** Days ahead that the round needs to know of. */
const AHEAD = 12

/** Least time allowed above 4.6, whatever the temperature: read sooner, nobody asks when it passed. */
const LEAST_ALLOWED_MS = 2 * DAY_MS

/** Whether nobody read it in time to know when it passed. Of a lot as it stands it is told once: logs are long. */
const readLate = new WeakMap<Lot, boolean>()
function isReadLate(lot: Lot): boolean {
  const known = readLate.get(lot)
  if (known !== undefined) return known
  const first = measuredPhs(lot).find(({ ph }) => ph <= PH_LINE)
  const late = looksOf(lot).length > 0 || (first !== undefined && first.atMs - lot.startedMs > LEAST_ALLOWED_MS)
  readLate.set(lot, late)
  return late
}

/** Open ferments, and those gone into others of which nobody knows yet when they passed 4.6. */
function lotsAhead(book: Book, lots: readonly Lot[], nowAtMs: number): Lot[] {
  const judge = judgeOf(book)
  return lots.filter(
    (lot) =>
      lot.state === 'fermenting' ||
      (lot.kind === 'ferment' && lot.to.length > 0 && isReadLate(lot) && judge(lot.id, nowAtMs)?.wantsForesight),
  )
}

/**
 * What the forecast says of every open lot, worked out one by one in a worker of its own. What has not changed is
 * not asked again, not even after a reload;
 * a lot whose forecast fails goes without: its readings and its deadline count.
 */
export function useForecastSummaries(book: Ref<Book>, all: Ref<Lot[]>, nowMs: Ref<number>) {
  const lots = computed(() => lotsAhead(book.value, all.value, nowMs.value))
  const summaries = shallowRef<ReadonlyMap<string, ForecastSummary>>(new Map())
  const found = new Map<string, { key: string; answer: ForecastAnswer }>()
  let turn = 0
  // Answers of an earlier visit, of this model; without them all is worked out anew.
  const remembered = eachForecast(({ lotId, key, answer }) => {
    if (key.startsWith(`[${FORECAST_VERSION},`)) found.set(lotId, { key, answer: answer as ForecastAnswer })
  })

  const show = () => {
    summaries.value = new Map(
      lots.value.flatMap((lot) => {
        const forecast = found.get(lot.id)?.answer.forecast
        return forecast ? [[lot.id, summaryOf(book.value, lot, forecast, nowMs.value)] as const] : []
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
        const batch = lotCaseOf(book.value, lot, nowMs.value)
        if (!batch) continue
        const untilMs = lot.state === 'fermenting' ? nowMs.value : lot.startedMs
        const days = Math.ceil((untilMs - lot.startedMs) / DAY_MS) + AHEAD
        const key = JSON.stringify([FORECAST_VERSION, batch, days])
        if (found.get(lot.id)?.key === key) continue
        const members = batch.sensed?.length ? SENSED_MEMBERS : SHELF_MEMBERS
        const answer = await askForForecast({ batch, days, members, scenarios: [] }, 'shelf').catch(() => null)
        if (mine !== turn) return
        found.set(lot.id, { key, answer: answer ?? { forecast: null, courses: [], problem: 'No forecast.' } })
        if (answer) await keepForecast({ lotId: lot.id, key, answer })
        // Of a long shelf more at a time: every showing is a look along all of it.
        if (++asked % Math.max(12, Math.ceil(lots.value.length / 16)) === 0) show()
      }
      if (asked) show()
    },
    { immediate: true },
  )
  return summaries
}
