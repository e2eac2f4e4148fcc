import { computed, ref } from 'vue'
import { useEventListener, useMediaQuery } from '@vueuse/core'

/** Whether the page is on its way to paper: what is made for paper only is not drawn before. */
export function usePrinting() {
  const onPaper = useMediaQuery('print')
  const called = ref(false)
  useEventListener(window, 'beforeprint', () => (called.value = true))
  useEventListener(window, 'afterprint', () => (called.value = false))
  return computed(() => onPaper.value || called.value)
}
