import { computed, ref, watch } from 'vue'
import { useLink } from '~/stores/link'

/** So many letters a device's name may have. */
const MOST = 40

/** What this device is to be called, as somebody types it. */
export function useDeviceName() {
  const link = useLink()
  const name = ref(link.device?.name ?? link.usualName())
  watch(
    () => link.device?.name,
    (kept) => kept !== undefined && (name.value = kept),
  )
  /** Empty where it cannot be its name. */
  const called = computed(() => (name.value.trim().length <= MOST ? name.value.trim() : ''))
  const problem = computed(() =>
    called.value ? null : `A name of 1 to ${MOST} letters tells this device from the others.`,
  )
  return { name, called, problem }
}
