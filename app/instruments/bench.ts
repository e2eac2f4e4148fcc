import { useEventSource } from '@vueuse/core'
import { computed, shallowRef, watch, type Ref } from 'vue'
import { z } from '@lactofer/core'
import { BenchStateSchema, calibrationAge, formatNumber, type BenchCommand, type BenchState } from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { inPractice } from '~/db/loft'
import { keptRun, type KeptRun } from '~/db/practice'
import type { Bench, Driver, Shown, Wire } from './driver'

/* The simulated bench of the server: a scale, a pH meter, a thermometer and probes on one stream. */

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

function scaleOf({ scale }: BenchState, massWords: (grams: number) => string): Shown {
  const { value, steady, tareG } = scale
  const instrument = { name: 'bench scale', steady, simulated: true }
  return {
    kind: 'mass',
    value: value === null ? null : Math.max(0, value),
    steady,
    note: `tare ${massWords(tareG)}`,
    instrument,
  }
}
function meterOf({ ph }: BenchState): Shown {
  const { value, steady, calibratedAt, slopePct } = ph
  const note = `${calibrationAge(Date.parse(calibratedAt), nowMs()).words}, slope ${formatNumber(slopePct)} %`
  return {
    kind: 'ph',
    value,
    steady,
    note,
    instrument: { name: 'pH meter', kind: 'meter', steady, calibratedAt, slopePct, simulated: true },
  }
}
function thermometerOf({ thermometer }: BenchState): Shown {
  const { value, steady, sample } = thermometer
  const note = sample ? `in ${sample}` : 'in the room'
  return { kind: 'temperature', value, steady, note, instrument: { name: 'thermometer', steady, simulated: true } }
}

/** The stream of the server's bench, for as long as it may be simulated. */
function serverWire(simulates: Ref<boolean>): Wire {
  const url = computed(() => (simulates.value ? '/api/bench/stream' : undefined))
  const source = useEventSource(url, [], { autoReconnect: { retries: -1, delay: 2000 } })
  const state = shallowRef<BenchState | null>(null)
  const problem = shallowRef<string | null>(null)
  watch(source.data, (text) => {
    if (!text) return
    const parsed = SentSchema.safeParse(text)
    state.value = parsed.success ? parsed.data : null
    problem.value = parsed.success ? null : 'The instruments sent something unreadable. Type the values.'
  })
  const connected = computed(() => source.status.value === 'OPEN' && state.value !== null)
  /** Asks something of the simulated bench; says in words when it cannot. */
  async function command(order: BenchCommand): Promise<void> {
    problem.value = null
    try {
      await $fetch('/api/bench/command', { method: 'POST', body: order })
    } catch {
      problem.value = 'The bench did not take that. Is the server running?'
    }
  }
  return { state, connected, problem, command }
}

/** The bench of the practice loft, fetched where it is wanted. */
function practiceWire(run: KeptRun): Wire {
  const state = shallowRef<BenchState | null>(null)
  const problem = shallowRef<string | null>(null)
  const there = import('./practiceBench').then(({ practiceBench }) => {
    const bench = practiceBench(run)
    watch(bench.state, (now) => (state.value = now), { immediate: true })
    return bench
  })
  there.catch(() => (problem.value = 'The instruments could not be loaded. Type the values.'))
  const command = async (order: BenchCommand) => (await there).command(order)
  return { state, connected: computed(() => state.value !== null), problem, command }
}

/**
 * Opens the bench, for as long as the store lives.
 * @param simulates whether invented values may be shown. @param massWords a mass in the maker's world.
 */
export function openBench(simulates: Ref<boolean>, massWords: (grams: number) => string): Bench {
  const run = inPractice ? keptRun() : null
  const wire = run ? practiceWire(run) : serverWire(simulates)
  const { state, connected, command } = wire
  const showing =
    (of: (now: BenchState) => Shown): Driver['subscribe'] =>
    (show) =>
      watch([state, connected], () => show(connected.value && state.value ? of(state.value) : null), {
        immediate: true,
        flush: 'sync',
      })
  const drivers: Driver[] = [
    {
      ...{ id: 'scale', name: 'Scale', kinds: ['mass'] },
      subscribe: showing((now) => scaleOf(now, massWords)),
      tare: () => command({ do: 'tare' }),
    },
    { id: 'ph', name: 'pH meter', kinds: ['ph'], subscribe: showing(meterOf) },
    { id: 'thermometer', name: 'Thermometer', kinds: ['temperature'], subscribe: showing(thermometerOf) },
  ]
  return { ...wire, drivers }
}
