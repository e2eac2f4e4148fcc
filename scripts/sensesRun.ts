import { HIDDEN_KINDS } from '../core/src'
import {
  calibrationRows,
  liveBySenses,
  SENSE_COLUMNS,
  senseRow,
  STRIPS,
  type SenseLife,
  type Strips,
} from '../core/test/truth/bySenses'
import { keptLives, printTable } from './kept'

/** Lives so many seeds by eye and tongue, and gives all that were ever lived here. */
export function liveSenses(count: number, from: number, which: readonly Strips[] = STRIPS): SenseLife[] {
  const kept = keptLives<SenseLife>('senses.jsonl')
  for (let seed = from; seed < from + count; seed++)
    for (const strips of which) kept.live(`${strips} ${seed}`, () => liveBySenses(seed, strips))
  return kept.all()
}

/** A table for each way of dipping strips, by the true batch, and how what was said held. */
export function printSenses(lives: readonly SenseLife[]): void {
  for (const strips of STRIPS) {
    const mine = lives.filter((life) => life.strips === strips)
    const rows = HIDDEN_KINDS.map((kind) =>
      senseRow(
        kind,
        mine.filter((life) => life.kind === kind),
      ),
    )
    console.log(`\nBy eye and tongue; strips: ${strips}`)
    printTable([SENSE_COLUMNS, ...rows.filter(([, n]) => n !== '0'), senseRow('all', mine)])
  }
  console.log('')
  printTable([['said', 'times', 'mean said', 'was'], ...calibrationRows(lives)])
}
