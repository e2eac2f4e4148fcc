import { InvalidInput, within } from '../invalid'
import type { Row } from '../log/contents'
import { formatNumber } from '../units/number'

/** What is scaled: weights of the rows (`null` where nothing is weighed yet) and of the water. */
export interface Scalable {
  rows: readonly (Pick<Row, 'boughtG' | 'betweenG' | 'said'> & { massG: number | null })[]
  waterG: number | null
  waterBetweenG?: Row['betweenG']
}

const mapEnds = ({ low, high }: { low: number; high: number }, change: (grams: number) => number) => ({
  low: change(low),
  high: change(high),
})

/**
 * Weights of a plan times a factor; percentages stay as they are, since the salt follows from them.
 * @throws InvalidInput on a factor that cannot be.
 */
export function scaled<T extends Scalable>(plan: T, factor: number): T {
  if (!Number.isFinite(factor) || factor <= 0) throw new InvalidInput('The factor must be a number above zero.')
  within(factor, 1e-4, 1e4, 'The factor')
  const times = (grams: number) => grams * factor
  return {
    ...plan,
    rows: plan.rows.map(({ said: _said, betweenG, ...row }) => ({
      ...row,
      ...(betweenG && { betweenG: mapEnds(betweenG, times) }),
      massG: row.massG === null ? null : times(row.massG),
      ...(row.boughtG !== undefined && { boughtG: times(row.boughtG) }),
    })),
    waterG: plan.waterG === null ? null : times(plan.waterG),
    ...(plan.waterBetweenG && { waterBetweenG: mapEnds(plan.waterBetweenG, times) }),
  } as T
}

/** Factor that fills a vessel to its limit. @param volumeMl of the plan now. */
export function factorToFill(volumeMl: number, capacityMl: number, limit: number, count = 1): number {
  if (!(volumeMl > 0)) throw new InvalidInput('Weigh something in first: there is nothing to scale.')
  within(capacityMl, 1, 1e9, 'The vessel in mL')
  within(count, 1, 500, 'The number of vessels')
  return (capacityMl * limit * count) / volumeMl
}

/** Factor that gives so many bottles, from what the plan is expected to give now. Volumes in mL. */
export function factorToYield(sauceMl: number, bottles: number, bottleMl: number): number {
  if (!(sauceMl > 0)) throw new InvalidInput('Weigh something in first: there is nothing to scale.')
  within(bottles, 1, 1e6, 'The number of bottles')
  within(bottleMl, 1, 1e5, 'The bottle in mL')
  return (bottles * bottleMl) / sauceMl
}

/**
 * Factor that uses up what is at hand of one row.
 * @param atHandG as it was bought: trimming takes its share when the row says what was bought.
 */
export function factorForAtHand(
  row: { name: string; massG: number | null; boughtG?: number | undefined },
  atHandG: number,
): number {
  const now = row.boughtG ?? row.massG
  if (!now || now <= 0)
    throw new InvalidInput(`${row.name} has no weight in the plan yet, so there is nothing to scale by.`)
  within(atHandG, 0.1, 1e7, `What you have of ${row.name}, in g,`)
  return atHandG / now
}

/** A factor in words. */
export const factorWords = (factor: number): string => `× ${formatNumber(factor, factor < 10 ? 3 : 1)}`
