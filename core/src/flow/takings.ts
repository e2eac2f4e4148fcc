import type { Lot } from '../log/lot'
import { momentOf, type Moment } from './moment'

/** A part of another lot that went into this one. */
export interface Taking {
  lotId: string
  massG: number
  moment: Moment
  /** The jars it was taken from; `null` where nobody said: all that stood then. */
  from: readonly string[] | null
  /** The jars it went into; `null`: all of them. */
  into: readonly string[] | null
  /** It was part of the lot from the start; else it was put in later. */
  making: boolean
}

type Part = Pick<Taking, 'massG'> & { lotId?: string | undefined; ended?: readonly string[] | undefined }

/** What a lot was made of, and the entry that took it: of a plan the packing. */
function making({ made, weighed, packed }: Lot): { parts: readonly Part[]; moment: Moment } {
  const moment = momentOf(made)
  switch (made.kind) {
    case 'press':
      return { parts: [{ lotId: made.fromLotId, massG: made.inG, ended: made.marks }], moment }
    case 'bottle':
      return { parts: [{ lotId: made.fromLotId, massG: made.usedG }], moment }
    case 'blend':
      return { parts: made.parts, moment }
    case 'plan':
      return { parts: (weighed ?? made).rows, moment: packed ? momentOf(packed) : moment }
    case 'stock':
      return { parts: [], moment }
  }
}

const takingOf = ({ lotId, massG, ended }: Part, rest: Pick<Taking, 'moment' | 'into' | 'making'>): Taking[] =>
  lotId ? [{ lotId, massG, from: ended?.length ? ended : null, ...rest }] : []

/** The moment a lot begins: it is packed, pressed, poured or filled. */
export const beginOf = (lot: Lot): Moment => making(lot).moment

/** All parts of other lots that a lot contains; a lot taken from twice appears twice. */
export function takingsOf(lot: Lot): Taking[] {
  const { parts, moment } = making(lot)
  return [
    ...parts.flatMap((part) => takingOf(part, { moment, into: null, making: true })),
    ...lot.added.flatMap((entry) =>
      entry.rows.flatMap((row) =>
        takingOf(row, { moment: momentOf(entry), into: entry.marks?.length ? entry.marks : null, making: false }),
      ),
    ),
  ]
}
