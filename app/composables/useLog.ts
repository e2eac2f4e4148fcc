import { until, watchDebounced } from '@vueuse/core'
import { computed, shallowRef, watch, type Ref } from 'vue'
import { DAY_MS, holds, openLedger, type Book, type Entry, type NewerEntry } from '@lactofer/core'
import { breathe, slice } from '~/clock/breathe'
import { nowMs } from '~/clock/clock'
import { allEntries, allNewer, bindOld, lacksCheckpoint, logStart } from '~/db/journal'
import { makeCheckpoint } from '~/workers/archiver'
import { useLiveQuery } from './useLiveQuery'

/** A log rests when nothing was added for so long, ms. */
const REST_MS = 4000
/** More than this ahead of the device's clock nothing is counted. Judgement: zones and night shifts fit in. */
const AHEAD_MS = DAY_MS
/** So many entries are taken in at once while the rest of a log is read. */
const SOME = 1000
/** Nothing of a newer version: the same nothing each time. */
const NO_NEWER: readonly NewerEntry[] = []
const EMPTY: readonly Entry[] = []

/** Where a log begins: its open lots and what they rest on; `null` where it has no such start, or it does not hold. */
function useStart(newer: Ref<readonly NewerEntry[] | undefined>, whole: Ref<boolean>) {
  const { value: start, error } = useLiveQuery(logStart, () => !whole.value)
  const ledger = openLedger()
  const book = computed((): Book | null | undefined => {
    // One that cannot be asked for is none: what is wrong with the log itself is told where all of it is read.
    if (error.value) return null
    if (!start.value) return start.value
    const { checkpoint, beside } = start.value
    const { remembered } = checkpoint
    const options = { untilMs: nowMs() + AHEAD_MS, newer: newer.value ?? NO_NEWER, remembered }
    const begun = ledger.follow([...checkpoint.entries, ...beside], options)
    return holds(checkpoint, begun, beside) ? begun : null
  })
  return { start, book }
}

/**
 * Binds the oldest entries and keeps a checkpoint, whenever the log rests. What fails is tried at its next rest.
 * @param gaveWay the start there was did not hold.
 */
function useTidying(all: Ref<readonly Entry[] | undefined>, whole: Ref<boolean>, gaveWay: Ref<boolean>) {
  async function tidy(): Promise<void> {
    if (!whole.value) return
    // Both change how the log is kept, not what is in it.
    await bindOld()
    if (!gaveWay.value && !(await lacksCheckpoint())) return
    gaveWay.value = false
    await makeCheckpoint(nowMs() + AHEAD_MS)
  }
  watchDebounced([all, whole], () => void tidy().catch(() => undefined), { debounce: REST_MS })
}

/**
 * The log as the journal has it, folded for now: what is dated later is set aside, and taken in when its time comes. A
 * long one begins with its open lots; the whole of it is read when asked for, in slices while a page is shown.
 * @param problem the store cannot be used. Planning and calculating work all the same, on an empty log.
 */
export function useLog(problem: () => boolean) {
  const asked = shallowRef(false)
  /** Whether the book is that of the whole log. */
  const whole = shallowRef(false)
  const { value: newer } = useLiveQuery(allNewer)
  const { start, book: begun } = useStart(newer, whole)
  const { value: kept, error } = useLiveQuery(allEntries, asked)
  const all = computed(() => kept.value ?? (problem() ? EMPTY : undefined))
  const ledger = openLedger()
  const due = shallowRef(0)
  const follow = (entries: readonly Entry[]) =>
    ledger.follow(entries, { untilMs: nowMs() + AHEAD_MS, newer: newer.value ?? NO_NEWER })
  const book = computed(() => {
    void due.value
    return (whole.value ? null : begun.value) ?? follow(whole.value ? (all.value ?? EMPTY) : EMPTY)
  })

  /** Reads the whole log. @param shown a page is shown from its start, and must answer meanwhile. */
  async function open(shown: boolean): Promise<void> {
    if (asked.value) return
    asked.value = true
    await until(all).toBeTruthy()
    const share = slice()
    for (let count = SOME; shown && begun.value && count < all.value!.length; count += SOME) {
      follow(all.value!.slice(0, count))
      if (!share.over()) continue
      await breathe()
      share.begin()
    }
    whole.value = true
  }
  const gaveWay = shallowRef(false)
  watch(
    begun,
    (at) => {
      if (at !== null) return
      gaveWay.value = !!start.value
      void open(false)
    },
    { immediate: true },
  )
  useTidying(all, whole, gaveWay)
  // Where nothing can be kept nothing is waited for.
  watch(problem, (is) => is && void open(false), { immediate: true })

  return {
    ...{ book, whole, open, error },
    /** All entries, once the whole log is there. */
    entries: computed(() => (whole.value ? all.value : undefined)),
    /** There is something to show: the start of the log, or all of it. */
    there: computed(() => whole.value || !!begun.value),
    /** Changes with every entry. */
    changed: computed(() => [start.value, all.value]),
    /** Takes in what was set aside and is due. */
    takeDue(atMs: number) {
      if (book.value.ahead.some(({ at }) => Date.parse(at) <= atMs + AHEAD_MS)) due.value++
    },
  }
}
