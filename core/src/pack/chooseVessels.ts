import { InvalidInput, within } from '../invalid'
import { formatNumber } from '../units/number'

/** A vessel that is free, so many of it. Volumes to the brim in mL. */
export interface FreeVessel {
  id: string
  capacityMl: number
  count: number
}

/** One answer: how many of which, all filled to the same share of their brim. */
export interface VesselChoice {
  vessels: { id: string; count: number; capacityMl: number }[]
  count: number
  capacityMl: number
  airMl: number
  /** Filled share of the brim, the same in each. */
  fraction: number
  verdict: 'fits' | 'airy'
}

/** Steps of the table that sums of vessels are counted in. */
const STEPS = 20_000
/** Vessels of one kind that can matter, and vessels in one answer. */
const MOST = 60

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))

function answer(picked: readonly FreeVessel[], volumeMl: number, least: number): VesselChoice {
  const capacityMl = picked.reduce((sum, vessel) => sum + vessel.capacityMl, 0)
  const kinds = new Map<string, { id: string; count: number; capacityMl: number }>()
  for (const { id, capacityMl: each } of picked)
    kinds.set(id, { id, capacityMl: each, count: (kinds.get(id)?.count ?? 0) + 1 })
  const fraction = volumeMl / capacityMl
  return {
    vessels: [...kinds.values()].sort((a, b) => b.capacityMl - a.capacityMl),
    count: picked.length,
    capacityMl,
    airMl: capacityMl - volumeMl,
    fraction,
    verdict: fraction < least ? 'airy' : 'fits',
  }
}

/**
 * The obvious way: the largest vessel that can still be filled, again and again, then the smallest that takes the
 * rest. `null` when it does not fit.
 */
export function greedyVessels(
  volumeMl: number,
  free: readonly FreeVessel[],
  limit: number,
  least = 0.5,
): VesselChoice | null {
  const left = singles(free).sort((a, b) => b.capacityMl - a.capacityMl)
  const picked: FreeVessel[] = []
  let need = volumeMl / limit
  while (need > 1e-6) {
    const filled = left.findIndex((vessel) => vessel.capacityMl <= need)
    const [taken] = left.splice(filled >= 0 ? filled : left.length - 1, 1)
    if (!taken) return null
    picked.push(taken)
    need -= taken.capacityMl
  }
  return answer(picked, volumeMl, least)
}

const singles = (free: readonly FreeVessel[]): FreeVessel[] =>
  free.flatMap((vessel) =>
    Array.from({ length: Math.min(MOST, Math.max(0, Math.floor(vessel.count))) }, () => ({ ...vessel, count: 1 })),
  )

/** No way to a sum was found. */
const NO_WAY = 0xffff

/** For each sum of capacities, in steps: the fewest vessels that reach it, and which they are. */
interface SumTable {
  step: number
  size: number
  fewest: Uint16Array
  picked: (sum: number) => FreeVessel[]
}

/**
 * A table over sums, exact while the sizes have a common step; else sizes are rounded down to it.
 * @param reach the largest sum asked for, mL.
 */
function sumTable(all: readonly FreeVessel[], reach: number): SumTable {
  const common = all.reduce((step, vessel) => gcd(step, Math.round(vessel.capacityMl)), 0)
  const step = Math.max(all.every((vessel) => Number.isInteger(vessel.capacityMl)) ? common : 1, reach / STEPS)
  const size = Math.ceil(reach / step) + 1
  const fewest = new Uint16Array(size).fill(NO_WAY)
  fewest[0] = 0
  // Which vessel came last on the way to a sum.
  const took = all.map((vessel) => {
    const units = Math.floor(vessel.capacityMl / step + 1e-9)
    const mark = new Uint8Array(size)
    for (let sum = size - 1; sum >= units && units > 0; sum--) {
      const through = (fewest[sum - units] ?? NO_WAY) + 1
      if (through < (fewest[sum] ?? NO_WAY)) {
        fewest[sum] = through
        mark[sum] = 1
      }
    }
    return { vessel, units, mark }
  })
  const picked = (target: number): FreeVessel[] => {
    let sum = target
    return took.reduceRight<FreeVessel[]>((found, { vessel, units, mark }) => {
      if (sum <= 0 || !mark[sum]) return found
      sum -= units
      return [...found, vessel]
    }, [])
  }
  return { step, size, fewest, picked }
}

/**
 * Which of the free vessels to fill, so that none is over its limit: answers from the least air to the fewest
 * vessels, each better than the last in one of them.
 * A sum of capacities is reached with as few vessels as can be ({@link sumTable}; a limit is never passed, and the
 * greedy answer is offered where it is better).
 * @param limit largest filled share for the style; @param least the share under which there is too much air.
 * @throws InvalidInput when there is nothing to fill, no vessel, or not enough of them; the sentence says how much
 * is missing.
 */
export function chooseVessels(
  volumeMl: number,
  free: readonly FreeVessel[],
  limit: number,
  least = 0.5,
  offered = 4,
): VesselChoice[] {
  within(volumeMl, 1, 1e9, 'The volume in mL')
  within(limit, 0.05, 1, 'The largest filled share')
  for (const vessel of free) within(vessel.capacityMl, 1, 1e9, 'A vessel in mL')
  const all = singles(free)
  if (all.length === 0)
    throw new InvalidInput('No vessel is free. List your vessels in the Library, or take one from the list.')
  const need = volumeMl / limit
  const together = all.reduce((sum, vessel) => sum + vessel.capacityMl, 0)
  if (together < need)
    throw new InvalidInput(
      `It does not fit: ${formatNumber(volumeMl / 1000, 2)} L want ${formatNumber(need / 1000, 2)} L of vessels at ${formatNumber(100 * limit)} % full, and ${formatNumber(together / 1000, 2)} L are free. Make less, or split it over more vessels.`,
    )
  const largest = Math.max(...all.map((vessel) => vessel.capacityMl))
  const { step, size, fewest, picked } = sumTable(all, Math.min(together, need + largest))
  const found: VesselChoice[] = []
  let best = NO_WAY
  for (let sum = Math.ceil(need / step - 1e-9); sum < size && found.length < 12; sum++) {
    if ((fewest[sum] ?? NO_WAY) >= best) continue
    best = fewest[sum] ?? best
    const choice = answer(picked(sum), volumeMl, least)
    if (choice.fraction <= limit + 1e-9) found.push(choice)
  }
  const greedy = greedyVessels(volumeMl, free, limit, least)
  const candidates = [...found, ...(greedy ? [greedy] : [])].sort((a, b) => a.airMl - b.airMl || a.count - b.count)
  const better = candidates.filter((choice, index) =>
    candidates.slice(0, index).every((before) => choice.count < before.count),
  )
  // The least air is always among the answers; the others are those with the fewest vessels, which a maker asks next.
  return better.length <= offered ? better : [...better.slice(0, 1), ...better.slice(1 - offered)]
}

/** How full a vessel must be, as a share of how full it may be, to be put before fewer vessels. Judgement. */
const FULL_ENOUGH = 0.75

/**
 * The answer to begin with: the fewest vessels that are still three quarters as full as they may be; else the one
 * with the least air.
 */
export function recommendedChoice(choices: readonly VesselChoice[], limit: number): VesselChoice | null {
  return choices.findLast((choice) => choice.fraction >= FULL_ENOUGH * limit) ?? choices[0] ?? null
}
