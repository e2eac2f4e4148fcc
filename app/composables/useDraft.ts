import { useEventListener, watchDebounced } from '@vueuse/core'
import { onScopeDispose, ref, type Ref } from 'vue'
import type { z } from '@lactofer/core'
import { readDraft, writeDraft } from '~/db/forms'
import { keepUnsaved, takeUnsaved } from '~/db/unsaved'

/** Forms that are open. */
const open = new Set<() => Promise<void>>()
/** Writes every open form down: before the page steps aside. */
export const saveForms = (): Promise<unknown> => Promise.all([...open].map((write) => write()))

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other)
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The fields of a form that are not as it began. */
const changedFields = <T>(fresh: T, now: T): Partial<T> =>
  isRecord(fresh) && isRecord(now)
    ? (Object.fromEntries(Object.entries(now).filter(([key, value]) => !same(value, fresh[key]))) as Partial<T>)
    : {}

/**
 * What was stored together with what was typed before it was read back: field by field, what was stored counts, and
 * what is as it was at the start gives way to what was typed meanwhile.
 */
function together<T>(fresh: T, typed: T, stored: T): T {
  if (!isRecord(fresh) || !isRecord(typed) || !isRecord(stored)) return same(stored, fresh) ? typed : stored
  const meanwhile = Object.entries(typed).filter(([key]) => same(stored[key], fresh[key]))
  return { ...stored, ...Object.fromEntries(meanwhile) }
}

/**
 * A form's state that outlives the browser: read back when the page opens, written as it changes.
 * A stored draft that no longer fits its schema is left alone and the form starts fresh: it is there until something is
 * typed.
 */
export function useDraft<T>(
  key: string,
  schema: z.ZodType<T>,
  fresh: () => T,
): { draft: Ref<T>; reset: () => void; save: () => Promise<void>; loaded: Promise<Partial<T>> } {
  const draft = ref(fresh()) as Ref<T>
  const begun = JSON.stringify(draft.value)
  let read = false
  /** As the journal has it. */
  let kept = ''
  /** @param anew whatever another tab has written meanwhile. */
  async function write(anew = false) {
    if (!read) return
    const text = JSON.stringify(draft.value)
    // What nobody touched is not written over what is there: it may not have been understood, or be another tab's.
    if (text === kept && !anew) return
    // Where nothing can be kept, the frame says so; what was typed stands as long as the page does.
    if (await writeDraft(key, text)) kept = text
  }
  const last = takeUnsaved(key)
  // Resolves to what was typed before it was read back: a page that then puts something else in its place keeps that.
  const loaded = readDraft(key).then((stored) => {
    const parsed = schema.safeParse(last ?? stored)
    const typed = changedFields(JSON.parse(begun) as T, draft.value)
    if (parsed.success) draft.value = together(JSON.parse(begun) as T, draft.value, parsed.data)
    if (last === undefined) kept = parsed.success ? JSON.stringify(parsed.data) : begun
    read = true
    void write()
    return typed
  })
  watchDebounced(draft, () => write(), { deep: true, debounce: 150, maxWait: 500 })
  const writeDown = () => write()
  const save = () => write(true)
  open.add(writeDown)
  onScopeDispose(() => {
    open.delete(writeDown)
    void write()
  })
  useEventListener(window, 'pagehide', () => {
    const text = JSON.stringify(draft.value)
    if (read && text !== kept) keepUnsaved(key, text)
  })
  /** Starts over, and says so to the journal at once: what was cleared must not come back. */
  function reset() {
    draft.value = fresh()
    void save()
  }
  // `save` writes it at once, for a page that reads it next.
  return { draft, loaded, reset, save }
}
