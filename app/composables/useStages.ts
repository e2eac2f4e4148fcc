import { computed } from 'vue'
import { STAGES } from '~/words/stages'
import { useBook } from '~/stores/book'

/** The stages of the work with what waits at each, and which of them is open. */
export function useStages() {
  const book = useBook()
  const route = useRoute()
  const inStock = (kind: 'base' | 'blend') => book.inStock.filter((lot) => lot.kind === kind).length
  const waiting = computed((): Record<string, { count: number; waits: string }> => ({
    '/': {
      count: new Set(book.asks.filter((ask) => ask.level !== 'fine').map((ask) => ask.lotId)).size,
      waits: 'lots ask for you',
    },
    '/plan': { count: book.planned.length, waits: 'planned' },
    '/ferment': { count: book.fermenting.length, waits: 'fermenting' },
    '/press': {
      count: book.fermenting.filter((lot) => book.stands.get(lot.id)?.state === 'ready').length,
      waits: 'ready to press',
    },
    '/blend': { count: inStock('base'), waits: 'bases in stock' },
    '/bottle': { count: inStock('blend'), waits: 'blends to bottle' },
  }))
  const isHere = (to: string, pages: readonly string[] = []) =>
    to === '/' ? route.path === '/' : [to, ...pages].some((start) => route.path.startsWith(start))
  const stages = computed(() =>
    STAGES.map((stage, index) => ({
      ...{ to: stage.to, name: stage.name, key: index + 1 },
      here: isHere(stage.to, stage.pages),
      ...(waiting.value[stage.to] ?? { count: 0, waits: '' }),
    })),
  )
  return { stages, isHere }
}
