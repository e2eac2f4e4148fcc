import { computed } from 'vue'
import { saveForms } from './useDraft'

/** A newer Lactofer that waits, and taking it: never by itself, and never over a form that was begun. */
export function useUpdate() {
  const { $pwa } = useNuxtApp()
  return {
    waits: computed(() => $pwa?.needRefresh ?? false),
    async take() {
      await saveForms()
      await $pwa?.updateServiceWorker(true)
    },
    later: () => $pwa?.cancelPrompt(),
  }
}
