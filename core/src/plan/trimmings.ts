import type { Library } from '../library/library'
import { PRODUCE_KINDS } from '../library/materials'
import type { Row } from '../log/contents'

/** Produce off the crate: what stems and cores were cut from; not a vinegar, not part of a lot. */
const isTrimmed = (library: Library, { lotId, materialId }: Pick<Row, 'lotId' | 'materialId'>) =>
  !lotId && (PRODUCE_KINDS as readonly string[]).includes(library.materialOrUnknown(materialId).kind)

/** Rows that share the trimmings of a batch: produce whose own trim was not said. */
export const sharesTrimmings = (library: Library, row: Pick<Row, 'lotId' | 'materialId' | 'boughtG'>): boolean =>
  row.boughtG === undefined && isTrimmed(library, row)

/**
 * Trimmings that were weighed once for the whole batch, g, shared by weight over the rows that have none of their
 * own: what was bought is what goes in and its share. Nothing is shared where no row takes any.
 */
export function shareTrimmings<R extends Row>(rows: readonly R[], trimmedG: number | null, library: Library): R[] {
  const shared = rows.filter((row) => sharesTrimmings(library, row))
  const total = shared.reduce((sum, { massG }) => sum + massG, 0)
  if (!trimmedG || trimmedG <= 0 || total <= 0) return [...rows]
  return rows.map((row) =>
    shared.includes(row) ? { ...row, boughtG: row.massG + (trimmedG * row.massG) / total } : row,
  )
}
