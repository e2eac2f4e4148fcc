import { forecastFerment, hiddenBatch, normals, type FermentCase, type HiddenKind, type PhReading } from '../../src'
import { at, batch } from '../ferment/foods'

/* How well the forecast knows what it does not know: hidden batches, read as a maker reads them. */

/** What the batches are believed to be. */
const MASHES: readonly FermentCase[] = [
  at(22, batch('pepper', 4)),
  at(19, batch('pepper', 3)),
  at(25, batch('pepper', 5)),
  at(22, batch('salsa', 2.4, { cut: 'fine' })),
]
const PIECES: readonly FermentCase[] = [
  at(22, batch('pepper', 4, { lie: 'in brine', cut: 'coarse' })),
  at(22, batch('cabbage', 2.25, { lie: 'in brine', cut: 'coarse' })),
]
const METER_SD = 0.05

/** How a kind of hidden batch was foretold. */
export interface Coverage {
  kind: HiddenKind
  count: number
  /** Held by the band of days 7 and 14, after readings on days 2 and 4. */
  held: { day7: number; day14: number }
  /** Width of the band of day 7, pH. */
  width: number[]
  /** Flags after the readings of days 2, 4 and 7. */
  flags: Record<2 | 4 | 7, string[][]>
}

/** Hidden batches of a kind, drawn from seeds from `from` on. */
export function coverageOf(
  kind: HiddenKind,
  from: number,
  count: number,
  members = 500,
  days: readonly (2 | 4 | 7)[] = [2, 4, 7],
): Coverage {
  const found: Coverage = { kind, count, held: { day7: 0, day14: 0 }, width: [], flags: { 2: [], 4: [], 7: [] } }
  const cases = kind.startsWith('pieces') ? PIECES : MASHES
  for (let seed = from; seed < from + count; seed++) {
    const believed = cases[seed % cases.length]!
    const truth = hiddenBatch(kind, believed, seed)
    const next = normals(seed + 500_000)
    const readings: PhReading[] = []
    for (const day of days) {
      readings.push({
        hour: day * 24,
        ph: truth.ph(day * 24, 'blended') + METER_SD * next(),
        sd: METER_SD,
        of: 'blended',
      })
      const { hours, blended, flags } = forecastFerment({ ...believed, readings }, { days: 15, members })
      found.flags[day].push(flags.map(({ code }) => code))
      if (day !== 4) continue
      const holds = (on: number) => {
        const index = hours.indexOf(on * 24)
        const ph = truth.ph(on * 24, 'blended')
        if (on === 7) found.width.push(blended.high[index]! - blended.low[index]!)
        return Number(ph >= blended.low[index]! && ph <= blended.high[index]!)
      }
      found.held.day7 += holds(7)
      found.held.day14 += holds(14)
    }
  }
  return found
}

/** Share of lists that hold something. */
const some = (lists: readonly string[][]) => lists.filter((list) => list.length > 0).length / Math.max(1, lists.length)
const percent = (share: number) => `${Math.round(100 * share)}`

/** A row of the table: what was asked, in percent. */
export function rowOf({ kind, count, held, width, flags }: Coverage): string[] {
  const sorted = [...width].sort((a, b) => a - b)
  const byDay7 = flags[7].map((list, index) => [...list, ...flags[4][index]!, ...flags[2][index]!])
  const behind2 = flags[2].filter((list) => list.includes('behind')).length / count
  const names = new Map<string, number>()
  for (const name of flags[7].flat()) names.set(name, (names.get(name) ?? 0) + 1)
  return [
    kind,
    `${count}`,
    percent(held.day7 / count),
    percent(held.day14 / count),
    (sorted[sorted.length >> 1] ?? 0).toFixed(2),
    percent(behind2),
    percent(some(flags[7])),
    percent(some(byDay7)),
    [...names].map(([name, times]) => `${name} ${percent(times / count)}`).join(', '),
  ]
}
export const COLUMNS_OF_ROW = [
  'true batch',
  'batches',
  'held day 7 %',
  'held day 14 %',
  'width day 7',
  'behind day 2 %',
  'any flag day 7 %',
  'any flag by day 7 %',
  'flags on day 7, %',
]
