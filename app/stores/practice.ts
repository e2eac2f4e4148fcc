import { defineStore } from 'pinia'
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { DAY_MS, HOUR_MS, type JarLook, type PracticeRun, type Sampled } from '@lactofer/core'
import { deviceClock, nowMs, setClock, turnedClock } from '~/clock/clock'
import { eveningOf, morningAfter, zoneMs } from '~/clock/moments'
import { fared, keepFared, keepRun, keptRun, leavePractice, type KeptRun } from '~/db/practice'
import { inPractice } from '~/db/loft'
import { practiser } from '~/workers/practiser'
import { useBook } from './book'

/** How far the clock can be turned, as the band offers it. */
export const TURNS = ['hour', 'evening', 'morning', 'week', 'change'] as const
export type Turn = (typeof TURNS)[number]

/** The run that is under way, its clock, and the run as its worker takes it: plain values. */
function useRun() {
  const book = useBook()
  const kept = shallowRef<KeptRun | null>(inPractice ? keptRun() : null)
  function run(): PracticeRun | null {
    if (!kept.value) return null
    const { exercise, seed, startMs } = kept.value
    return JSON.parse(JSON.stringify({ exercise, seed, startMs, entries: book.entries ?? [] })) as PracticeRun
  }
  // What passed while it was worked on has passed when it is opened again.
  useEventListener('pagehide', () => {
    // Another go may have been laid out meanwhile: it is not overwritten.
    if (kept.value && keptRun()?.begunMs === kept.value.begunMs) keepRun({ ...kept.value, nowMs: nowMs() })
  })
  /** Turns the clock on to a moment; never back. */
  function turnTo(ms: number): void {
    if (!kept.value || ms <= nowMs()) return
    setClock(turnedClock(ms - deviceClock()))
    kept.value = { ...kept.value, nowMs: ms }
    keepRun(kept.value)
  }
  const endMs = computed(() => (kept.value ? kept.value.startMs + kept.value.exercise.days * DAY_MS : 0))
  /** It is over: from now on what was true may be told. */
  function end(): void {
    if (!kept.value) return
    kept.value = { ...kept.value, nowMs: nowMs(), ended: true }
    keepRun(kept.value)
  }
  const ended = computed(() => kept.value?.ended ?? false)
  return { kept, run, turnTo, endMs, end, ended }
}

/** How the jars look, looked at anew as something is done or time passes. */
function useLooks(run: () => PracticeRun | null) {
  const book = useBook()
  const problem = ref('')
  const looks = shallowRef<ReadonlyMap<string, JarLook>>(new Map())
  const keyOf = (lotId: string, mark: string) => `${lotId} ${mark}`
  async function look(): Promise<void> {
    const now = run()
    if (!now || !book.whole) return
    try {
      const seen = await practiser.looks(now, nowMs())
      looks.value = new Map(seen.map((one) => [keyOf(one.lotId, one.mark), one]))
      problem.value = ''
    } catch {
      problem.value = 'The jars could not be looked at. Load the page anew; nothing is lost.'
    }
  }
  watch(
    () => [book.entries?.length, book.nowMs, book.whole],
    () => void look(),
    { immediate: true },
  )
  /** How a jar looks; nothing where it is not known yet, and nothing in the maker's own loft. */
  const lookOf = (lotId: string, mark = ''): JarLook | undefined => looks.value.get(keyOf(lotId, mark))
  return { problem, lookOf }
}

/** Writes down how an exercise went. */
function noteFared(id: string, unsafe: number, wastedG: number): void {
  const all = fared()
  const before = all[id]
  const best = (was: number | undefined, is: number) => Math.min(was ?? Infinity, is)
  keepFared({
    ...all,
    [id]: {
      times: (before?.times ?? 0) + 1,
      unsafe: best(before?.unsafe, unsafe),
      wastedG: best(before?.wastedG, wastedG),
    },
  })
}

/** The practice loft: which exercise, what time it is there, how its jars look. Nothing, in the maker's own loft. */
export const usePractice = defineStore('practice', () => {
  const book = useBook()
  const { kept, run, turnTo, endMs, end, ended } = useRun()
  const { problem, lookOf } = useLooks(run)
  const busy = ref(false)
  async function turn(by: Turn): Promise<void> {
    const now = run()
    if (!now || busy.value || ended.value) return
    busy.value = true
    try {
      const at = nowMs()
      const to = {
        hour: () => at + HOUR_MS,
        evening: () => eveningOf(at),
        morning: () => morningAfter(at),
        week: () => at + 7 * DAY_MS,
        change: () => practiser.change(now, at),
      }
      turnTo(Math.min(await to[by](), Math.max(endMs.value, at + HOUR_MS)))
    } finally {
      busy.value = false
    }
  }
  const asked = <T>(ask: (now: PracticeRun, at: number) => Promise<T>): Promise<T | null> => {
    const now = run()
    return now ? ask(now, nowMs()) : Promise.resolve(null)
  }
  return {
    on: inPractice,
    exercise: computed(() => kept.value?.exercise ?? null),
    seed: computed(() => kept.value?.seed ?? 0),
    day: computed(() => (kept.value ? Math.floor((book.nowMs - kept.value.startMs) / DAY_MS) : 0)),
    over: computed(() => kept.value !== null && book.nowMs >= endMs.value),
    ...{ busy, problem, turn, lookOf, end, ended },
    sample: (lotId: string, mark: string, of: Sampled) =>
      asked((now, at) => practiser.sample(now, at, lotId, mark, of)),
    strip: (lotId: string, mark: string, of: Sampled) => asked((now, at) => practiser.strip(now, at, lotId, mark, of)),
    taste: (lotId: string, mark: string) => asked((now, at) => practiser.taste(now, at, lotId, mark)),
    debrief: () => asked((now, at) => practiser.debrief(now, at, zoneMs(at))),
    noteFared: (unsafe: number, wastedG: number) => kept.value && noteFared(kept.value.exercise.id, unsafe, wastedG),
    leave: leavePractice,
  }
})
