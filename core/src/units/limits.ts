import { InvalidInput } from '../invalid'
import { formatNumber } from './number'
import type { QuantityKind } from './quantity'

/** What a field accepts, in stored units. */
export interface Limits {
  low: number
  high: number
  unit: string
}

/** Widest values that can be true for a maker of up to a tonne; a page may narrow them. Judgement. */
export const LIMITS = {
  mass: { low: 0, high: 1_000_000, unit: 'g' },
  volume: { low: 0, high: 1_000_000, unit: 'mL' },
  temperature: { low: -30, high: 130, unit: '°C' },
  ph: { low: 1.5, high: 9, unit: '' },
  percent: { low: 0, high: 100, unit: '%' },
  count: { low: 0, high: 100_000, unit: '' },
  number: { low: 0, high: 1_000_000, unit: '' },
} as const satisfies Record<QuantityKind, Limits>

/**
 * Holds a value, in stored units, to its limits.
 * @throws InvalidInput with a sentence, and with a suggestion when a decimal point was probably lost (pH 41 → 4.1).
 */
export function withinLimits(value: number, kind: QuantityKind, limits: Partial<Limits> = {}): number {
  const { low, high, unit } = { ...LIMITS[kind], ...limits }
  if (!Number.isFinite(value)) throw new InvalidInput('This is not a number.')
  if (kind === 'count' && !Number.isInteger(value)) throw new InvalidInput('Enter a whole number.')
  if (value >= low && value <= high) return value
  const tidy = (x: number) => `${formatNumber(x, Number.isInteger(x) ? 0 : 1)}${unit ? ` ${unit}` : ''}`
  if (value < 0 && low >= 0) throw new InvalidInput('This cannot be less than zero.')
  const meant = kind === 'ph' && value > high ? [value / 10, value / 100].find((x) => x >= 2 && x <= 7) : undefined
  const name = kind === 'ph' ? 'A pH here' : 'This'
  throw new InvalidInput(
    `${name} lies between ${tidy(low)} and ${tidy(high)}.${meant ? ` Did you mean ${meant}?` : ''}`,
    ...(meant === undefined ? [] : [String(meant)]),
  )
}
