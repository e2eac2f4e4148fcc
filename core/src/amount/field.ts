import { InvalidInput } from '../invalid'
import { withinLimits, type Limits } from '../units/limits'
import { parseQuantity, type QuantityKind } from '../units/quantity'
import { exactly, mapRange, type Range } from '../working'
import { readAmount } from './read'

/** Grams or millilitres that were said, where the thing itself says nothing: a weight is no volume. */
function amountOf(text: string, kind: 'mass' | 'volume', unit: string): Range {
  const amount = readAmount(text)
  if (amount.kind === 'bare') {
    const one = amountOf(`1 ${unit}`, kind, unit).typical
    return mapRange(amount.value, (value) => value * one)
  }
  if (amount.kind === 'mass' && kind === 'mass') return amount.massG
  if (amount.kind === 'volume' && kind === 'volume') return amount.volumeMl
  throw new InvalidInput(
    kind === 'mass'
      ? 'Say a weight: 350 g, 1.2 kg, 12 oz or 2 lb 3 oz.'
      : 'Say a volume: 500 mL, 1.5 L, 2 cups, a pint, a quart or half a gallon.',
  )
}

/**
 * Reads a field: what was typed, held to its limits, as a range where it was said as one. A number without a unit is
 * taken in `readIn` (g, mL, °C when none is named). A weight or a volume may be said in any way that is one.
 * @throws InvalidInput with a sentence, and with what was probably meant.
 */
export function readRange(text: string, kind: QuantityKind, readIn?: string, limits: Partial<Limits> = {}): Range {
  const range =
    kind === 'mass' || kind === 'volume'
      ? amountOf(text, kind, readIn ?? (kind === 'mass' ? 'g' : 'ml'))
      : exactly(parseQuantity(text, kind, readIn))
  withinLimits(range.typical, kind, limits)
  return range
}

/** Reads a field as one value: the middle of what was said as a range. @throws as {@link readRange}. */
export const readField = (text: string, kind: QuantityKind, readIn?: string, limits?: Partial<Limits>): number =>
  readRange(text, kind, readIn, limits).typical
