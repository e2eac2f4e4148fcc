import { useNow } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { asksOf, blendAsks, compositionOf, EntrySchema, fold, idMaker, ingredientsOf, worstFirst, type Composition, type Draft, type Entry, type Lot } from '@lactofer/core'
import { allEntries, append } from '~/db/journal'
import { useLiveQuery } from '~/composables/useLiveQuery'
import { usePreferences } from './preferences'

const makeId = idMaker(() => crypto.getRandomValues(new Uint32Array(1))[0]! / 2 ** 32)

/** A fresh id for a lot. */
export const newLotId = (): string => makeId(Date.now())

/** The folded log and what follows from it. Holds no second copy of the truth: everything derives from the journal's entries. */
export const useBook = defineStore('book', () => {
  const preferences = usePreferences()
  const { value: entries, error } = useLiveQuery(allEntries)
  const now = useNow({ interval: 20_000 })
  const nowMs = computed(() => now.value.getTime())

  const book = computed(() => fold(entries.value ?? []))
  const lots = computed(() => [...book.value.lots.values()].sort((a, b) => a.startedMs - b.startedMs))
  const fermenting = computed(() => lots.value.filter(lot => lot.state === 'fermenting'))
  const planned = computed(() => lots.value.filter(lot => lot.state === 'planned'))
  const asks = computed(() => worstFirst(lots.value.flatMap(lot => [...asksOf(lot, nowMs.value), ...blendAsks(lot, nowMs.value)])))
  const hasDemo = computed(() => (entries.value ?? []).some(entry => entry.origin === 'demo'))

  /** Compositions of this state of the book, each worked out once, when first asked for. */
  const compositions = computed(() => ({ of: book.value, found: new Map<string, Composition | null>() }))
  function composition(lotId: string): Composition | null {
    const { of, found } = compositions.value
    if (!found.has(lotId)) found.set(lotId, compositionOf(of, lotId))
    return found.get(lotId) ?? null
  }

  const lot = (id: string): Lot | undefined => book.value.lots.get(id)
  const codeTaken = (code: string, except?: string) => lots.value.some(known => known.id !== except && known.code.toLowerCase() === code.trim().toLowerCase())

  /** The next free code of a series: LF-01, LF-02. */
  function nextCode(series: string): string {
    for (let number = 1; ; number++) {
      const code = `${series}-${String(number).padStart(2, '0')}`
      if (!codeTaken(code)) return code
    }
  }

  /** Writes facts to the log, all or none. They are there once the promise is kept. Returns their ids. */
  async function record(...drafts: Draft[]): Promise<string[]> {
    const made: Entry[] = drafts.map(draft => EntrySchema.parse({ ...draft, id: makeId(Date.now()), by: preferences.by, origin: 'maker' }))
    await append(made)
    return made.map(entry => entry.id)
  }

  return {
    entries, error, book, lots, fermenting, planned, asks, hasDemo, nowMs, composition, lot, codeTaken, nextCode, record,
    ready: computed(() => entries.value !== undefined), ingredients: (lotId: string) => ingredientsOf(book.value, lotId),
  }
})
