import { formatMass, formatTemperature, formatVolume, type UnitWorld } from './quantity'

/* Core writes its sentences and workings in grams, litres and °C. Here they are put into the maker's units. */

const WRITES = {
  g: (value: number) => formatMass(value, 'us'),
  kg: (value: number) => formatMass(value * 1000, 'us'),
  mL: (value: number) => formatVolume(value, 'us'),
  L: (value: number) => formatVolume(value * 1000, 'us'),
  '°C': (value: number) => formatTemperature(value, 'us'),
} as const

const NUMBER = String.raw`-?\d[\d\u202f]*(?:\.\d+)?`
/** "34 g", "34 to 56 g", "34–56 g"; not "g/mL", and not the size in the name of a vessel. */
const QUANTITY = new RegExp(
  String.raw`(?<![\w.])(?:(${NUMBER})( to |–))?(${NUMBER}) (mL|kg|g|L|°C)(?![\w/])(?! (?:jar|crock|bucket|drum|vacuum|per )\b)`,
  'g',
)
const numberOf = (text: string) => Number(text.replace(/\u202f/g, ''))

/** A sentence or a figure with its grams, litres and °C in the units of a world; in the metric one as it is. */
export const inWorld = (sentence: string, world: UnitWorld): string =>
  world === 'metric'
    ? sentence
    : sentence.replace(QUANTITY, (_, from?: string, to?: string, number = '', unit = 'g') => {
        const write = WRITES[unit as keyof typeof WRITES]
        const first = from === undefined ? '' : `${write(numberOf(from))}${to ?? ''}`
        return `${first}${write(numberOf(number))}`
      })
