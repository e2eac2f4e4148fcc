import type { Ref } from 'vue'
import { openBench } from './bench'
import type { Bench, Driver } from './driver'
import { openKitchenScale } from './kitchenScale'

/** Every instrument there is, in the order of the strip; those in `off` wait until somebody switches them on. */
export function openInstruments(
  simulates: Ref<boolean>,
  massWords: (grams: number) => string,
): {
  bench: Bench
  drivers: readonly Driver[]
  off: readonly string[]
} {
  const bench = openBench(simulates, massWords)
  const loadG = () => {
    const scale = bench.connected.value ? bench.state.value?.scale : undefined
    return scale?.value === undefined || scale.value === null ? null : scale.value + scale.tareG
  }
  const kitchen = openKitchenScale(loadG)
  return { bench, drivers: [...bench.drivers, kitchen], off: [kitchen.id] }
}
