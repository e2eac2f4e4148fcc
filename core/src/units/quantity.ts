import { InvalidInput } from '../invalid'
import type { Range } from '../working'
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
export const POUND_G = 453.59237
export const OUNCE_G = POUND_G / 16
export const GALLON_ML = 3785.411784
export const QUART_ML = GALLON_ML / 4
export const CUP_ML = GALLON_ML / 16
export const TABLESPOON_ML = CUP_ML / 16
export const TEASPOON_ML = TABLESPOON_ML / 3

/** Kinds whose text is one number; masses and volumes are said in more ways (see the room `amount`). */
export type PlainKind = Exclude<QuantityKind, 'mass' | 'volume'>

const UNITS: Record<QuantityKind, Unit[]> = {
  mass: [times(1, 'g'), times(1000, 'kg'), times(OUNCE_G, 'oz'), times(POUND_G, 'lb')],
  volume: [
    times(1, 'ml'),
    times(1000, 'l'),
    times(CUP_ML, 'cup'),
    times(2 * TABLESPOON_ML, 'fl oz'),
    times(QUART_ML / 2, 'pint'),
    times(QUART_ML, 'quart'),
    times(GALLON_ML, 'gallon'),
    times(TABLESPOON_ML, 'tbsp'),
    times(TEASPOON_ML, 'tsp'),
  ],
  temperature: [times(1, 'c', '°c', 'celsius'), fahrenheit],
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
 * Reads one number with or without its unit ("68F", "pH 4.1", "3 %"). A number without a unit, or with a bare degree
 * sign, is read in `unit` (°C when none is named).
 * @throws InvalidInput with a sentence for the field.
 */
export function parseQuantity(text: string, kind: PlainKind, unit: string = DEFAULT_UNIT[kind].metric): number {
  const bare = kind === 'ph' ? text.replace(/^\s*ph\s*/i, '') : text
  const found = /^\s*(.*?[\d½¼¾⅓⅔⅛])\s*([a-zA-Z°%]*)\s*$/.exec(bare)
  if (!found) return unitNamed(kind, unit).toStored(parseNumber(bare))
  const [, number = '', name = ''] = found
  return unitNamed(kind, name === '' || name === '°' ? unit : name).toStored(parseNumber(number))
}

/** Units a maker can choose for a kind of field, by their signs. */
export const CHOOSABLE: Partial<Record<QuantityKind, readonly string[]>> = {
  mass: ['g', 'kg', 'oz', 'lb'],
  volume: ['ml', 'l', 'fl oz', 'cup', 'pint', 'quart', 'gallon'],
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
  const ounces = massG / OUNCE_G
  if (Math.abs(ounces) < 16) return `${formatNumber(ounces, 2)} oz`
  const tenths = Math.round(ounces * 10)
  return `${formatNumber(Math.trunc(tenths / 160))} lb ${formatNumber(Math.abs(tenths % 160) / 10, 1)} oz`
}

/** Writes what is known within a range: "about 50 g, 35 to 75 g"; one figure where it is exact. */
export function formatBetween({ low, typical, high }: Range, format: (value: number) => string): string {
  if (high - low < 0.005 * typical) return format(typical)
  // The unit stands once where both ends have the same.
  const [from, to] = [format(low), format(high)]
  const unit = /[^\d.\s\u202f]+( [a-z]+)?$/.exec(to)?.[0] ?? ''
  return `about ${format(typical)}, ${from.endsWith(unit) ? from.slice(0, from.length - unit.length).trim() : from} to ${to}`
}

/** Grams of what is only known within a range: no tenths from ten on. */
export const formatRough = (massG: number, world: UnitWorld = 'metric'): string =>
  world === 'metric' && Math.abs(massG) >= 10 && Math.abs(massG) < 10_000
    ? `${formatNumber(massG)} g`
    : formatMass(massG, world)

/** Writes a volume in mL or L; or in fluid ounces, cups, quarts and gallons. */
export function formatVolume(volumeMl: number, world: UnitWorld = 'metric'): string {
  if (world === 'metric')
    return Math.abs(volumeMl) >= 1000 ? `${formatNumber(volumeMl / 1000, 2)} L` : `${formatNumber(volumeMl)} mL`
  const size = Math.abs(volumeMl)
  const [unit, name, digits] =
    size < CUP_ML * 0.95
      ? ([2 * TABLESPOON_ML, 'fl oz', 1] as const)
      : size < QUART_ML * 0.95
        ? ([CUP_ML, 'cup', 2] as const)
        : size < GALLON_ML * 0.95
          ? ([QUART_ML, 'quart', 2] as const)
          : ([GALLON_ML, 'gallon', 2] as const)
  const text = String(Number((volumeMl / unit).toFixed(digits)))
  return `${text} ${name}${name === 'fl oz' || text === '1' ? '' : 's'}`
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
