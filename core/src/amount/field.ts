import { InvalidInput } from '../invalid'
import { withinLimits, type Limits } from '../units/limits'
import { parseQuantity, type QuantityKind } from '../units/quantity'
import { readAmount } from './read'

/** Grams or millilitres that were said exactly. */
function exactOf(text: string, kind: 'mass' | 'volume', unit: string): number {
  const amount = readAmount(text)
  if (amount.kind === 'bare') return amount.value.typical * exactOf(`1 ${unit}`, kind, unit)
  if (amount.kind === 'mass' && kind === 'mass') return amount.massG.typical
  if (amount.kind === 'volume' && kind === 'volume') return amount.volumeMl.typical
  throw new InvalidInput(
    kind === 'mass'
      ? 'Say a weight: 350 g, 1.2 kg, 12 oz or 2 lb 3 oz.'
      : 'Say a volume: 500 mL, 1.5 L, 2 cups, a pint, a quart or half a gallon.',
  )
}

/**
 * Reads a field: what was typed, held to its limits. A number without a unit is taken in `readIn` (g, mL, °C when none
 * is named). A weight or a volume may be said in any way that is one.
 * @throws InvalidInput with a sentence, and with what was probably meant.
 */
export function readField(text: string, kind: QuantityKind, readIn?: string, limits: Partial<Limits> = {}): number {
  const value =
    kind === 'mass' || kind === 'volume'
      ? exactOf(text, kind, readIn ?? (kind === 'mass' ? 'g' : 'ml'))
      : parseQuantity(text, kind, readIn)
  return withinLimits(value, kind, limits)
}
