import { InvalidInput } from '../invalid'
import type { Piece } from '../amount/words'
import type { Material, MaterialKind } from './material'
import { mapRange, type Range } from '../working'
import { readAmount, type Amount } from '../amount/read'
import { CUP_ML, formatBetween, formatRough, TEASPOON_ML, type UnitWorld } from '../units/quantity'

/** What of a thing tells its weight: a cup, a spoon, a piece of it; and what it is called. */
export type Thing = Pick<Material, 'name' | 'names' | 'kind' | 'cupG' | 'teaspoonG' | 'pieceG' | 'countedG'>

/** What an amount of a thing weighs, g, and what it was read as; `null` where it stands as it was typed. */
export interface Weighed {
  massG: Range
  readAs: string | null
  /** Said otherwise than by weight: the words are worth keeping. */
  said: boolean
}

/** What else a thing is called by its kind. */
const KIND_WORDS: Partial<Record<MaterialKind, string>> = {
  pepper: 'pepper chilli chile chili chiles',
  vegetable: 'vegetable',
  fruit: 'fruit',
  herb: 'herb',
}
/** Of a bare number up to this, pieces are as likely as grams. Judgement. */
const FEW = 24
/** Halves are only counted of less. Judgement. */
const HALVES = 6
/** Under half a cup a spoon was used. */
const SPOON_UP_TO_ML = CUP_ML / 2

/** Everything that may name the thing. */
export const wordsFor = ({ name, names, kind }: Pick<Thing, 'name' | 'names' | 'kind'>): string[] => [
  name,
  ...names,
  KIND_WORDS[kind] ?? '',
]

/** What a bare count may mean where the thing has no piece of its own. */
const COUNTABLE = ['clove', 'head', 'stalk', 'packet'] as const satisfies readonly Piece[]
const countable = ({ pieceG, countedG }: Thing): Piece[] =>
  pieceG ? ['piece'] : COUNTABLE.filter((piece) => countedG[piece])

/** Grams of one piece of a kind; `null` where nobody knows. */
function oneG(thing: Thing, piece: Piece): Range | null {
  const [only, another] = countable(thing)
  if (piece === 'piece' && only && !another) return thing.countedG[only] ?? thing.pieceG
  return piece === 'piece' ? thing.pieceG : (thing.countedG[piece] ?? null)
}

/** Amounts that can be read for a thing, to be shown beside a refusal. */
export function examplesFor(thing: Thing): string {
  const said = ['350 g', '12 oz', thing.teaspoonG ? '2 tsp' : '1 1/2 cups']
  if (thing.countedG.juice) said.push('juice of 2')
  for (const piece of Object.keys(thing.countedG) as (Piece | 'juice')[])
    if (piece !== 'juice') said.push(`2 ${plural(piece, 2)}`)
  if (thing.pieceG && Object.keys(thing.countedG).length === 0) said.push('3 pieces')
  return `${said.slice(0, -1).join(', ')} or ${said.at(-1)}`
}

const plural = (piece: Piece, count: number): string => {
  if (count === 1) return piece
  if (piece === 'leaf') return 'leaves'
  return `${piece}${piece === 'bunch' ? 'es' : 's'}`
}

const about = (massG: Range, world: UnitWorld): string => formatBetween(massG, (grams) => formatRough(grams, world))

/** Small is under the middle, large above it. */
function sized(range: Range, size: 'small' | 'large' | null): Range {
  const { low, typical, high } = range
  if (size === 'small') return { low, typical: (low + typical) / 2, high: typical }
  return size === 'large' ? { low: typical, typical: (typical + high) / 2, high } : range
}

const times = (a: Range, b: Range): Range => ({
  low: a.low * b.low,
  typical: a.typical * b.typical,
  high: a.high * b.high,
})

/** What a bare number may be: so much of the unit, or so many pieces. Asked where both are likely. */
function asked(thing: Thing, text: string, value: Range, unit: string): InvalidInput | null {
  const few =
    value.high <= FEW &&
    (Number.isInteger(value.typical) || (value.typical < HALVES && Number.isInteger(2 * value.typical)))
  const kinds = countable(thing)
  if (!few || kinds.length === 0 || !['g', 'oz', 'ml'].includes(unit)) return null
  const bare = text.trim()
  const choices = [`${bare} ${unit}`, ...kinds.map((piece) => `${bare} ${plural(piece, value.typical)}`)]
  return new InvalidInput(`${choices.join(', or ')}?`, ...choices)
}

function piecesG(thing: Thing, amount: Extract<Amount, { kind: 'pieces' }>, text: string, world: UnitWorld): Weighed {
  const { count, piece, size, juice } = amount
  const name = thing.name.toLowerCase()
  if (juice && !thing.countedG.juice)
    throw new InvalidInput(`Juice is a row of its own: take the juice for it. Here it is ${name}.`)
  if (thing.countedG.juice && (juice || piece === 'piece')) {
    const massG = times(count, sized(thing.countedG.juice, size))
    return {
      massG,
      readAs: `${about(massG, world)}${eachOf(count, thing.countedG.juice, 'in one', world)}`,
      said: true,
    }
  }
  const kinds = countable(thing)
  if (piece === 'piece' && kinds.length > 1) {
    const number = /^[^a-z]*/i.exec(text.trim())?.[0]?.trim() || '1'
    const choices = kinds.map((one) => `${number} ${plural(one, count.typical)}`)
    throw new InvalidInput(`${choices.join(', or ')}?`, ...choices)
  }
  const one = oneG(thing, piece)
  if (!one)
    throw new InvalidInput(
      piece === 'piece'
        ? `What one piece of ${name} weighs is not known. Weigh it, or give the weight of a piece in the Library.`
        : `What a ${piece} of ${name} weighs is not known. Say it as ${examplesFor(thing)}.`,
    )
  const massG = times(count, sized(one, size))
  return { massG, readAs: `${about(massG, world)}${eachOf(count, one, `a ${piece}`, world)}`, said: true }
}

/** Of how much one is, where several were said. */
const eachOf = (count: Range, one: Range, words: string, world: UnitWorld): string =>
  count.low === 1 && count.high === 1
    ? ''
    : `: ${formatBetween(one, (grams) => formatRough(grams, world)).replace(/^about [^,]+, /, '')} ${words}`

/** How exactly a measure of a liquid is filled, as a share either way. Judgement. */
const FILLED = { measure: 0.02, cup: 0.04, spoon: 0.06 } as const

function volumeG(thing: Thing, { volumeMl, by }: Extract<Amount, { kind: 'volume' }>, world: UnitWorld): Weighed {
  const small = by === 'spoon' || (by === 'measure' && volumeMl.typical < SPOON_UP_TO_ML)
  const [of, measureG, measureMl] =
    thing.teaspoonG && small
      ? (['a level teaspoon', thing.teaspoonG, TEASPOON_ML] as const)
      : (['a cup', thing.cupG, CUP_ML] as const)
  // What a cup of it weighs is a range of its own where it lies loose; a liquid fills it more or less.
  const off = measureG.low < measureG.high ? 0 : FILLED[by]
  const perMl: Range = {
    low: (measureG.low / measureMl) * (1 - off),
    typical: measureG.typical / measureMl,
    high: (measureG.high / measureMl) * (1 + off),
  }
  const massG = times(volumeMl, perMl)
  const one = formatRough(measureG.typical, world)
  const same = Math.abs(massG.typical / measureG.typical - 1) < 0.001
  return { massG, readAs: `${about(massG, world)}${same ? '' : `: ${one} ${of}`}`, said: true }
}

/**
 * Grams of a thing, said in any way. A number without a unit is taken in `unit`; where pieces are as likely it is
 * asked. Full vessels and percent are not a weight here.
 * @throws InvalidInput with what would work for this thing, or with what may have been meant.
 */
export function weigh(thing: Thing, text: string, unit: string, world: UnitWorld = 'metric'): Weighed {
  const amount = readOf(thing, text)
  switch (amount.kind) {
    case 'mass': {
      const exact = amount.massG.low === amount.massG.high
      const plain = exact && new RegExp(`^[\\d.]+\\s*${unit}?$`, 'i').test(text.trim())
      return { massG: amount.massG, readAs: plain ? null : about(amount.massG, world), said: !exact }
    }
    case 'volume':
      return volumeG(thing, amount, world)
    case 'pieces':
      return piecesG(thing, amount, text, world)
    case 'bare': {
      const question = asked(thing, text, amount.value, unit)
      if (question) throw question
      const stands = readOf(thing, `1 ${unit}`)
      const { massG } =
        stands.kind === 'mass'
          ? { massG: stands.massG }
          : volumeG(thing, stands as typeof stands & { kind: 'volume' }, world)
      const weighed = times(amount.value, massG)
      const exact = weighed.low === weighed.high
      return { massG: weighed, readAs: exact ? null : about(weighed, world), said: !exact }
    }
    case 'percent':
      throw new InvalidInput(`A percentage is no amount here. Say it as ${examplesFor(thing)}.`)
    case 'vessels':
      throw new InvalidInput(`How much fills a jar depends on the jar. Say it as ${examplesFor(thing)}.`)
  }
}

/** Reads an amount of a thing; a refusal says what would work. */
function readOf(thing: Thing, text: string): Amount {
  try {
    return readAmount(text, wordsFor(thing))
  } catch (error) {
    if (!(error instanceof InvalidInput) || error.suggestions.length > 0) throw error
    throw new InvalidInput(`${error.message} Say it as ${examplesFor(thing)}.`)
  }
}

/**
 * A lot as a thing that is said in cups or spoons: it fills them as heavy as it is. @param densityGPerMl of it.
 */
export function thingOfLot(name: string, densityGPerMl: number): Thing {
  const cup = { ...mapRange({ low: 0.97, typical: 1, high: 1.03 }, (off) => off * densityGPerMl * CUP_ML), source: '' }
  return { name, names: [], kind: 'starter', cupG: cup, teaspoonG: null, pieceG: null, countedG: {} }
}
