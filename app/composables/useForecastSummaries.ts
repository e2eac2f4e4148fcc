import { shallowRef, watch, type Ref } from 'vue'
import { DAY_MS, toldOnce, type Book, type Lot, type ForecastSummary } from '@lactofer/core'
import { drawn, slice, stepAside } from '~/clock/breathe'
import { SENSED_MEMBERS, SHELF_MEMBERS } from './useForecast'
import { eachForecast, keepForecast } from '~/db/forecasts'
import { rules } from '~/rules/rules'
import { askForForecast, type ForecastAnswer } from '~/workers/forecaster'

/** Raised when the model changes: what was kept before is worked out anew. */
const FORECAST_VERSION = 6
/** Days ahead that the round needs to know of. */
const AHEAD = 12

/** Least time allowed above 4.6, whatever the temperature: read sooner, nobody asks when it passed. */
const LEAST_ALLOWED_MS = 2 * DAY_MS

/** Whether nobody read it in time to know when it passed. */
const isReadLate = toldOnce((lot: Lot): boolean => {
  const { looksOf, measuredPhs, PH_LINE } = rules()
  const first = measuredPhs(lot).find(({ ph }) => ph <= PH_LINE)
  return looksOf(lot).length > 0 || (first !== undefined && first.atMs - lot.startedMs > LEAST_ALLOWED_MS)
})

/**
 * Open ferments, and those gone into others of which nobody knows yet when they passed 4.6; looked for in slices.
 * @param stale nobody wants to know any more.
 */
async function lotsAhead(book: Book, lots: readonly Lot[], nowAtMs: number, stale: () => boolean) {
  const judge = rules().judgeOf(book)
  const share = slice()
  const found: Lot[] = []
  for (const lot of lots) {
    const left = lot.kind === 'ferment' && lot.to.length > 0 && isReadLate(lot)
    if (lot.state === 'fermenting' || (left && judge(lot.id, nowAtMs)?.wantsForesight)) found.push(lot)
    if (!share.over()) continue
    await stepAside()
    if (stale()) break
    share.begin()
  }
  return found
}

/**
 * What the forecast says of every open lot, worked out one by one in a worker of its own. What has not changed is
 * not asked again, not even after a reload;
 * a lot whose forecast fails goes without: its readings and its deadline count.
 * @param folded the book, once there is something to read.
 */
export function useForecastSummaries(folded: Ref<Book | null>, all: Ref<readonly Lot[]>, nowMs: Ref<number>) {
  let lots: readonly Lot[] = []
  const summaries = shallowRef<ReadonlyMap<string, ForecastSummary>>(new Map())
  const answers = new Map<string, { key: string; answer: ForecastAnswer }>()
  let turn = 0
  // Answers of an earlier visit, of this model; without them all is worked out anew.
  const remembered = eachForecast(({ lotId, key, answer }) => {
    if (key.startsWith(`[${FORECAST_VERSION},`)) answers.set(lotId, { key, answer: answer as ForecastAnswer })
  })

  const show = (book: Book) => {
    summaries.value = new Map(
      lots.flatMap((lot) => {
        const forecast = answers.get(lot.id)?.answer.forecast
        return forecast ? [[lot.id, rules().summaryOf(book, lot, forecast, nowMs.value)] as const] : []
      }),
    )
  }
  watch(
    [folded, all, nowMs],
    async () => {
      const mine = ++turn
      const book = folded.value
      if (!book) return
      await Promise.all([remembered, drawn()])
      if (mine !== turn) return
      const found = await lotsAhead(book, all.value, nowMs.value, () => mine !== turn)
      if (mine !== turn) return
      lots = found
      show(book)
      let asked = 0
      const share = slice()
      for (const lot of lots) {
        if (share.over()) {
          await stepAside()
          if (mine !== turn) return
          share.begin()
        }
        const batch = rules().lotCaseOf(book, lot, nowMs.value)
        if (!batch) continue
        const untilMs = lot.state === 'fermenting' ? nowMs.value : lot.startedMs
        const days = Math.ceil((untilMs - lot.startedMs) / DAY_MS) + AHEAD
        const key = JSON.stringify([FORECAST_VERSION, batch, days])
        if (answers.get(lot.id)?.key === key) continue
        const members = batch.sensed?.length ? SENSED_MEMBERS : SHELF_MEMBERS
        const answer = await askForForecast({ batch, days, members, scenarios: [] }, 'shelf').catch(() => null)
        if (mine !== turn) return
        answers.set(lot.id, { key, answer: answer ?? { forecast: null, courses: [], problem: 'No forecast.' } })
        if (answer) await keepForecast({ lotId: lot.id, key, answer })
        // Of a long shelf more at a time: every showing is a look along all of it.
        if (++asked % Math.max(12, Math.ceil(lots.length / 16)) === 0) show(book)
      }
      if (asked) show(book)
    },
    { immediate: true },
  )
  return summaries
}
