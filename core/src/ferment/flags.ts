import { PH_LINE } from './clock'
import { chanceOf, type Assimilated } from './assimilate'
import { studentBelow } from './readings'
import { riseAsks } from './settled'

/**
 * What stands out of what was read, the gravest first: the forecast is not to be trusted; film eats the acid; nothing
 * works in it; yeast works in it instead; it stands still above its target; it is behind living batches like it.
 */
export const FLAG_CODES = ['distrust', 'film', 'dead', 'yeast', 'standing still', 'behind'] as const
export type FlagCode = (typeof FLAG_CODES)[number]

/** A flag with the probability behind it, 0 to 1. */
export interface Flag {
  code: FlagCode
  chance: number
}

/** More likely than not. */
const LIKELY = 0.5
/** Under 4.6 a slow batch looks like one that stands still: it is said when three in four do. Judgement. */
const STANDS = 0.75
/** Share of living batches that a reading lies above: behind; of all that were to be expected: not explained. */
const BEHIND = 0.975
const BEYOND = 0.995
/** Deviations that no batch explains. Judgement. */
const RESIDUAL = 2

/** The flags of what readings taught. @param targetPh what the batch is to reach. */
export function flagsOf(learned: Assimilated, targetPh: number): Flag[] {
  const { quiet, newest } = learned
  if (!newest) return []
  const { place, residual } = newest
  const standsAbove = (ph: number) => chanceOf(learned, (way) => way.kind === 'standstill' && way.floorPh > ph)
  const yeast = chanceOf(learned, ({ kind }) => kind === 'yeast')
  const film = chanceOf(learned, ({ kind }) => kind === 'film')
  // Yeast's standstills stand still too; which of the two it is a reading alone rarely tells.
  const stands = standsAbove(targetPh) + yeast
  const aboveLine = standsAbove(PH_LINE)
  const distrust = Math.max(
    quiet > LIKELY ? quiet : 0,
    aboveLine > LIKELY ? aboveLine : 0,
    place.all > BEYOND ? place.all : 0,
    Math.abs(residual) > RESIDUAL ? studentBelow(Math.abs(residual)) : 0,
  )
  const found: [FlagCode, chance: number, holds: boolean][] = [
    ['distrust', distrust, distrust > 0],
    ['film', film, film > LIKELY || newest.rise > riseAsks(newest.sd)],
    ['dead', quiet, quiet > LIKELY],
    ['yeast', yeast, yeast > LIKELY],
    ['standing still', stands, stands > STANDS && newest.ph > targetPh],
    ['behind', place.living, place.living > BEHIND],
  ]
  return found.filter(([, , holds]) => holds).map(([code, chance]) => ({ code, chance }))
}
