import { computed, nextTick, ref, type Ref } from 'vue'
import type { z, Draft } from '@lactofer/core'
import { leadToProblem } from './leadToProblem'
import { useDraft } from './useDraft'
import { useRecorder } from './useRecorder'

/** What is wrong with a form, by the place where it is said; `null` where nothing is. */
export type Problems<Place extends string = string> = Record<Place, string | null>

/** What is filled in, and how it is begun anew. */
type Held<T> = ReturnType<typeof useDraft<T>>

/** What a form is made of. */
interface FormParts<T, P extends Problems> {
  /** What it holds when it is opened or begun anew; or what a page that shows more than the form holds already. */
  fresh: (() => T) | Held<T>
  /** Its shape, and the name under which it outlives page and browser. Without, it lives as long as it is shown. */
  keep?: { key: string; schema: z.ZodType<T> }
  /** What keeps it from being recorded. It may read anything; nothing is said of it before somebody asked. */
  problems: () => P
  /** What is still there when it could not be written to the log. */
  kept?: string
}

/** A form that lives as long as it is shown. */
function shortLived<T>(fresh: () => T): Held<T> {
  const draft = ref(fresh()) as Ref<T>
  return { draft, reset: () => void (draft.value = fresh()), save: async () => {}, loaded: Promise.resolve({}) }
}
function hold<T>(fresh: FormParts<T, Problems>['fresh'], keep: FormParts<T, Problems>['keep']): Held<T> {
  if (typeof fresh !== 'function') return fresh
  return keep ? useDraft(keep.key, keep.schema, fresh) : shortLived(fresh)
}

/**
 * A form on its way into the log: what it holds, what is wrong with it, beside which field that is said and when, and
 * the one way it is recorded. Nothing is said before the maker asked for it; then the first field that says what is
 * wrong is led to, and nothing is recorded. What could not be written stays as it was typed.
 */
export function useForm<T, P extends Problems>({ fresh, keep, problems: judge, kept }: FormParts<T, P>) {
  const { draft: form, reset: clear, save, loaded } = hold(fresh, keep)
  const { busy, record, written } = useRecorder(kept)
  /** Somebody wanted to record it: from then on it says what is wrong. */
  const asked = ref(false)
  const problems = computed(judge)
  /** What is said of it now, beside its fields. */
  const shown = computed((): Partial<P> => (asked.value ? problems.value : {}))
  /** The first of it, where a form says it in one place. */
  const problem = computed(() => Object.values(shown.value).find(Boolean) ?? null)

  /** A field that could not be read said so itself when it was to be recorded. */
  const marked = ref(false)

  /** Whether it may be recorded; where not, leads to what is wrong. */
  async function ready(event: Event): Promise<boolean> {
    const place = (event.currentTarget as HTMLElement | null)?.closest('form') ?? null
    asked.value = true
    await nextTick()
    marked.value = leadToProblem(place)
    return !marked.value && problem.value === null
  }
  /** Records what it comes to, where nothing is wrong. @returns whether it is in the log. */
  async function confirm(event: Event, drafts: () => readonly Draft[] | null): Promise<boolean> {
    if (!(await ready(event))) return false
    const made = drafts()
    return made !== null && (await record(...made))
  }
  /** Begins it anew. */
  function reset() {
    asked.value = marked.value = false
    clear()
  }
  return {
    ...{ form, asked, problems, shown, problem, marked, loaded, save, reset },
    ...{ busy, written, ready, confirm, record },
  }
}
