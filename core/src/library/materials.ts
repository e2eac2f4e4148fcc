import type { Material } from './material'
import { PANTRY } from './pantryGoods'
import { PEPPERS } from './peppers'
import { FRUIT, HERBS, OTHERS, VEGETABLES } from './produce'
import { produce } from './rows'
import { SPICES } from './spices'

/** Everything the shipped library knows. */
export const MATERIALS: readonly Material[] = [
  ...PEPPERS,
  ...VEGETABLES,
  ...FRUIT,
  ...HERBS,
  ...SPICES,
  ...OTHERS,
  ...PANTRY,
]

const BY_ID = new Map(MATERIALS.map((material) => [material.id, material]))

/** A material of the shipped library by id; the maker's own stand in the log's library. */
export const materialById = (id: string): Material | undefined => BY_ID.get(id)

/** Id of what is not listed. */
export const UNKNOWN_ID = 'unknown'

/** What an unknown name is taken for: a vegetable with wide ranges. */
export const UNKNOWN_PRODUCE: Material = produce('vegetable', UNKNOWN_ID, 'Unlisted produce', '#9aa58c', {
  water: [75, 88, 95],
  sugar: [1, 4, 12],
  ph: [4.5, 5.5, 6.4],
  acids: { malic: [0.05, 0.15, 0.4] },
})

/** Kinds that are weighed in as ingredients of a ferment, in the order they are listed. */
export const PRODUCE_KINDS = ['pepper', 'vegetable', 'fruit', 'herb', 'seafood'] as const

/** Letters without their marks and small, so that "jalapeno" finds "Jalapeño". */
const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()

/** Materials whose name, or any other common name, holds every word typed; an exact start first. */
export function searchMaterials(materials: readonly Material[], typed: string): Material[] {
  const words = plain(typed).split(/\s+/).filter(Boolean)
  const found = materials
    .map((material) => ({ material, text: plain([material.name, ...material.names, material.kind].join(' ')) }))
    .filter(({ text }) => words.every((word) => text.includes(word)))
  const rank = (text: string) => (text.startsWith(words[0] ?? '') ? 0 : 1)
  return found.sort((a, b) => rank(a.text) - rank(b.text)).map(({ material }) => material)
}
