import { z } from '../schema'
import { formatNumber } from '../units/number'
import { formatTemperature, type UnitWorld } from '../units/quantity'
import { USUAL_REFERENCE, type HeatReference } from './lethality'

/** What a process may permit beyond a sour sauce in the cold: the shelf, oil, and named deviations. */
export const PERMITS = ['shelf', 'oil', 'passed late', 'salty and late'] as const
export type Permit = (typeof PERMITS)[number]

const words = (most: number) => z.string().trim().min(1, 'Write it as the letter has it.').max(most)
const minutes = z.number().min(0).max(600)
const degrees = z.number().min(-5).max(121.1)

/**
 * A process somebody qualified wrote down, or a tested recipe with its source: for which product, container and
 * closure, how it is packed, and every figure that has to be reached. Temperatures in °C, times in minutes, what is not
 * set is not asked. Its pH is never over 4.6 (21 CFR 114).
 */
export const ProcessSchema = z.object({
  basis: z.enum(['scheduled process', 'tested recipe']),
  name: words(80),
  author: words(120),
  /** The day of the letter, or of the edition. */
  written: z.iso.date({ error: 'Enter a day, 2026-05-31.' }),
  product: words(120),
  container: words(120),
  closure: words(120),
  pack: z.enum(['hot', 'raw', 'cold']),
  /** It holds for containers up to this, mL. */
  largestMl: z.number().min(1).max(20_000).optional(),
  /** Least temperature when it goes into the water or the cooker. */
  initialC: degrees.optional(),
  fillC: degrees.optional(),
  holdMin: minutes.optional(),
  invertMin: minutes.optional(),
  boilMin: minutes.optional(),
  /** What the heat of the pot is reckoned against. */
  refC: z.number().min(50).max(121.1).optional(),
  zC: z.number().min(4).max(20).optional(),
  minutes: minutes.optional(),
  maxPh: z.number().min(2.5).max(4.6),
  maxAw: z.number().min(0.5).max(1).optional(),
  /** Least air, percent of the filling. */
  leastAirPct: z.number().min(0).max(50).optional(),
  /** Days a cold filling stands before it may go out. */
  standDays: z.number().min(0).max(365).optional(),
  permits: z.array(z.enum(PERMITS)).max(PERMITS.length),
})
export type Process = z.infer<typeof ProcessSchema>

/** What takes the place of a process where none was recorded. */
export const DEFAULTS_WORDS = 'the usual figures, not a scheduled process'

/** What a filling has to reach where no process says otherwise. Judgement. */
export const DEFAULT_FILL = { fillC: 82, invertMin: 2, maxPh: 4.1 } as const

/** Whether a process permits something. */
export const permits = (process: Process | null, permit: Permit): boolean => process?.permits.includes(permit) ?? false

/** What the heat of a pot is reckoned against: as the process has it, else the usual reference. */
export function referenceFor(process: Process | null): HeatReference {
  if (!process) return USUAL_REFERENCE
  const { refC = USUAL_REFERENCE.refC, zC = USUAL_REFERENCE.zC, maxPh, name, author, written } = process
  return {
    ...{ id: 'process', name, refC, zC, highestPh: maxPh, source: `${author}, ${written}` },
    minutes: process.minutes ?? (process.refC === undefined ? USUAL_REFERENCE.minutes : null),
  }
}

/** A process in a line, as a select and a record have it. */
export function processWords(process: Process, world: UnitWorld): string {
  const { basis, name, author, fillC, holdMin, minutes: asked, refC, boilMin, maxPh } = process
  return [
    `${name}, ${basis} by ${author}`,
    fillC === undefined ? '' : `fill ${formatTemperature(fillC, world)}`,
    holdMin ? `hold ${formatNumber(holdMin, 1)} min` : '',
    asked && refC !== undefined ? `${formatNumber(asked, 2)} min at ${formatTemperature(refC, world)}` : '',
    boilMin ? `boil ${formatNumber(boilMin)} min` : '',
    `pH ${maxPh.toFixed(2)} or less`,
  ]
    .filter(Boolean)
    .join('; ')
}
