import { useIntervalFn } from '@vueuse/core'
import { HOUR_MS, MINUTE_MS } from '@lactofer/core'
import { nowMoment, nowMs } from '~/clock/clock'
import { leadership } from './leadership'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'
import { usePreferences } from '~/stores/preferences'

/**
 * A probe writes every so many hours, and at once when it moved by so much. Judgement: enough for the forecast,
 * little in the log.
 */
const EVERY_MS = 3 * HOUR_MS
const MOVED_C = 1.5
const LEAST_MS = 10 * MINUTE_MS
const LOOK_MS = 5000

/** Probes that were given a lot log to it on their own, while Lactofer is open; of several open windows one writes. */
export function useProbeLog(): void {
  const book = useBook()
  const instruments = useInstruments()
  const preferences = usePreferences()
  let writing = false
  const leads = leadership('lactofer-probes')
  useIntervalFn(async () => {
    if (!leads() || writing || !instruments.simulates || !instruments.connected || !book.ready) return
    for (const probe of instruments.state?.probes ?? []) {
      const lot = book.lot(preferences.probes[probe.id] ?? '')
      if (!lot || lot.state !== 'fermenting' || probe.value === null || !probe.steady) continue
      const last = lot.readings.findLast(
        ({ instrument }) => instrument?.kind === 'probe' && instrument.name === probe.name,
      )
      const age = nowMs() - (last ? Date.parse(last.at) : 0)
      if (age < LEAST_MS || (age < EVERY_MS && Math.abs((last?.tempC ?? 0) - probe.value) < MOVED_C)) continue
      writing = true
      // A write that fails is tried again at the next look; nothing else waits for it.
      await book
        .record({
          kind: 'reading',
          at: nowMoment(),
          lotId: lot.id,
          tempC: probe.value,
          instrument: { name: probe.name, kind: 'probe', steady: true, simulated: true },
        })
        .catch(() => (instruments.problem = `${probe.name} could not write to the log; it tries again by itself.`))
      writing = false
    }
  }, LOOK_MS)
}
