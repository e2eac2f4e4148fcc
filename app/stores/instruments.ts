import { defineStore } from 'pinia'
import { computed, onScopeDispose, shallowRef } from 'vue'
import {
  calibrationAge,
  formatMass,
  formatNumber,
  isMeter,
  type EntryOf,
  type Instrument,
  type QuantityKind,
} from '@lactofer/core'
import type { Driver, Shown } from '~/instruments/driver'
import { inPractice } from '~/db/loft'
import { openInstruments } from '~/instruments/registry'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** A value taken from an instrument, in stored units, with what is known of the instrument. */
export interface Taken {
  value: number
  instrument: Instrument
}

/** A field that takes readings: what it measures, what it is called, and how it takes one. */
export interface Taker {
  id: string
  kind: QuantityKind
  label: string
  take: (taken: Taken) => void
}

/** What each instrument that is switched on shows, by its driver. */
function useShown(drivers: readonly Driver[], off: readonly string[]) {
  const shown = shallowRef<ReadonlyMap<string, Shown>>(new Map())
  const stops = new Map<string, () => void>()
  function keep(id: string, now: Shown | null) {
    const next = new Map(shown.value)
    if (now) next.set(id, now)
    else next.delete(id)
    shown.value = next
  }
  function use(id: string, on: boolean) {
    const driver = drivers.find((one) => one.id === id)
    stops.get(id)?.()
    stops.delete(id)
    keep(id, null)
    if (on && driver)
      stops.set(
        id,
        driver.subscribe((now) => keep(id, now)),
      )
  }
  for (const { id } of drivers) if (!off.includes(id)) use(id, true)
  onScopeDispose(() => stops.forEach((stop) => stop()))
  return { shown, use }
}

type Calibrated = EntryOf<'calibrate'>

/** How a calibration stands beside the name of its meter: "calibrated 2 h ago", "not accepted in its buffers". */
export const calibrationWords = ({ accepted, at }: Pick<Calibrated, 'accepted' | 'at'>, nowMs: number): string =>
  accepted ? calibrationAge(Date.parse(at), nowMs).words : 'not accepted in its buffers'

/** What stands beside a pH that was read with a calibrated meter. */
export const calibratedMeter = ({ meter, accepted, at, slopePct, offsetMv }: Calibrated): Instrument => ({
  ...{ name: meter, kind: 'meter', steady: true },
  ...(accepted
    ? { calibratedAt: at, slopePct: Math.round(slopePct * 10) / 10, offsetMv: Math.round(offsetMv * 10) / 10 }
    : { failed: true }),
})

/** What the log knows of the meters. */
function useCalibrations() {
  const book = useBook()
  /** The last calibration of each meter, as the log has it: its word counts before what a meter remembers of itself. */
  const calibrations = computed(() => {
    const newest = new Map<string, Calibrated>()
    for (const entry of book.folded?.meterChecks ?? []) if (entry.kind === 'calibrate') newest.set(entry.meter, entry)
    return newest
  })
  function asLogged(now: Shown): Shown {
    const entry = calibrations.value.get(now.instrument.name)
    if (now.kind !== 'ph' || !entry) return now
    const slope = entry.accepted ? `, slope ${formatNumber(entry.slopePct)} %` : ''
    return {
      ...now,
      note: `${calibrationWords(entry, book.nowMs)}${slope}`,
      instrument: { ...calibratedMeter(entry), steady: now.steady, simulated: true },
    }
  }
  return { calibrations, asLogged }
}

/** The live instruments and the field that would take their reading. A lost stream is shown and never blocks typing. */
export const useInstruments = defineStore('instruments', () => {
  const preferences = usePreferences()
  const book = useBook()
  /** Instruments are simulated in the demo and in practice: a log of one's own is never told what is invented. */
  const simulates = computed(() => inPractice || book.hasDemo)
  const { bench, drivers, off } = openInstruments(simulates, (grams) => formatMass(grams, preferences.world))
  const { shown, use } = useShown(drivers, off)
  const { calibrations, asLogged } = useCalibrations()
  const taker = shallowRef<Taker | null>(null)

  /** What the maker has of them: nothing is shown, or taken, of an instrument that is not there. */
  const has = computed(() => ({ scale: preferences.kit.scale, meter: isMeter(preferences.kit) }))
  const isThere = (kind: QuantityKind) => (kind !== 'mass' || has.value.scale) && (kind !== 'ph' || has.value.meter)
  /** Those on the strip, with what they show. */
  const strip = computed(() =>
    (simulates.value ? drivers : []).flatMap(({ id, name }) => {
      const now = shown.value.get(id)
      return now && isThere(now.kind) ? [{ id, name, ...asLogged(now) }] : []
    }),
  )
  /** The instrument of a kind: of several the one that was put there last. */
  const ofKind = (kind: QuantityKind) => strip.value.findLast((one) => one.kind === kind)

  /** The reading for a kind of field, or `null` when no instrument gives it now. */
  function reading(kind: QuantityKind): Taken | null {
    const now = ofKind(kind)
    if (!now || now.value === null) return null
    return { value: kind === 'mass' ? Math.max(0, now.value) : now.value, instrument: now.instrument }
  }
  /** Puts the reading into the field that was last in use. */
  function take(): void {
    const target = taker.value
    const taken = target && reading(target.kind)
    if (target && taken) target.take(taken)
  }
  /** Sets the scale in use to zero. */
  async function tare(): Promise<void> {
    const scale = drivers.find(({ id }) => id === ofKind('mass')?.id)
    await scale?.tare?.()
  }

  /** Whether the dialog for two buffers is open; it is opened from wherever a pH is read. */
  const calibrating = shallowRef(false)
  const forget = (id: string) => {
    if (taker.value?.id === id) taker.value = null
  }
  return {
    simulates,
    ...{ state: bench.state, connected: bench.connected, problem: bench.problem, command: bench.command },
    ...{ calibrations, has, strip, use, taker, reading, take, tare, calibrating, forget },
    focus: (next: Taker) => (taker.value = next),
  }
})
