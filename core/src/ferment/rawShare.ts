import type { Preparation } from '../composition/ingredient'

/** Share of the weight that brings living bacteria: raw produce counts, cooked and frozen do not. `null` for no weight. */
export function rawShare(rows: readonly { massG: number, preparation: Preparation, livens: boolean }[]): number | null {
  const total = rows.reduce((sum, row) => sum + row.massG, 0)
  if (total <= 0) return null
  return rows.filter(row => row.livens && row.preparation === 'raw').reduce((sum, row) => sum + row.massG, 0) / total
}
