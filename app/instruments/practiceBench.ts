import { useIntervalFn } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { BenchSimulator, luckOf, type BenchCommand, type BenchState } from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import type { KeptRun } from '~/db/practice'
import type { Wire } from './driver'

/* The bench of the practice loft: the same instruments, simulated in this page, with the exercise's own meter. */

/** It is read so often, ms; it settles so many times faster than a real one, and drifts so much less an hour. */
const EVERY_MS = 250
const PACE = 4
const DRIFT = 0.02
/** A meter that is off was last calibrated so long ago, h. */
const LONG_AGO_H = 2200

/** @param run what is practised. */
export function practiceBench({ exercise, seed }: KeptRun): Wire {
  const { low, high } = exercise.meterOff ?? { low: 0, high: 0 }
  const offPh = luckOf(seed).between('meter', low, high)
  const simulator = new BenchSimulator(nowMs(), seed % 2 ** 30, {
    ...{ pace: PACE, drift: DRIFT, offPh },
    ...(exercise.meterOff && { agedH: LONG_AGO_H }),
  })
  const state = shallowRef<BenchState | null>(simulator.read())
  const show = () => {
    simulator.run(nowMs())
    state.value = simulator.read()
  }
  useIntervalFn(show, EVERY_MS)
  return {
    state,
    connected: computed(() => true),
    problem: shallowRef<string | null>(null),
    command(order: BenchCommand): Promise<void> {
      simulator.run(nowMs())
      simulator.obey(order)
      show()
      return Promise.resolve()
    },
  }
}
