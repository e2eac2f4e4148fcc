import { computed, ref } from 'vue'
import { calibrationAge, HOUR_MS, METER_LIMITS, type EntryOf, type Instrument, type SourTool } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { calibrationWords, calibratedMeter, useInstruments } from '~/stores/instruments'
import { usePreferences } from '~/stores/preferences'

/** Buffers that are sold, pH at 25 °C. */
export const BUFFERS = [4.01, 6.86, 7, 9.18] as const

/** Name of the simulated meter of the strip. */
export const BENCH_METER = 'pH meter'

/** How long ago a pocket meter was checked, in words. */
function pocketWords(checkedMs: number, nowAtMs: number): string {
  const hours = Math.max(0, (nowAtMs - checkedMs) / HOUR_MS)
  const when = hours < 24 ? 'today' : `${Math.floor(hours / 24)} days ago`
  return hours <= METER_LIMITS.freshH ? `checked ${when}` : `checked ${when}: too old`
}

/** What a pH is read with where nobody says: strips for who has no meter, else the newest meter. */
const usualOf = (tool: SourTool | null, newest: { meter: string } | undefined): string =>
  tool === 'paper strips' ? 'strip' : (newest?.meter ?? 'uncalibrated')

/** Meters that were calibrated, the last calibration of each; and what a pH was read with. */
export function useMeters() {
  const book = useBook()
  const preferences = usePreferences()
  const instruments = useInstruments()
  const meters = computed(() => [...instruments.calibrations.values()])
  /** Meters without millivolts that were checked in two buffers, the last check of each. */
  const pockets = computed(() => {
    const newest = new Map<string, EntryOf<'buffers'>>()
    for (const entry of book.book.meterChecks) if (entry.kind === 'buffers') newest.set(entry.meter, entry)
    return [...newest.values()].filter(({ meter }) => !meters.value.some((known) => known.meter === meter))
  })
  const options = computed(() => [
    ...meters.value.map((entry) => ({
      value: entry.meter,
      label: `${entry.meter}: ${calibrationWords(entry, book.nowMs)}`,
    })),
    ...pockets.value.map(({ meter, accepted, at }) => ({
      value: meter,
      label: `${meter}: ${accepted ? pocketWords(Date.parse(at), book.nowMs) : 'not accepted'}`,
    })),
    { value: 'uncalibrated', label: 'A meter, not calibrated' },
    { value: 'strip', label: 'Test strips' },
    { value: 'stained', label: 'Test strips, red or brown sample' },
  ])
  const chosen = ref<string | null>(null)
  const usual = computed(() => usualOf(preferences.sourTool, meters.value.at(-1) ?? pockets.value.at(-1)))
  const using = computed({
    get: () => chosen.value ?? usual.value,
    set: (value: string) => (chosen.value = value),
  })
  /** What stands beside a pH that was typed. */
  function instrumentOf(choice: string): Instrument {
    if (choice === 'strip') return { name: 'Test strips', kind: 'strip', steady: true }
    if (choice === 'stained') return { name: 'Test strips', kind: 'strip', steady: true, stained: true }
    const meter = meters.value.find((entry) => entry.meter === choice)
    const pocket = pockets.value.find((entry) => entry.meter === choice)
    const last = meter ?? pocket
    if (!last) return { name: 'pH meter', kind: 'meter', steady: true }
    if (!last.accepted) return { name: choice, kind: 'meter', steady: true, failed: true }
    return meter ? calibratedMeter(meter) : { name: choice, kind: 'meter', steady: true, checkedAt: last.at }
  }
  const ageOf = (choice: string) => {
    if (choice === 'strip' || choice === 'stained') return null
    const known = [...meters.value, ...pockets.value].find((entry) => entry.meter === choice)
    return calibrationAge(known?.accepted ? Date.parse(known.at) : null, book.nowMs)
  }
  return { meters, options, using, instrumentOf, ageOf }
}
