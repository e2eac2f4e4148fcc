import { useIntervalFn } from '@vueuse/core'
import { readonly, ref, shallowRef, watch, type Ref, type WatchSource } from 'vue'
import { momentOf } from '@lactofer/core'

/*
 * The one clock of the application. Nothing else asks the device for the date: whoever sets another clock,
 * a test, a turned clock or a practice world, moves everything alike.
 */

/** Tells what time it is, ms since the epoch. */
export type Clock = () => number

/** The device's own clock. */
export const deviceClock: Clock = () => Date.now()

/** A clock that runs like another one, so many ms ahead of it (behind, where below zero). */
export const turnedClock =
  (byMs: number, under: Clock = deviceClock): Clock =>
  () =>
    under() + byMs

const clock = shallowRef<Clock>(deviceClock)

/** Puts another clock in place, for everything from now on. Returns how to put the one before back. */
export function setClock(next: Clock): () => void {
  const before = clock.value
  clock.value = next
  return () => void (clock.value = before)
}

/** Now, ms since the epoch. */
export const nowMs = (): number => clock.value()

/** Now, as entries carry it. */
export const nowMoment = (): string => momentOf(nowMs())

/**
 * Now as a page shows it: follows the clock every so often, and at once when another clock is set or what is watched
 * changes (a fact just written is never in the page's future). For a component or a store.
 */
export function useNowMs(everyMs: number, watched?: WatchSource): Readonly<Ref<number>> {
  const now = ref(nowMs())
  const look = () => void (now.value = nowMs())
  useIntervalFn(look, everyMs)
  watch(watched ? [clock, watched] : clock, look, { flush: 'sync' })
  return readonly(now)
}
