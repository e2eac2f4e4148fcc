import { watchDebounced } from '@vueuse/core'
import { onScopeDispose, ref, type Ref } from 'vue'
import type { z } from 'zod'
import { journal } from '~/db/journal'

/**
 * A form's state that outlives the browser: read back when the page opens, written as it changes.
 * A stored draft that no longer fits its schema is left alone and the form starts fresh.
 */
export function useDraft<T>(key: string, schema: z.ZodType<T>, fresh: () => T): { draft: Ref<T>, reset: () => void, save: () => Promise<unknown>, loaded: Promise<void> } {
  const draft = ref(fresh()) as Ref<T>
  let read = false
  const write = () => read ? journal.drafts.put({ key, value: JSON.parse(JSON.stringify(draft.value)) }) : undefined
  const loaded = journal.drafts.get(key).then((stored) => {
    const parsed = stored && schema.safeParse(stored.value)
    if (parsed?.success) draft.value = parsed.data
    read = true
  })
  watchDebounced(draft, write, { deep: true, debounce: 150, maxWait: 500 })
  onScopeDispose(() => void write())
  /** Starts over, and says so to the journal at once: what was cleared must not come back. */
  function reset() {
    draft.value = fresh()
    void write()
  }
  /** Writes it at once, for a page that reads it next. */
  const save = async () => write()
  return { draft, loaded, reset, save }
}
