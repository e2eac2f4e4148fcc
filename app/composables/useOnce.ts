import { readonly, ref, watch, type Ref, type WatchSource } from 'vue'

/** Whether something was ever so: a dialog is fetched when it is first opened, and stays, so that it can close. */
export function useOnce(source: WatchSource<boolean>): Readonly<Ref<boolean>> {
  const once = ref(false)
  watch(source, (now) => (once.value ||= now), { immediate: true, flush: 'sync' })
  return readonly(once)
}
