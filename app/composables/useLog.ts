import { until, watchDebounced } from '@vueuse/core'
import { computed, onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import { DAY_MS, type Book, type Entry, type Ledger, type NewerEntry } from '@lactofer/core'
import { breathe, slice } from '~/clock/breathe'
import { nowMs } from '~/clock/clock'
import { inPractice } from '~/db/loft'
import { noteEntries } from '~/db/hadEntries'
import { allEntries, allNewer, bindOld, onAppend } from '~/db/journal'
import { lacksCheckpoint, logStart } from '~/db/logStart'
import { fetchRules, hasRules, rules } from '~/rules/rules'
import { makeCheckpoint } from '~/workers/archiver'
import { useLiveQuery } from './useLiveQuery'

/** A log rests when nothing was added for so long, ms. */
const REST_MS = 4000
/** More than this ahead of the device's clock nothing is counted. Judgement: zones and night shifts fit in. */
const AHEAD_MS = DAY_MS
/** More entries than these are not followed at once, but taken in step by step. */
const SOME = 500
/** Nothing of a newer version: the same nothing each time. */
const NO_NEWER: readonly NewerEntry[] = []
const EMPTY: readonly Entry[] = []

/** A ledger, opened when there is something to follow. */
function lateLedger(): () => Ledger {
  let ledger: Ledger | undefined
  return () => (ledger ??= rules().openLedger())
}

/** All entries the journal has, once they are asked for; what this page appended is there before it is read back. */
function useEntries(asked: Ref<boolean>) {
  const { value: read, error } = useLiveQuery(allEntries, asked)
  const appended = shallowRef<{ entry: Entry; since: readonly Entry[] | undefined }[]>([])
  /** Those that what was read does not hold: mostly the newest of all. */
  const ahead = () =>
    appended.value.filter(
      ({ entry, since }) => read.value === since || !read.value?.findLast(({ id }) => id === entry.id),
    )
  const tell = (entries: readonly Entry[]) =>
    void (appended.value = [...ahead(), ...entries.map((entry) => ({ entry, since: read.value }))])
  onScopeDispose(onAppend(tell))
  const kept = computed(() => read.value?.concat(ahead().map(({ entry }) => entry)))
  return { kept, error }
}

/** Where a log begins: its open lots and what they rest on; `null` where it has no such start, or it does not hold. */
function useStart(newer: Ref<readonly NewerEntry[] | undefined>, whole: Ref<boolean>) {
  const { value: start, error } = useLiveQuery(logStart, () => !whole.value)
  const ledger = lateLedger()
  const book = computed((): Book | null | undefined => {
    // One that cannot be asked for is none: what is wrong with the log itself is told where all of it is read.
    if (error.value) return null
    if (!start.value) return start.value
    if (!hasRules()) return undefined
    const { checkpoint, beside } = start.value
    const { remembered } = checkpoint
    const options = { untilMs: nowMs() + AHEAD_MS, newer: newer.value ?? NO_NEWER, remembered }
    const begun = ledger().follow([...checkpoint.entries, ...beside], options)
    return rules().holds(checkpoint, begun, beside) ? begun : null
  })
  return { start, book }
}

/**
 * Binds the oldest entries and keeps a checkpoint, whenever the log rests. What fails is tried at its next rest.
 * @param gaveWay the start there was did not hold.
 */
function useTidying(all: Ref<readonly Entry[] | undefined>, whole: Ref<boolean>, gaveWay: Ref<boolean>) {
  async function tidy(): Promise<void> {
    if (!whole.value || inPractice) return
    // Both change how the log is kept, not what is in it.
    await bindOld()
    if (!gaveWay.value && !(await lacksCheckpoint())) return
    gaveWay.value = false
    await makeCheckpoint(nowMs() + AHEAD_MS)
  }
  watchDebounced([all, whole], () => void tidy().catch(() => undefined), { debounce: REST_MS })
}

/** Fetches the rules as soon as there is any entry to read by them, or a page `wants` them. */
function useRules(...read: readonly Ref<unknown>[]) {
  const any = computed(() => read.some(({ value }) => (Array.isArray(value) ? value.length > 0 : !!value)))
  const failed = shallowRef<unknown>()
  const fetch = () =>
    void fetchRules().then(
      () => (failed.value = undefined),
      (error: unknown) => (failed.value = error),
    )
  watch(any, (is) => is && fetch(), { immediate: true, flush: 'sync' })
  watch(any, noteEntries)
  return { any, failed, fetch }
}

/**
 * The log as it is shown. What comes in large numbers is taken in step by step, so that the page answers meanwhile, and
 * shown when it is all there.
 * @param takeIn takes a whole list in, in steps.
 */
function useShown(
  all: Ref<readonly Entry[] | undefined>,
  whole: Ref<boolean>,
  takeIn: (entries: readonly Entry[]) => Generator<void, void>,
) {
  const shown = shallowRef<readonly Entry[]>(EMPTY)
  async function inSlices(now: readonly Entry[]): Promise<void> {
    const steps = takeIn(now)
    const share = slice()
    while (!steps.next().done) {
      if (!share.over()) continue
      await breathe()
      share.begin()
    }
  }
  let busy = false
  /** @param atOnce nothing is shown that would have to answer meanwhile. */
  async function keepUp(atOnce = false): Promise<void> {
    if (busy) return
    busy = true
    try {
      while (all.value && shown.value !== all.value) {
        const now = all.value
        // What comes while it is taken in has its own turn.
        if (!atOnce && now.length > shown.value.length + SOME) await inSlices(now)
        shown.value = now
      }
    } finally {
      busy = false
    }
  }
  watch(all, () => void (whole.value && keepUp()), { flush: 'sync' })
  return { shown, keepUp }
}

/** The book of what is shown, once there is anything to fold; `takeDue` takes in what was set aside and is due. */
function useFolded(
  all: Ref<readonly Entry[] | undefined>,
  newer: Ref<readonly NewerEntry[] | undefined>,
  { whole, begun }: { whole: Ref<boolean>; begun: Ref<Book | null | undefined> },
) {
  const due = shallowRef(0)
  const ledger = lateLedger()
  const options = () => ({ untilMs: nowMs() + AHEAD_MS, newer: newer.value ?? NO_NEWER })
  const follow = (entries: readonly Entry[]) => ledger().follow(entries, options())
  const { shown, keepUp } = useShown(all, whole, (entries) => ledger().takeIn(entries, options()))
  const folded = computed((): Book | null => {
    void due.value
    if (!hasRules()) return null
    return (whole.value ? null : begun.value) ?? follow(whole.value ? shown.value : EMPTY)
  })
  function takeDue(atMs: number) {
    if (folded.value?.ahead.some(({ at }) => Date.parse(at) <= atMs + AHEAD_MS)) due.value++
  }
  return { shown, keepUp, folded, takeDue }
}

/**
 * The log as the journal has it, folded for now: what is dated later is set aside, and taken in when its time comes. A
 * long one begins with its open lots; the whole of it is read when asked for, in slices while a page is shown. An empty
 * one is not folded at all: the rules for it are not fetched yet.
 * @param problem the store cannot be used. Planning and calculating work all the same, on an empty log.
 */
export function useLog(problem: () => boolean) {
  const asked = shallowRef(false)
  /** Whether the book is that of the whole log. */
  const whole = shallowRef(false)
  const { value: newer } = useLiveQuery(allNewer)
  const { start, book: begun } = useStart(newer, whole)
  const { kept, error } = useEntries(asked)
  const all = computed(() => kept.value ?? (problem() ? EMPTY : undefined))
  const { any, failed, fetch } = useRules(start, all, newer)
  const { shown, keepUp, folded, takeDue } = useFolded(all, newer, { whole, begun })

  /** Reads the whole log. @param isShown a page is shown from its start, and must answer meanwhile. */
  async function open(isShown: boolean): Promise<void> {
    if (asked.value) return
    asked.value = true
    await until(all).toBeTruthy()
    if (any.value) await until(hasRules).toBe(true)
    await keepUp(!isShown || !begun.value)
    whole.value = true
  }
  /** Reads it for a page that is about all of it, whatever is in it. */
  function openAll(): Promise<void> {
    fetch()
    return open(false)
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
    ...{ folded, whole, open, openAll, takeDue },
    error: computed(() => error.value ?? failed.value),
    /** All entries, once the whole log is there. */
    entries: computed(() => (whole.value ? shown.value : undefined)),
    /** There is something to show: the start of the log, or all of it; or it is known to be empty. */
    there: computed(() => (hasRules() ? whole.value || !!begun.value : whole.value && !any.value)),
    /** Changes with every entry. */
    changed: computed(() => [start.value, whole.value ? shown.value : all.value]),
  }
}
