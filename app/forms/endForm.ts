import {
  inJars,
  type Book,
  type Draft,
  type EntryOf,
  type Lot,
  type Pieces,
  type Row,
  type WayOfUse,
} from '@lactofer/core'

/** How a jar ends that was never pressed. */
export type Ending = Extract<WayOfUse, 'eaten' | 'given' | 'frozen'> | 'another lot'
type Use = EntryOf<'use'>

/** What is said of an ending. */
export interface EndForm {
  how: Ending
  marks: string[]
  some: boolean
  massG: number | null
  /** Pieces that were taken, where it is taken by the piece. */
  pieces: number | null
  rinsed: boolean
  part: NonNullable<Use['part']>
  table: NonNullable<Use['table']>
  tempC: number | null
  intoLotId: string
  to: string
  note: string
}

export const freshEnd = (): EndForm => ({
  ...{ how: 'eaten', marks: [], some: false, massG: null, pieces: null, rinsed: true, part: 'whole', table: [] },
  ...{ tempC: null, intoLotId: '', to: '', note: '' },
})

/** Where it goes unless something else is said. */
export const WHERE = { eaten: 'own kitchen', given: '', frozen: 'freezer' } as const

/** Grams that an ending comes to; `null` while it is not said. */
export function endG({ some, massG, marks, pieces }: EndForm, lot: Lot, byPiece: Pieces | null): number | null {
  if (some) return byPiece && pieces !== null ? Math.min(pieces * byPiece.pieceG, lot.leftG) : massG
  if (lot.vessels.length < 2 || marks.length === lot.vessels.length) return lot.leftG
  return Math.min(inJars(lot, marks), lot.leftG)
}

/** Lots that something can be put into: those that ferment, and what stands in stock to be blended. */
export const intoLots = (book: Book, lot: Lot): Lot[] =>
  [...book.lots.values()].filter(
    ({ id, kind, state }) =>
      id !== lot.id && (state === 'fermenting' || (state === 'in stock' && (kind === 'base' || kind === 'blend'))),
  )

/** The entry of an ending. */
export function endDraft(form: EndForm, lot: Lot, at: string, massG: number, byPiece: Pieces | null): Draft {
  const { how, marks, some, note, table, part, rinsed, pieces, tempC } = form
  const jars = !some && lot.vessels.length > 1 ? [...marks] : undefined
  if (how === 'another lot') {
    const row: Row = {
      ...{ materialId: 'lot', lotId: lot.id, name: lot.name, massG, preparation: 'raw', seedsOut: false },
      ...(jars && { ended: jars }),
    }
    return {
      ...{ kind: 'add', at, lotId: form.intoLotId, rows: [row], waterG: 0, saltG: 0 },
      reason: note.trim() || `From ${lot.code}.`,
    }
  }
  const counted = some && byPiece !== null && pieces !== null
  return {
    ...{ kind: 'use', at, lotId: lot.id, massG, how, to: form.to.trim() || WHERE[how] },
    ...(jars && { marks: jars }),
    ...(counted && { pieces, rinsed, part }),
    ...(how === 'eaten' && table.length > 0 && { table: [...table] }),
    ...(how === 'frozen' && tempC !== null && { tempC }),
    ...(note.trim() && { note: note.trim() }),
  }
}
