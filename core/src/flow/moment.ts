import type { Entry } from '../log/entry'

/** A moment in the order of a log: its time, ms, and of one time the id of the entry. */
export interface Moment {
  ms: number
  id: string
}

/** No id has this sign: it sorts after all of them. */
const LAST_ID = '~'

/** After everything that is dated at a time. */
export const endOf = (ms: number): Moment => ({ ms, id: LAST_ID })

export const momentOf = ({ at, id }: Pick<Entry, 'at' | 'id'>): Moment => ({ ms: Date.parse(at), id })

export const isBefore = (a: Moment, b: Moment): boolean => a.ms < b.ms || (a.ms === b.ms && a.id < b.id)
