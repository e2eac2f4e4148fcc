import { computed } from 'vue'
import { twinOf, EXERCISES, type Exercise } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The exercise that fits a page, by the first part of its path. */
const OF_PAGE: Record<string, string> = {
  plan: 'two-percent',
  weigh: 'first-jar',
  split: 'first-jar',
  ferment: 'behind-in-the-cold',
  press: 'ready-or-lime',
  blend: 'save-the-blend',
  pour: 'four-sauces',
  bottle: 'fruit-after',
  release: 'cold-glass',
  label: 'recall',
  trace: 'recall',
  cellar: 'recall',
  settings: 'lying-meter',
  loft: 'summer',
  library: 'another-salt',
}
/** The exercise about what the judge holds against a lot. */
const OF_REASON: Record<string, string> = {
  'bad sign': 'three-films',
  'open sign': 'three-films',
  'film since the pH': 'three-films',
  'weak salt': 'weak-brine',
  'may be weak': 'another-salt',
  'pieces not read': 'sour-outside',
  'liquid only': 'sour-outside',
  'not fermented': 'ready-or-lime',
  'nothing alive': 'frozen-crate',
}

/** An exercise fitting where one stands: of a lot that has something against it, about that; else its twin. */
export function useFitting() {
  const book = useBook()
  const preferences = usePreferences()
  const route = useRoute()
  return computed((): Exercise | null => {
    const named = (id: string | undefined) => EXERCISES.find((one) => one.id === id) ?? null
    const lot = book.lot(String(route.params.id ?? route.query.lot ?? ''))
    const reasons = lot ? (book.stands.get(lot.id)?.reasons ?? []) : []
    const about = reasons.map(({ code }) => OF_REASON[code]).find(Boolean)
    if (about) return named(about)
    const twin = lot && twinOf(lot, preferences.kit, book.nowMs)
    return twin ?? named(OF_PAGE[route.path.split('/')[1] ?? ''] ?? 'first-jar')
  })
}
