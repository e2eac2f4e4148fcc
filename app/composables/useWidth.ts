import { ref, type Ref } from 'vue'
import { useResizeObserver, type MaybeComputedElementRef } from '@vueuse/core'

/** How wide each kind of element was last. */
const lastPx = new Map<string, number>()

/**
 * How wide an element is inside, px: told once the browser has laid it out, so that nothing is laid out for it.
 * @param kind what it is; before it is laid out it is taken to be as wide as the last one of its kind, 0 for the first.
 */
export function useWidth(kind: string, element: MaybeComputedElementRef): Readonly<Ref<number>> {
  const width = ref(lastPx.get(kind) ?? 0)
  useResizeObserver(element, ([entry]) => {
    if (!entry) return
    width.value = entry.contentRect.width
    lastPx.set(kind, width.value)
  })
  return width
}
