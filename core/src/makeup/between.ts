import { ownBalance } from '../composition/ingredient'
import type { MixedPart } from '../composition/ranges'
import { between, contentG, type Between, type Row } from '../log/contents'
import type { Moment } from '../flow'
import type { Book } from '../lots/fold'
import { contentParts, type Content } from './lotComposition'
import { mapRange } from '../working'

/** A content, with what its amounts lie between where they were not weighed. */
export type SaidContent = Content & { waterBetweenG?: Between | undefined; saltBetweenG?: Between | undefined }

/** What a bowl holds that a row is a part of: then its ranges are the row's. `null` for anything else. */
function bowlOf(book: Book, { lotId }: Row): { content: SaidContent; madeG: number } | null {
  const lot = lotId === undefined ? undefined : book.lots.get(lotId)
  if (lot?.made.kind !== 'plan' || lot.packed || lot.added.length > 0) return null
  const content = lot.weighed ?? lot.made
  return { content, madeG: contentG(content) }
}

/** Whether any amount of a content, or of the bowls it was taken from, is only known within a range. */
export const isBetween = (book: Book, { rows, waterBetweenG, saltBetweenG }: SaidContent, depth = 0): boolean =>
  waterBetweenG !== undefined ||
  saltBetweenG !== undefined ||
  rows.some((row) => {
    const bowl = depth < BOWLS_DEEP ? bowlOf(book, row) : null
    return row.betweenG !== undefined || (bowl !== null && isBetween(book, bowl.content, depth + 1))
  })
/** Bowls of bowls are looked into so deep; a circle ends there. */
const BOWLS_DEEP = 8

/** A part of a bowl: each thing in it by its share, and as unsure as the row itself is. */
function ofBowl(book: Book, row: Row, depth: number): MixedPart[] | null {
  const bowl = depth < BOWLS_DEEP ? bowlOf(book, row) : null
  if (!bowl || bowl.madeG <= 0 || !isBetween(book, bowl.content)) return null
  const inside = contentParts(book, bowl.content)
  const share = mapRange(between(row.massG, row.betweenG), (grams) => grams / bowl.madeG)
  return (
    inside &&
    partsBetween(book, bowl.content, inside, depth + 1).map((part) => ({
      ...part,
      massG: {
        low: part.massG.low * share.low,
        typical: part.massG.typical * share.typical,
        high: part.massG.high * share.high,
      },
    }))
  )
}

/**
 * The parts of a content with what their amounts lie between: rows first, then water and salt; what is part of a bowl
 * whose amounts are ranges is opened into what the bowl holds.
 * @param parts as `contentParts` has them of the same content.
 */
export function partsBetween(
  book: Book,
  { rows, waterG, waterBetweenG, saltBetweenG }: SaidContent,
  parts: NonNullable<ReturnType<typeof contentParts>>,
  depth = 0,
): MixedPart[] {
  return parts.flatMap(({ name, composition }, index): MixedPart[] => {
    const row = rows[index]
    if (row) {
      const own =
        row.lotId || row.preparation === 'dried' ? null : ownBalance(book.library.materialOrUnknown(row.materialId))
      return ofBowl(book, row, depth) ?? [{ name, composition, massG: between(row.massG, row.betweenG), own }]
    }
    const { massG } = composition
    if (name === 'Water') return [{ name, composition, massG: between(waterG, waterBetweenG) }]
    return [{ name, composition, massG: between(massG, saltBetweenG) }]
  })
}

/** The parts of a content with what they lie between; `null` when a lot is missing. */
export function contentBetween(book: Book, content: SaidContent, until?: Moment): MixedPart[] | null {
  const parts = contentParts(book, content, until)
  return parts && partsBetween(book, content, parts)
}
