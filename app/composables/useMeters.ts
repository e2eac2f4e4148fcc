import { computed, ref } from 'vue'
import { calibrationAge, type EntryOf, type Instrument } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** Name of the simulated meter of the strip. */
export const BENCH_METER = 'pH meter'

/** Meters that were calibrated, the last calibration of each; and what a pH was read with. */
export function useMeters() {
  const book = useBook()
  const meters = computed(() => {
    const newest = new Map<string, EntryOf<'calibrate'>>()
    for (const entry of book.book.standing) if (entry.kind === 'calibrate') newest.set(entry.meter, entry)
    return [...newest.values()]
  })
  const options = computed(() => [
    ...meters.value.map((entry) => ({
      value: entry.meter,
      label: `${entry.meter}: ${entry.accepted ? calibrationAge(Date.parse(entry.at), book.nowMs).sentence.replace(/\.$/, '').toLowerCase() : 'not accepted'}`,
    })),
    { value: 'uncalibrated', label: 'A meter, not calibrated' },
    { value: 'strip', label: 'Test strips (coarse)' },
  ])
  const chosen = ref<string | null>(null)
  const using = computed({
    get: () => chosen.value ?? meters.value.at(-1)?.meter ?? 'uncalibrated',
    set: (value: string) => (chosen.value = value),
  })
  /** What stands beside a pH that was typed. */
  function instrumentOf(choice: string): Instrument {
    if (choice === 'strip') return { name: 'Test strips', kind: 'strip', steady: true }
    const meter = meters.value.find((entry) => entry.meter === choice && entry.accepted)
    return meter
      ? {
          name: meter.meter,
          kind: 'meter',
          steady: true,
          calibratedAt: meter.at,
          slopePct: Math.round(meter.slopePct * 10) / 10,
        }
      : { name: choice === 'uncalibrated' ? 'pH meter' : choice, kind: 'meter', steady: true }
  }
  const ageOf = (choice: string) => {
    const meter = meters.value.find((entry) => entry.meter === choice)
    return choice === 'strip' || !meter
      ? null
      : calibrationAge(meter.accepted ? Date.parse(meter.at) : null, book.nowMs)
  }
  return { meters, options, using, instrumentOf, ageOf }
}
