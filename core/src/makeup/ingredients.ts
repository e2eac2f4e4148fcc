import type { Allergen } from '../library/material'
import type { PouredRow } from '../log/contents'
import type { EntryOf } from '../log/entry'
import type { Book } from '../lots/fold'
import { addedG, type Lot } from '../log/lot'
import type { Content } from './lotComposition'

/**
 * Something that went in, by its weight at that time. `allergens` it is declared with; `unknown` when nobody said
 * what it contains.
 * A compound came ready made, or is a lot shown as one: `of` are its own ingredients, by weight where that is known.
 */
export interface Ingredient {
  name: string
  massG: number
  allergens: readonly Allergen[]
  unknown: boolean
  /** Which material of the library it is, where it is one. */
  materialId?: string
  of: readonly Ingredient[]
}

/** The same things of several amounts together, heaviest first, then by name. */
function together(parts: readonly Ingredient[]): Ingredient[] {
  const sums = new Map<string, Ingredient>()
  for (const part of parts) {
    if (!(part.massG > 0)) continue
    const known = sums.get(part.name)
    sums.set(
      part.name,
      known
        ? {
            ...known,
            massG: known.massG + part.massG,
            allergens: [...new Set([...known.allergens, ...part.allergens])].sort(),
            unknown: known.unknown || part.unknown,
          }
        : part,
    )
  }
  return [...sums.values()].sort((a, b) => b.massG - a.massG || (a.name < b.name ? -1 : 1))
}

const scaled = (parts: readonly Ingredient[], massG: number): Ingredient[] => {
  const total = parts.reduce((sum, part) => sum + part.massG, 0)
  return total > 0
    ? parts.map((part) => ({
        ...part,
        massG: (part.massG * massG) / total,
        of: scaled(part.of, (part.massG * massG) / total),
      }))
    : []
}

/** Lists what goes into lots of a book; `path` are the lots on the way here, so that no circle is run in. */
interface Lister {
  book: Book
  path: readonly string[]
}

function materialOf({ book }: Lister, materialId: string, name: string, massG: number): Ingredient {
  const material = book.library.material(materialId)
  return { name, massG, allergens: material?.allergens ?? [], unknown: !material, materialId, of: [] }
}

/** Part of another lot: as what it is made of, or as one compound. */
function ofLot({ book, path }: Lister, sourceId: string, massG: number, asCompound: boolean): Ingredient[] {
  const source: Lot | undefined = book.lots.get(sourceId)
  const parts = ingredientsOf(book, sourceId, { path })
  if (!source || parts.length === 0)
    return [{ name: source?.name ?? 'Unknown lot', massG, allergens: [], unknown: true, of: [] }]
  const inside = scaled(parts, massG)
  return asCompound && inside.length > 1
    ? [{ name: source.name, massG, allergens: [], unknown: false, of: inside }]
    : inside
}

const ofRows = (lister: Lister, rows: readonly PouredRow[], asCompound = false): Ingredient[] =>
  rows.flatMap(({ lotId, materialId = '', name, massG }) =>
    lotId ? ofLot(lister, lotId, massG, asCompound) : [materialOf(lister, materialId, name, massG)],
  )

const ofContent = (lister: Lister, { rows, waterG, saltG }: Content): Ingredient[] => [
  ...ofRows(lister, rows),
  materialOf(lister, 'water', 'Water', waterG),
  materialOf(lister, 'salt', 'Salt', saltG),
]

/** What was bought or kept: one ingredient, with what is said to be in it. */
function ofStock({ book }: Lister, made: EntryOf<'stock'>): Ingredient {
  const { name, massG, ingredients = [], allergens } = made
  const material = book.library.material(made.materialId ?? '')
  const inside = ingredients.map((one) => ({
    name: one,
    massG: massG / ingredients.length,
    allergens: [],
    unknown: false,
    of: [],
  }))
  const told = allergens !== undefined || material !== undefined || inside.length > 0
  return { name, massG, allergens: allergens ?? material?.allergens ?? [], unknown: !told, of: inside }
}

/**
 * Everything that went into a lot, down to what was weighed in, heaviest first, by its weight at that time.
 * What came ready made stays one ingredient with its own beside it, since their shares are not known.
 * @param nested lots that were blended stand as compounds of their own.
 */
export function ingredientsOf(
  book: Book,
  lotId: string,
  { nested = false, path = [] }: { nested?: boolean; path?: readonly string[] } = {},
): Ingredient[] {
  const lot = book.lots.get(lotId)
  if (!lot || path.includes(lotId)) return []
  const lister: Lister = { book, path: [...path, lotId] }
  const added = lot.added.flatMap((one) => ofContent(lister, one))
  const { made } = lot
  switch (made.kind) {
    case 'plan':
      return together([...ofContent(lister, lot.weighed ?? made), ...added])
    case 'stock':
      return [ofStock(lister, made)]
    case 'press':
      return together([...ofLot(lister, made.fromLotId, lot.madeG - addedG(lot), false), ...added])
    case 'blend':
      return together([...ofRows(lister, made.parts, nested), ...added])
    case 'bottle':
      return together(scaled(ingredientsOf(book, made.fromLotId, { nested, path: lister.path }), made.usedG))
  }
}

/** Whether a material is in a list, compounds opened. */
export const contains = (parts: readonly Ingredient[], materialId: string): boolean =>
  parts.some((part) => part.materialId === materialId || contains(part.of, materialId))

/** Whether there is honey in a lot, or it was eaten with honey: the infant caution stands on it then. */
export const hasHoney = (book: Book, lot: Lot): boolean =>
  contains(ingredientsOf(book, lot.id), 'honey') || lot.uses.some(({ table }) => table?.includes('honey'))

/** Every allergen in a list, compounds opened. */
export const allergensOf = (parts: readonly Ingredient[]): Allergen[] =>
  [...new Set(parts.flatMap((part) => [...part.allergens, ...allergensOf(part.of)]))].sort()

/** Names of what nobody has said the contents of. */
export const unknownOf = (parts: readonly Ingredient[]): string[] =>
  parts.flatMap((part) => (part.unknown ? [part.name] : unknownOf(part.of)))

/** What a printed label must still say to be true: order, names and allergens of what is in it, as one line. */
export const labelBasis = (parts: readonly Ingredient[]): string =>
  parts
    .map(
      (part) =>
        `${part.name}${part.of.length ? ` (${labelBasis(part.of)})` : ''}${part.allergens.length ? ` [${part.allergens.join(' ')}]` : ''}`,
    )
    .join(', ')
