import { InvalidInput } from '../invalid'
import { formatNumber, parseNumber } from './number'

/** What a field measures. Each kind has one stored unit: g, mL, °C, plain pH, %, pieces. */
export type QuantityKind = 'mass' | 'volume' | 'temperature' | 'ph' | 'percent' | 'count'

/** Which of the two worlds a maker reads: grams, millilitres and °C, or pounds, cups and °F. */
export type UnitWorld = 'metric' | 'us'

interface Unit { names: string[], toStored: (value: number) => number, fromStored: (value: number) => number }
const times = (factor: number, ...names: string[]): Unit => ({ names, toStored: v => v * factor, fromStored: v => v / factor })
const fahrenheit: Unit = { names: ['f', '°f'], toStored: v => (v - 32) / 1.8, fromStored: v => v * 1.8 + 32 }

/*
 * Factors: the pound is exactly 453.59237 g and the US gallon exactly 231 cubic inches of 2.54 cm
 * (NIST Handbook 44, appendix C, from memory); a cup is a sixteenth of a gallon, a tablespoon a sixteenth of a cup,
 * a teaspoon a third of a tablespoon, a fluid ounce two tablespoons.
 */
const UNITS: Record<QuantityKind, Unit[]> = {
  mass: [times(1, 'g', 'gram', 'grams'), times(1000, 'kg', 'kilo', 'kilos'), times(28.349523125, 'oz', 'ounce', 'ounces'),
    times(453.59237, 'lb', 'lbs', 'pound', 'pounds')],
  volume: [times(1, 'ml'), times(1000, 'l', 'litre', 'litres', 'liter', 'liters'), times(236.5882365, 'cup', 'cups', 'c'),
    times(14.78676478125, 'tbsp', 'tablespoon', 'tablespoons'), times(4.92892159375, 'tsp', 'teaspoon', 'teaspoons'),
    times(29.5735295625, 'floz', 'fl oz')],
  temperature: [times(1, 'c', '°c', '°', 'celsius'), fahrenheit],
  ph: [times(1, 'ph')],
  percent: [times(1, '%', 'percent', 'pct')],
  count: [times(1, 'bottles', 'jars', 'pcs')],
}

const DEFAULT_UNIT: Record<QuantityKind, Record<UnitWorld, string>> = {
  mass: { metric: 'g', us: 'oz' },
  volume: { metric: 'ml', us: 'cup' },
  temperature: { metric: 'c', us: 'f' },
  ph: { metric: 'ph', us: 'ph' },
  percent: { metric: '%', us: '%' },
  count: { metric: 'pcs', us: 'pcs' },
}

function unitNamed(kind: QuantityKind, name: string): Unit {
  const unit = UNITS[kind].find(candidate => candidate.names.includes(name.toLowerCase()))
  if (!unit) {
    const known = UNITS[kind].map(candidate => candidate.names[0]).join(', ')
    throw new InvalidInput(`"${name}" is not a unit for this. Use ${known}.`)
  }
  return unit
}

/**
 * Reads a typed quantity with or without a unit ("2 lb 3 oz", "1 1/2 cup", "68F", "1 384.6 g") into its stored unit
 * (g, mL, °C, pH, %). Without a unit the world's own is taken: g, mL, °C or oz, cups, °F.
 * @throws InvalidInput with a sentence for the field.
 */
export function parseQuantity(text: string, kind: QuantityKind, world: UnitWorld = 'metric'): number {
  const prefix = kind === 'ph' ? text.replace(/^\s*ph\s*/i, '') : text
  const parts = [...prefix.matchAll(/\s*([-−]?[\d½¼¾⅓⅔⅛.,/][\d½¼¾⅓⅔⅛.,/\s]*)([a-zA-Z°%]+(?:\s+oz\b)?)?/g)]
  const rebuilt = parts.map(part => part[0]).join('').trim()
  if (parts.length === 0 || rebuilt !== prefix.trim()) return parseNumber(prefix)
  if (parts.length > 1 && (kind !== 'mass' && kind !== 'volume')) throw new InvalidInput('Enter one number.')
  return parts.reduce((sum, [, number = '', name]) =>
    sum + unitNamed(kind, name ?? DEFAULT_UNIT[kind][world]).toStored(parseNumber(number)), 0)
}

/**
 * Writes a mass: tenths of a gram below 100 g, whole grams above, kilograms from ten on; or pounds and ounces.
 * `exact` keeps the tenths, as on a scale.
 */
export function formatMass(massG: number, world: UnitWorld = 'metric', exact = false): string {
  if (world === 'metric') {
    if (exact) return `${formatNumber(massG, 1)} g`
    if (Math.abs(massG) >= 10_000) return `${formatNumber(massG / 1000, 2)} kg`
    return `${formatNumber(massG, Math.abs(massG) < 100 ? 1 : 0)} g`
  }
  const ounces = massG / 28.349523125
  if (Math.abs(ounces) < 16) return `${formatNumber(ounces, 2)} oz`
  const tenths = Math.round(ounces * 10)
  return `${formatNumber(Math.trunc(tenths / 160))} lb ${formatNumber(Math.abs(tenths % 160) / 10, 1)} oz`
}

/** Writes a volume in mL or L, or in cups. */
export function formatVolume(volumeMl: number, world: UnitWorld = 'metric'): string {
  if (world === 'us') return `${formatNumber(volumeMl / 236.5882365, 2)} cups`
  return Math.abs(volumeMl) >= 1000 ? `${formatNumber(volumeMl / 1000, 2)} L` : `${formatNumber(volumeMl)} mL`
}

/** Writes a temperature in °C or °F. */
export function formatTemperature(tempC: number, world: UnitWorld = 'metric'): string {
  return world === 'us' ? `${formatNumber(tempC * 1.8 + 32, 1)} °F` : `${formatNumber(tempC, 1)} °C`
}

/** Writes a stored quantity so that {@link parseQuantity} reads the same value back within the digits shown. */
export function formatForField(value: number, kind: QuantityKind, world: UnitWorld = 'metric'): string {
  const shown = unitNamed(kind, DEFAULT_UNIT[kind][world]).fromStored(value)
  const decimals = kind === 'ph' || kind === 'volume' && world === 'us' || kind === 'mass' && world === 'us' ? 2 : kind === 'count' ? 0 : 1
  return String(Number(shown.toFixed(decimals)))
}

/** The sign of the unit a field without a typed unit is read in. */
export function fieldUnit(kind: QuantityKind, world: UnitWorld = 'metric'): string {
  const signs: Record<string, string> = { ml: 'mL', c: '°C', f: '°F', ph: 'pH', pcs: '', cup: 'cup' }
  const name = DEFAULT_UNIT[kind][world]
  return signs[name] ?? name
}
