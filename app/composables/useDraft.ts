import { useEventListener, watchDebounced } from '@vueuse/core'
import { onScopeDispose, ref, type Ref } from 'vue'
import type { z } from 'zod'
import { journal } from '~/db/journal'
import { keepLast, takeLast } from '~/db/lastWords'

/**
 * A form's state that outlives the browser: read back when the page opens, written as it changes.
 * A stored draft that no longer fits its schema is left alone and the form starts fresh.
 */
export function useDraft<T>(
  key: string,
  schema: z.ZodType<T>,
  fresh: () => T,
): { draft: Ref<T>; reset: () => void; save: () => Promise<void>; loaded: Promise<void> } {
  const draft = ref(fresh()) as Ref<T>
  let read = false
  /** As the journal has it. */
  let kept = ''
  async function write() {
    if (!read) return
    const text = JSON.stringify(draft.value)
    await journal.drafts.put({ key, value: JSON.parse(text) })
    kept = text
  }
  const last = takeLast(key)
  const loaded = journal.drafts.get(key).then((stored) => {
    const parsed = schema.safeParse(last ?? stored?.value)
    if (parsed.success) draft.value = parsed.data
    if (last === undefined) kept = JSON.stringify(draft.value)
    read = true
  })
  watchDebounced(draft, write, { deep: true, debounce: 150, maxWait: 500 })
  onScopeDispose(() => void write())
  useEventListener(window, 'pagehide', () => {
    const text = JSON.stringify(draft.value)
    if (read && text !== kept) keepLast(key, text)
  })
  /** Starts over, and says so to the journal at once: what was cleared must not come back. */
  function reset() {
    draft.value = fresh()
    void write()
  }
  // `save` writes it at once, for a page that reads it next.
  return { draft, loaded, reset, save: write }
}
