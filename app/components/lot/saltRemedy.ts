import type { EntryOf, Remedy, Row } from '@lactofer/core'

/** How the salt that went in is known. */
export const HOW = [
  { value: 'measured', label: 'I measured it' },
  { value: 'grams', label: 'I remember the grams' },
  { value: 'spoons', label: 'I remember the spoons' },
] as const

export const SPOONS = [
  { value: 'tsp', label: 'teaspoons, level' },
  { value: 'tbsp', label: 'tablespoons, level' },
]

/**
 * What a remedy puts in.
 * @param fresh rows of produce that a remedy of produce is shared out over.
 * @param brinePct strength of the brine at hand.
 */
export function putOf(
  { id, massG }: Remedy,
  fresh: readonly Row[],
  brinePct: number,
): Pick<EntryOf<'add'>, 'rows' | 'waterG' | 'saltG'> {
  const brine = brinePct / 100
  switch (id) {
    case 'salt':
      return { rows: [], waterG: 0, saltG: massG }
    case 'water':
      return { rows: [], waterG: massG, saltG: 0 }
    case 'brine':
      return { rows: [], waterG: massG * (1 - brine), saltG: massG * brine }
    case 'produce': {
      const rowsG = fresh.reduce((sum, row) => sum + row.massG, 0)
      const rows = fresh.map(({ said: _said, boughtG: _bought, ...row }) => ({
        ...row,
        massG: (row.massG * massG) / rowsG,
      }))
      return { rows, waterG: 0, saltG: 0 }
    }
  }
}
