import { defineStore } from 'pinia'
import { until } from '@vueuse/core'
import { computed, watch, type Ref } from 'vue'
import {
  idClock,
  InvalidInput,
  type Book,
  type Composition,
  type Disagreement,
  type Draft,
  type Entry,
  type EntryOf,
  type Library,
  type Lot,
  type ForecastSummary,
  type HomeMark,
} from '@lactofer/core'
import { atRest, awaited } from '~/clock/breathe'
import { inPractice } from '~/db/loft'
import { nowMs, useNowMs } from '~/clock/clock'
import { toldAtRest } from '~/composables/toldAtRest'
import { useAsks } from '~/composables/useAsks'
import { useLog } from '~/composables/useLog'
import { useForecastSummaries } from '~/composables/useForecastSummaries'
import { tellMoment } from '~/clock/moments'
import { fetchRules, rules, type Rules } from '~/rules/rules'
import { useKeeping } from './keeping'
import { usePreferences } from './preferences'

const ids = idClock(() => crypto.getRandomValues(new Uint32Array(1))[0]! / 2 ** 32)

/** Where no vessels are listed, so many of each common size are taken to be there. */
const COMMON_COUNT = 12

/** Whoever tapped waits no longer than this for the page to follow the log, ms. */
const FOLLOWED_MS = 2000

/** Of an empty log. */
const NO_LOTS: readonly Lot[] = []

/** How often what hangs on the time of day is looked at anew. */
const TICK_MS = 20_000

/** A fresh id, for a lot or a picture. */
export const newLotId = (): string => ids.next(nowMs())

/** Compositions of the book as it stands, each worked out once, when first asked for. */
function useCompositions(book: Ref<Book>) {
  const compositions = computed(() => ({ of: book.value, found: new Map<string, Composition | null>() }))
  function composition(lotId: string): Composition | null {
    const { of, found } = compositions.value
    if (!found.has(lotId)) found.set(lotId, rules().compositionOf(of, lotId))
    return found.get(lotId) ?? null
  }
  /** A part of a blend to be, with what its trials taught; what does not change with its amount is worked out once. */
  function part(of: EntryOf<'blend'>['parts'][number], blendId: string): Composition | null {
    const { ofMass, partComposition } = rules()
    if (of.lotId) {
      const source = composition(of.lotId)
      return source && ofMass(source, of.massG)
    }
    const { found } = compositions.value
    const key = JSON.stringify([{ ...of, massG: 0 }, blendId])
    if (!found.has(key)) found.set(key, partComposition(book.value, { ...of, massG: 1000 }, blendId))
    const kilo = found.get(key)
    return kilo ? ofMass(kilo, of.massG) : null
  }
  return { composition, part }
}

/** Which codes are taken, and the next that is free. */
function useCodes(folded: Ref<Book | null>) {
  const codeTaken = (code: string, except?: string) =>
    folded.value !== null && rules().codeTaken(folded.value, code, except)
  /** The next free code of a series: LF-01, LF-02; `past` passes over so many more. */
  function nextCode(series: string, past = 0): string {
    for (let number = 1, free = 0; ; number++) {
      const code = `${series}-${String(number).padStart(2, '0')}`
      if (!codeTaken(code) && free++ >= past) return code
    }
  }
  return { codeTaken, nextCode }
}

/** The lots of a log by where they stand. */
function useLots(folded: Ref<Book | null>) {
  const of = (list: (of: Rules) => (book: Book) => readonly Lot[]) =>
    computed(() => (folded.value ? list(rules())(folded.value) : NO_LOTS))
  return {
    lots: of(({ allLots }) => allLots),
    fermenting: of(({ lotsFermenting }) => lotsFermenting),
    planned: of(({ lotsPlanned }) => lotsPlanned),
    inStock: of(({ lotsInStock }) => lotsInStock),
    onHand: of(({ lotsOnHand }) => lotsOnHand),
  }
}

/** The maker's vessels that stand empty now: so many of a kind less those in an open ferment. */
const useFreeVessels = (library: Ref<Library>, fermenting: Ref<readonly Lot[]>) =>
  computed(() => {
    const used = new Map<string, number>()
    for (const lot of fermenting.value)
      for (const { vesselId } of lot.vessels) used.set(vesselId, (used.get(vesselId) ?? 0) + 1)
    return library.value.vessels.map((vessel) => ({
      ...vessel,
      count: Math.max(0, (vessel.count ?? COMMON_COUNT) - (library.value.ownVessels ? (used.get(vessel.id) ?? 0) : 0)),
    }))
  })

/** The one judge of all pages, the forecast taken in; and where a lot stands now, in words. */
function useJudge(book: Ref<Book>, summaries: Ref<ReadonlyMap<string, ForecastSummary>>, now: Ref<number>) {
  const judge = computed(() => rules().judgeOf(book.value, (id) => summaries.value.get(id)))
  function judgementOf({ id }: { id: string }) {
    const judgement = judge.value(id, now.value)
    return judgement && rules().toldJudgement(judgement, tellMoment)
  }
  /** How it is marked where it stays in the own kitchen. */
  const homeMark = (lotId: string): HomeMark | null => rules().homeMark(judge.value(lotId, now.value)?.reasons ?? [])
  return { judge, judgementOf, homeMark }
}

/** A value of it was invented by a simulation. */
const isSimulated = (draft: Draft): boolean => 'instrument' in draft && draft.instrument?.simulated === true

/** Writes to the log, and tells when the book has followed. */
function useRecord(folded: Ref<Book | null>, hasDemo: Ref<boolean>, toldAnew: () => Promise<void>) {
  const preferences = usePreferences()
  const keeping = useKeeping()
  /** Writes facts, all or none. They are in the log once the promise is kept. Returns their ids. */
  async function record(...drafts: Draft[]): Promise<string[]> {
    const { ownEntry } = await fetchRules()
    if (!inPractice && !hasDemo.value && drafts.some(isSimulated))
      throw new InvalidInput('A simulated reading stays in the demo and in practice. Type what you measured.')
    const made: Entry[] = drafts.map((draft) =>
      ownEntry({ ...draft, id: ids.next(nowMs()), by: preferences.by, origin: 'maker' }),
    )
    await awaited(() => keeping.record(made))
    return made.map((entry) => entry.id)
  }
  /** Resolves once entries that were recorded are in the book, and what the lots ask for since is told. */
  async function followed(entryIds: readonly string[]): Promise<void> {
    const newest = entryIds.at(-1) ?? ''
    await until(() => (folded.value?.lastId ?? '') >= newest).toBe(true, { timeout: FOLLOWED_MS })
    await toldAnew()
  }
  return { record, followed }
}

/**
 * The folded log and what follows from it. Holds no second copy of the truth: everything derives from the journal's
 * entries.
 */
export const useBook = defineStore('book', () => {
  const preferences = usePreferences()
  const keeping = useKeeping()
  const { entries, folded, whole, there, changed, open, openAll, takeDue, error } = useLog(
    () => keeping.problem !== null,
  )
  const now = useNowMs(TICK_MS, changed)
  watch(now, takeDue)
  // Whatever clock wrote the last entry, the next one is later.
  watch(
    () => folded.value?.lastId,
    (id) => id && ids.seen(id, nowMs()),
    { immediate: true },
  )
  /** Where something is read of it there is something to read: `folded` for what an empty log is asked, too. */
  const book = computed(() => {
    if (!folded.value) throw new Error('The log is asked before it was read.')
    return folded.value
  })
  const { lots, fermenting, planned, inStock, onHand } = useLots(folded)
  const summaries = useForecastSummaries(folded, lots, now)
  const { judge, judgementOf, homeMark } = useJudge(book, summaries, now)
  const askCase = computed(
    () =>
      folded.value && {
        ...{ book: folded.value, judge: judge.value, nowMs: now.value },
        ...{ ahead: summaries.value, kit: preferences.kit },
      },
  )
  const { asks, stands, looked, begun, toldAnew } = useAsks({ shelf: fermenting, onHand }, askCase, { there, whole })
  // Once the shelf stands the rest of the log is read, while it is looked at.
  watch(looked, () => void atRest().then(() => open(true)))
  const library = computed(() => book.value.library)
  const disagreements = toldAtRest(
    () => (whole.value ? folded.value : null),
    (of): readonly Disagreement[] => (of ? rules().disagreementsOf(of) : []),
    [],
  )
  const recipes = computed(() => book.value.recipes)
  const hasDemo = computed(() => (entries.value ?? []).some((entry) => entry.origin === 'demo'))

  const lot = (id: string): Lot | undefined => folded.value?.lots.get(id)
  const freeVessels = useFreeVessels(library, fermenting)

  return {
    ...{ entries, error, folded, book, lots, fermenting, planned, inStock, library, recipes, hasDemo },
    ...useRecord(folded, hasDemo, toldAnew),
    ...{ disagreements, asks, looked, begun, stands, summaries, judge, judgementOf, homeMark },
    ...useCompositions(book),
    ...useCodes(folded),
    ...{ lot, freeVessels },
    nowMs: now,
    ...{ whole, openAll },
    // An empty log is called new only once the second copy was asked.
    ready: computed(() => there.value && (!entries.value || entries.value.length > 0 || keeping.ready)),
    ingredients: (lotId: string) => rules().ingredientsOf(book.value, lotId),
  }
})
