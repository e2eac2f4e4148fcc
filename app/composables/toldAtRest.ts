import { shallowRef, watch, type ShallowRef } from 'vue'
import { atRest } from '~/clock/breathe'

/**
 * What is told of all of a long log, and may come a moment later: once what was just written is drawn, and the page
 * has nothing else to do. Until then what was told before stands.
 * @param of what it is told of; another one each time it changed. @param first before anything was told.
 */
export function toldAtRest<S, T>(of: () => S, tell: (of: S) => T, first: T): Readonly<ShallowRef<T>> {
  const told = shallowRef(first)
  watch(
    of,
    async (now) => {
      await atRest()
      if (of() === now) told.value = tell(now)
    },
    { immediate: true },
  )
  return told
}
