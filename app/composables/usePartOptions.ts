import { computed } from 'vue'
import { formatMass } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** What is poured most stands first. */
const KINDS = [
  'water',
  'vinegar',
  'salt',
  'sweetener',
  'acid',
  'thickener',
  'fruit',
  'vegetable',
  'herb',
  'pepper',
  'seafood',
  'starter',
] as const

/** Everything that can be added to a pot: lots in stock and materials off the shelf. */
export function usePartOptions() {
  const book = useBook()
  const preferences = usePreferences()
  const stock = computed(() =>
    book.inStock.filter((lot) => ['base', 'brine', 'stock', 'pulp', 'ferment', 'blend'].includes(lot.kind)),
  )
  const lotOptions = (sauce: boolean) =>
    stock.value
      .filter((lot) => (lot.kind === 'blend') === sauce)
      .map((lot) => ({
        value: `lot:${lot.id}`,
        label: `${lot.code} ${lot.name}, ${formatMass(lot.leftG, preferences.world)}`,
      }))
  /** Finished sauces stand last: they are poured together seldom. */
  return computed(() => [
    ...lotOptions(false),
    ...KINDS.flatMap((kind) => book.library.materials.filter((material) => material.kind === kind)).map((material) => ({
      value: `stuff:${material.id}`,
      label: material.name,
    })),
    ...lotOptions(true),
  ])
}
