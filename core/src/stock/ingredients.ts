import type { Allergen } from '../library/material'
import type { Book } from '../log/fold'
import type { Lot } from '../log/lot'
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
  const further = [...path, lotId]
  const { made } = lot
  const plain = (materialId: string, name: string, massG: number): Ingredient => {
    const material = book.library.material(materialId)
    return { name, massG, allergens: material?.allergens ?? [], unknown: !material, of: [] }
  }
  /** Part of another lot: as what it is made of, or as one compound. */
  const fromLot = (sourceId: string, massG: number, asCompound: boolean): Ingredient[] => {
    const source: Lot | undefined = book.lots.get(sourceId)
    const parts = ingredientsOf(book, sourceId, { path: further })
    if (!source || parts.length === 0)
      return [{ name: source?.name ?? 'Unknown lot', massG, allergens: [], unknown: true, of: [] }]
    const inside = scaled(parts, massG)
    return asCompound && inside.length > 1
      ? [{ name: source.name, massG, allergens: [], unknown: false, of: inside }]
      : inside
  }
  const rows = (
    all: readonly { lotId?: string | undefined; materialId?: string | undefined; name: string; massG: number }[],
    asCompound = false,
  ): Ingredient[] =>
    all.flatMap((row) =>
      row.lotId ? fromLot(row.lotId, row.massG, asCompound) : [plain(row.materialId ?? '', row.name, row.massG)],
    )
  const content = ({ rows: all, waterG, saltG }: Content) => [
    ...rows(all),
    plain('water', 'Water', waterG),
    plain('salt', 'Salt', saltG),
  ]
  switch (made.kind) {
    case 'plan':
      return together([lot.weighed ?? made, ...lot.added].flatMap(content))
    case 'stock': {
      const inside = (made.ingredients ?? []).map((name) => ({
        name,
        massG: made.massG / (made.ingredients?.length ?? 1),
        allergens: [],
        unknown: false,
        of: [],
      }))
      const material = book.library.material(made.materialId ?? '')
      const told = made.allergens !== undefined || material !== undefined || inside.length > 0
      return [
        {
          name: made.name,
          massG: made.massG,
          allergens: made.allergens ?? material?.allergens ?? [],
          unknown: !told,
          of: inside,
        },
      ]
    }
    case 'press':
      return together(fromLot(made.fromLotId, lot.madeG, false))
    case 'blend':
      return together([...rows(made.parts, nested), ...lot.added.flatMap(content)])
    case 'bottle':
      return together(scaled(ingredientsOf(book, made.fromLotId, { nested, path: further }), made.usedG))
  }
}

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
