import { PH_LINE } from '../ferment/clock'
import type { Book } from '../lots/fold'
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

/**
 * The jar of a lot in several that its forecast follows: of those read by their mark the one whose newest pH is
 * highest. `null` where all that was read is of one thing.
 */
export function followedJar({ vessels }: Pick<Lot, 'vessels'>, facts: readonly PhFact[]): string | null {
  if (vessels.length < 2) return null
  const newest = vessels.flatMap(({ mark }) => facts.findLast(({ marks }) => marks.includes(mark)) ?? [])
  const highest = Math.max(...newest.map(({ ph }) => ph))
  return vessels.find(({ mark }) => facts.findLast(({ marks }) => marks.includes(mark))?.ph === highest)?.mark ?? null
}

/** What speaks for one jar: what was read in it; of nobody knows which jar, what stands above the line. */
export const factsOfJar = (facts: readonly PhFact[], mark: string): PhFact[] =>
  facts.filter(({ marks, ph }) => (marks.length ? marks.includes(mark) : ph > PH_LINE))

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
