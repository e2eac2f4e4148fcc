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

/** A pepper that is not listed: its heat is unknown until it is said. */
const UNLISTED_PEPPER = 'pepper-unlisted'

/** Kinds that are weighed in as ingredients of a ferment, in the order they are listed. */
export const PRODUCE_KINDS = ['pepper', 'vegetable', 'fruit', 'herb', 'seafood'] as const

/** Letters without their marks and small, so that "jalapeno" finds "Jalapeño". */
const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()

/** How well a thing is what was typed: that is its name; its names hold the words; it begins so; in it somewhere. */
const FITS = { name: 0, words: 1, start: 2, letters: 3 } as const

function fitOf({ name, names }: Material, phrase: string, words: readonly string[]): number {
  const [own = '', ...others] = [name, ...names].map(plain)
  if (own === phrase || own.split(',')[0] === phrase) return FITS.name
  const called = new Set([own, ...others].flatMap((one) => one.split(/[\s,-]+/)))
  if (words.every((word) => called.has(word))) return FITS.words
  return own.startsWith(words[0] ?? '') ? FITS.start : FITS.letters
}

/**
 * Materials whose name, or any other common name, holds every word typed, the best fit first. A word that two peppers
 * share never picks the hotter one: the milder stands first, even before one that is called so. One that is not listed
 * stays before them, since nobody knows it.
 */
export function searchMaterials(materials: readonly Material[], typed: string): Material[] {
  const words = plain(typed).split(/\s+/).filter(Boolean)
  if (words.length === 0) return [...materials]
  const phrase = words.join(' ')
  const heatOf = ({ id, kind, dryShu }: Material) =>
    kind !== 'pepper' || id === UNLISTED_PEPPER ? -1 : (dryShu?.typical ?? 0)
  const callsSo = ({ names }: Material) => names.some((one) => plain(one) === phrase)
  const found = materials.filter(({ name, names, kind }) => {
    const text = plain([name, ...names, kind].join(' '))
    return words.every((word) => text.includes(word))
  })
  const shared = found.some((one) => one.kind === 'pepper' && callsSo(one))
  const rank = (one: Material) => {
    const fit = fitOf(one, phrase, words)
    return shared && one.kind === 'pepper' && fit === FITS.name ? FITS.words : fit
  }
  return found
    .map((material) => ({ material, fit: rank(material) }))
    .sort((a, b) => a.fit - b.fit || heatOf(a.material) - heatOf(b.material))
    .map(({ material }) => material)
}
