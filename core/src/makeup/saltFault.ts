import { mix, propertiesOf, type Composition } from '../composition/composition'
import { styleById } from '../library/styles'
import type { Row } from '../log/contents'
import type { Draft, EntryOf } from '../log/entry'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import { saltRemedies, type Remedy } from '../salt/remedies'
import { formatNumber } from '../units/number'
import { compositionOf, contentComposition } from './lotComposition'

/* A lot that was salted wrong: what it holds, what would mend it, and what is written down when that was put in. */

/** How the salt of a lot is known: measured in percent of everything, or remembered in grams that went in. */
export type SaltKnown = { measuredPct: number; rememberedG: null } | { measuredPct: null; rememberedG: number }

/** What is to be reached, and the brine at hand, percent of everything. */
export interface SaltWish {
  targetPct: number
  brinePct: number
}

/** Rows, water and salt as they went in: as weighed, else as planned; `null` for what was not planned. */
const contentOf = (lot: Lot) => (lot.made.kind === 'plan' ? (lot.weighed ?? lot.made) : null)

/** Salt that was planned, percent of everything; `null` where nothing was planned or its make-up is not known. */
export function plannedSaltPct(book: Book, lot: Lot): number | null {
  const meant = lot.made.kind === 'plan' ? contentComposition(book, lot.made) : null
  return meant && Number(propertiesOf(meant).saltPct.toFixed(2))
}

/** The batch as the log has it, or as it would be with the salt that is remembered; later additions included. */
function batchOf(book: Book, lot: Lot, { rememberedG }: SaltKnown): Composition | null {
  if (rememberedG === null) return compositionOf(book, lot.id)
  const content = contentOf(lot)
  if (!content) return null
  const parts = [{ ...content, saltG: rememberedG }, ...lot.added].map((part) => contentComposition(book, part))
  return parts.some((part) => part === null) ? null : mix(parts.filter((part) => part !== null))
}

/** Salt a lot holds by what is known of it, percent of everything; `null` while its make-up is not known. */
export function knownSaltPct(book: Book, lot: Lot, known: SaltKnown): number | null {
  if (known.measuredPct !== null) return known.measuredPct
  const batch = batchOf(book, lot, known)
  return batch && propertiesOf(batch).saltPct
}

/** Rows that are no part of another lot: produce that can be bought once more. */
const freshRows = (rows: readonly Row[]) => rows.filter(({ lotId }) => !lotId)
const sumG = (rows: readonly { massG: number }[]) => rows.reduce((sum, { massG }) => sum + massG, 0)

/**
 * What would bring a lot to the salt it should have; empty where it is near enough, `null` while something is not
 * known. More produce is offered only where most of the batch is fresh: a jar filled from a salted bowl has little of
 * its own, and more of that would be another sauce.
 * @throws InvalidInput what {@link saltRemedies} refuses.
 */
export function remediesOf(book: Book, lot: Lot, known: SaltKnown, wish: SaltWish): Remedy[] | null {
  const [batch, now, content] = [batchOf(book, lot, known), compositionOf(book, lot.id), contentOf(lot)]
  const saltPct = knownSaltPct(book, lot, known)
  if (!batch || !now || !content || lot.made.kind !== 'plan' || saltPct === null) return null
  const capacityMl = (lot.packed?.vessels ?? []).reduce(
    (sum, { vesselId }) => sum + (book.library.vessel(vesselId)?.capacityMl ?? 0),
    0,
  )
  const remedies = saltRemedies({
    ...{ massG: batch.massG, saltPct, ...wish, capacityMl: capacityMl || null },
    densityGPerMl: propertiesOf(now).densityGPerMl,
    fillLimit: styleById(lot.made.style).fillLimit,
  })
  const mostlyFresh = sumG(freshRows(content.rows)) > sumG(content.rows) / 2
  return remedies.filter(({ id }) => id !== 'produce' || mostlyFresh)
}

/** What a remedy puts in. @param fresh rows of produce that it is shared out over. @param brinePct of the brine. */
export function remedyContent(
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
      const rowsG = sumG(fresh)
      const rows = fresh.map(({ said: _said, boughtG: _bought, ...row }) => ({
        ...row,
        massG: (row.massG * massG) / rowsG,
      }))
      return { rows, waterG: 0, saltG: 0 }
    }
  }
}

/**
 * What is written down once a remedy is in: what is known of the salt, and what was put in.
 * @param at when the salt became known, `laterAt` when the remedy went in: moments.
 */
export function remedyDrafts(
  book: Book,
  lot: Lot,
  known: SaltKnown,
  wish: SaltWish,
  remedy: Remedy,
  { at, laterAt }: { at: string; laterAt: string },
): Draft[] | null {
  const content = contentOf(lot)
  const saltPct = knownSaltPct(book, lot, known)
  if (!content || saltPct === null) return null
  const fact: Draft =
    known.measuredPct !== null
      ? { kind: 'reading', at, lotId: lot.id, saltPct: Math.round(saltPct * 100) / 100, note: 'Salted wrong.' }
      : {
          ...{ kind: 'weigh', at: lot.weighed?.at ?? lot.packed?.at ?? at, lotId: lot.id, rows: content.rows },
          ...{ waterG: content.waterG, saltG: known.rememberedG, note: 'Salt as remembered.' },
          ...(lot.weighed && { replaces: lot.weighed.id }),
        }
  return [
    fact,
    {
      ...{ kind: 'add', at: laterAt, lotId: lot.id },
      ...remedyContent(remedy, freshRows(content.rows), wish.brinePct),
      reason: `Salt from ${formatNumber(saltPct, 2)} to ${formatNumber(wish.targetPct, 2)} %.`,
    },
  ]
}
