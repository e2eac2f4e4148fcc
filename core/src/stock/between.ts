import { ownBalance } from '../composition/ingredient'
import type { MixedPart } from '../composition/ranges'
import { between, type Between } from '../log/contents'
import type { Book } from '../log/fold'
import { contentParts, type Content } from './lotComposition'

/** A content, with what its amounts lie between where they were not weighed. */
export type SaidContent = Content & { waterBetweenG?: Between | undefined; saltBetweenG?: Between | undefined }

/** Whether any amount of a content is only known within a range. */
export const isBetween = ({ rows, waterBetweenG, saltBetweenG }: SaidContent): boolean =>
  waterBetweenG !== undefined || saltBetweenG !== undefined || rows.some(({ betweenG }) => betweenG !== undefined)

/**
 * The parts of a content with what their amounts lie between: rows first, then water and salt.
 * @param parts as `contentParts` has them of the same content.
 */
export function partsBetween(
  book: Book,
  { rows, waterG, waterBetweenG, saltBetweenG }: SaidContent,
  parts: NonNullable<ReturnType<typeof contentParts>>,
): MixedPart[] {
  return parts.map(({ name, composition }, index): MixedPart => {
    const row = rows[index]
    if (row)
      return {
        ...{ name, composition, massG: between(row.massG, row.betweenG) },
        own:
          row.lotId || row.preparation === 'dried' ? null : ownBalance(book.library.materialOrUnknown(row.materialId)),
      }
    const { massG } = composition
    if (name === 'Water') return { name, composition, massG: between(waterG, waterBetweenG) }
    return { name, composition, massG: between(massG, saltBetweenG) }
  })
}

/** The parts of a content with what they lie between; `null` when a lot is missing. */
export function contentBetween(book: Book, content: SaidContent, untilMs = Infinity): MixedPart[] | null {
  const parts = contentParts(book, content, untilMs)
  return parts && partsBetween(book, content, parts)
}
