import type { Book } from '../log/fold'
import type { Lot } from '../log/lot'
import { measuredPhs, type MeasuredPh } from './measuredPh'
import { structureOfLot, usuallyOf } from './structure'

/**
 * A pH of a lot, where the sample came from, which jars it stands for (none named: one of them, nobody knows which).
 */
export interface PhFact extends Omit<MeasuredPh, 'reading'> {
  of: 'liquid' | 'blended'
  marks: readonly string[]
}

/** Every pH of a lot in order, from readings and loggers. */
export function phsOf(book: Book, lot: Lot): PhFact[] {
  const measured = measuredPhs(lot)
  if (measured.length === 0) return []
  const usual = usuallyOf(structureOfLot(book, lot))
  return measured.map(({ reading, ...fact }) => ({
    ...fact,
    ...{ of: reading?.of ?? usual, marks: reading?.marks ?? [] },
  }))
}
