import { useEventSource } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { z } from 'zod'
import {
  BenchStateSchema,
  isMeter,
  type BenchCommand,
  type BenchState,
  type Instrument,
  type QuantityKind,
} from '@lactofer/core'
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

/** What the stream sends: JSON that must be a bench's state. */
const SentSchema = z
  .string()
  .transform((text, context) => {
    try {
      return JSON.parse(text) as unknown
    } catch {
      context.addIssue({ code: 'custom', message: 'not JSON' })
      return z.NEVER
    }
  })
  .pipe(BenchStateSchema)

/** What the instruments show for a kind of field, or `null` when none of them gives it now. */
function takenFrom({ scale, ph, thermometer }: BenchState, kind: QuantityKind): Taken | null {
  if (kind === 'mass' && scale.value !== null)
    return { value: Math.max(0, scale.value), instrument: { name: 'bench scale', steady: scale.steady } }
  if (kind === 'temperature' && thermometer.value !== null)
    return { value: thermometer.value, instrument: { name: 'thermometer', steady: thermometer.steady } }
  if (kind !== 'ph' || ph.value === null) return null
  const { steady, calibratedAt, slopePct } = ph
  return { value: ph.value, instrument: { name: 'pH meter', kind: 'meter', steady, calibratedAt, slopePct } }
}

/** The live instruments and the field that would take their reading. A lost stream is shown and never blocks typing. */
export const useInstruments = defineStore('instruments', () => {
  const source = useEventSource('/api/bench/stream', [], { autoReconnect: { retries: -1, delay: 2000 } })
  const state = shallowRef<BenchState | null>(null)
  const taker = shallowRef<Taker | null>(null)
  const problem = shallowRef<string | null>(null)

  watch(source.data, (text) => {
    if (!text) return
    const parsed = SentSchema.safeParse(text)
    state.value = parsed.success ? parsed.data : null
    problem.value = parsed.success ? null : 'The instruments sent something unreadable. Type the values.'
  })
  const connected = computed(() => source.status.value === 'OPEN' && state.value !== null)

  const preferences = usePreferences()
  /** What the maker has of them: nothing is shown, or taken, of an instrument that is not there. */
  const has = computed(() => ({ scale: preferences.kit.scale, meter: isMeter(preferences.kit) }))
  /** The reading for a kind of field, or `null` when no instrument gives it now. */
  function reading(kind: QuantityKind): Taken | null {
    const missing = (kind === 'mass' && !has.value.scale) || (kind === 'ph' && !has.value.meter)
    return connected.value && state.value && !missing ? takenFrom(state.value, kind) : null
  }

  /** Puts the reading into the field that was last in use. */
  function take(): void {
    const target = taker.value
    const taken = target && reading(target.kind)
    if (target && taken) target.take(taken)
  }

  /** Asks something of the simulated bench; says in words when it cannot. */
  async function command(order: BenchCommand): Promise<void> {
    problem.value = null
    try {
      await $fetch('/api/bench/command', { method: 'POST', body: order })
    } catch {
      problem.value = 'The bench did not take that. Is the server running?'
    }
  }

  /** Whether the dialog for two buffers is open; it is opened from wherever a pH is read. */
  const calibrating = shallowRef(false)
  const forget = (id: string) => {
    if (taker.value?.id === id) taker.value = null
  }
  return {
    state,
    connected,
    has,
    calibrating,
    taker,
    problem,
    reading,
    take,
    command,
    forget,
    focus: (next: Taker) => (taker.value = next),
  }
})
