import { shallowRef } from 'vue'
import { OUNCE_G, SECOND_MS } from '@lactofer/core'
import type { Driver, Shown } from './driver'

/* A simulated scale of another make: it counts in ounces, tells once a second, and drops out now and then. */

/** It tells so often, and shows steps of so many ounces. */
const EVERY_MS = SECOND_MS
const STEP_OZ = 0.05
/** After so many readings it is away for so many: the wireless ones do that. */
const TELLS = 25
const AWAY = 3

/** @param loadG what stands on it, g; `null` while nobody knows. */
export function openKitchenScale(loadG: () => number | null): Driver {
  const tareOz = shallowRef(0)
  const ouncesNow = () => (loadG() ?? 0) / OUNCE_G
  return {
    ...{ id: 'kitchen scale', name: 'Kitchen scale', kinds: ['mass'] },
    subscribe(show) {
      let told = 0
      let lastOz = Number.NaN
      const tell = () => {
        const away = told++ % (TELLS + AWAY) >= TELLS
        const ounces = ouncesNow()
        const steady = Math.abs(ounces - lastOz) < STEP_OZ
        lastOz = ounces
        const shown = Math.round((ounces - tareOz.value) / STEP_OZ) * STEP_OZ
        const value = away || loadG() === null ? null : shown * OUNCE_G
        const note = value === null ? 'dropped out' : `tare ${tareOz.value.toFixed(1)} oz`
        show({
          kind: 'mass',
          value,
          steady,
          note,
          instrument: { name: 'kitchen scale', steady, simulated: true },
        } satisfies Shown)
      }
      tell()
      const timer = setInterval(tell, EVERY_MS)
      return () => clearInterval(timer)
    },
    tare() {
      tareOz.value = ouncesNow()
      return Promise.resolve()
    },
  }
}
