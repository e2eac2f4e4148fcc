import { InvalidInput } from '../invalid'
import { formatNumber, parseNumber } from './number'

/** What a field measures. Each kind has one stored unit: g, mL, °C, plain pH, %, pieces; a number has none. */
export type QuantityKind = 'mass' | 'volume' | 'temperature' | 'ph' | 'percent' | 'count' | 'number'

/** Which of the two worlds a maker reads: grams, millilitres and °C, or pounds, cups and °F. */
export type UnitWorld = 'metric' | 'us'

interface Unit {
  names: string[]
  toStored: (value: number) => number
  fromStored: (value: number) => number
}
const times = (factor: number, ...names: string[]): Unit => ({
  names,
  toStored: (v) => v * factor,
  fromStored: (v) => v / factor,
})
const fahrenheit: Unit = { names: ['f', '°f'], toStored: (v) => (v - 32) / 1.8, fromStored: (v) => v * 1.8 + 32 }

/*
 * Factors: the pound is exactly 453.59237 g and the US gallon exactly 231 cubic inches of 2.54 cm
 * (NIST Handbook 44, appendix C, from memory); a cup is a sixteenth of a gallon, a tablespoon a sixteenth of a cup,
 * a teaspoon a third of a tablespoon, a fluid ounce two tablespoons.
 */
const UNITS: Record<QuantityKind, Unit[]> = {
  mass: [
    times(1, 'g', 'gram', 'grams'),
    times(1000, 'kg', 'kilo', 'kilos'),
    times(28.349523125, 'oz', 'ounce', 'ounces'),
    times(453.59237, 'lb', 'lbs', 'pound', 'pounds'),
  ],
  volume: [
    times(1, 'ml'),
    times(1000, 'l', 'litre', 'litres', 'liter', 'liters'),
    times(236.5882365, 'cup', 'cups', 'c'),
    times(14.78676478125, 'tbsp', 'tablespoon', 'tablespoons'),
    times(4.92892159375, 'tsp', 'teaspoon', 'teaspoons'),
    times(29.5735295625, 'floz', 'fl oz'),
  ],
  temperature: [times(1, 'c', '°c', '°', 'celsius'), fahrenheit],
  ph: [times(1, 'ph')],
  percent: [times(1, '%', 'percent', 'pct')],
  number: [times(1, '')],
  count: [
    times(1, 'pcs', 'pc', 'piece', 'pieces', 'pods', 'pod', 'cloves', 'clove', 'heads', 'head', 'x', 'bottles', 'jars'),
  ],
}

const DEFAULT_UNIT: Record<QuantityKind, Record<UnitWorld, string>> = {
  mass: { metric: 'g', us: 'oz' },
  volume: { metric: 'ml', us: 'cup' },
  temperature: { metric: 'c', us: 'f' },
  ph: { metric: 'ph', us: 'ph' },
  percent: { metric: '%', us: '%' },
  count: { metric: 'pcs', us: 'pcs' },
  number: { metric: '', us: '' },
}

function unitNamed(kind: QuantityKind, name: string): Unit {
  const unit = UNITS[kind].find((candidate) => candidate.names.includes(name.toLowerCase()))
  if (!unit) {
    if (kind === 'number') throw new InvalidInput('Enter the number alone, without a unit.')
    const known = UNITS[kind].map((candidate) => candidate.names[0]).join(', ')
    throw new InvalidInput(`"${name}" is not a unit for this. Use ${known}.`)
  }
  return unit
}

/**
 * Reads a typed quantity with or without a unit ("2 lb 3 oz", "1 1/2 cup", "68F", "1 384.6 g") into its stored unit
 * (g, mL, °C, pH, %). A number without a unit is read in `unit` (g, mL, °C when none is named).
 * @throws InvalidInput with a sentence for the field.
 */
export function parseQuantity(text: string, kind: QuantityKind, unit: string = DEFAULT_UNIT[kind].metric): number {
  const prefix = kind === 'ph' ? text.replace(/^\s*ph\s*/i, '') : text
  const parts = [...prefix.matchAll(/\s*([-−]?[\d½¼¾⅓⅔⅛.,/][\d½¼¾⅓⅔⅛.,/\s]*)([a-zA-Z°%]+(?:\s+oz\b)?)?/g)]
  const rebuilt = parts
    .map((part) => part[0])
    .join('')
    .trim()
  if (parts.length === 0 || rebuilt !== prefix.trim()) return unitNamed(kind, unit).toStored(parseNumber(prefix))
  if (parts.length > 1 && kind !== 'mass' && kind !== 'volume') throw new InvalidInput('Enter one number.')
  return parts.reduce(
    (sum, [, number = '', name]) => sum + unitNamed(kind, name ?? unit).toStored(parseNumber(number)),
    0,
  )
}

/** An ingredient as makers say it: by weight, by cup or spoon, or by count. */
export type Amount =
  { kind: 'mass'; massG: number } | { kind: 'volume'; volumeMl: number } | { kind: 'count'; pieces: number }

/**
 * Reads an amount said in any way: "1346", "2 lb 3 oz", "1 1/2 cups", "3 tbsp", "12 cloves". Without a unit it is a
 * weight in the unit given.
 * @throws InvalidInput with a sentence for the field.
 */
export function parseAmount(text: string, unit: string): Amount {
  const sign = /(fl\s?oz|[a-z]+)\s*$/i.exec(text.trim())?.[1]?.toLowerCase().replace(/\s/, ' ')
  const is = (kind: QuantityKind) => sign !== undefined && UNITS[kind].some((known) => known.names.includes(sign))
  if (is('volume')) return { kind: 'volume', volumeMl: parseQuantity(text, 'volume') }
  if (is('count')) return { kind: 'count', pieces: parseQuantity(text, 'count') }
  return { kind: 'mass', massG: parseQuantity(text, 'mass', unit) }
}

/** Units a maker can choose for a kind of field, by their signs. */
export const CHOOSABLE: Partial<Record<QuantityKind, readonly string[]>> = {
  mass: ['g', 'kg', 'oz', 'lb'],
  volume: ['ml', 'l', 'cup', 'tbsp', 'tsp'],
  temperature: ['c', 'f'],
}

/** The unit of a kind in one of the two worlds. */
export const usualUnit = (kind: QuantityKind, world: UnitWorld): string => DEFAULT_UNIT[kind][world]

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

/**
 * Writes a stored quantity in a unit so that {@link parseQuantity} reads the same value back within the digits shown.
 */
export function formatForField(value: number, kind: QuantityKind, unit: string = DEFAULT_UNIT[kind].metric): string {
  const decimals =
    kind === 'ph' || kind === 'percent' || kind === 'number'
      ? 2
      : kind === 'count'
        ? 0
        : ['g', 'ml', 'c', 'f'].includes(unit)
          ? 1
          : unit === 'kg' || unit === 'l'
            ? 3
            : 2
  return String(Number(unitNamed(kind, unit).fromStored(value).toFixed(decimals)))
}

const SIGNS: Record<string, string> = { ml: 'mL', l: 'L', c: '°C', f: '°F', ph: 'pH', pcs: '' }

/** How a unit is written beside a figure. */
export const unitSign = (unit: string): string => SIGNS[unit] ?? unit
