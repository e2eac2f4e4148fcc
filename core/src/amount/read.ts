import { InvalidInput } from '../invalid'
import { mapRange, type Range } from '../working'
import { Reader, SIZES, type Part } from './reader'
import { tokensOf } from './tokens'
import { unitWord, type Piece, type UnitWord } from './words'

/*
 * Reads an amount as makers say it: by weight, by measure, by spoon, by the piece; with fractions, in words, as a
 * range. It never guesses silently: what can be meant two ways is asked, what cannot be read is refused.
 */

/** An amount as it was said. A range stands where it was said as one, or where the measure is one. */
export type Amount =
  | { kind: 'mass'; massG: Range }
  | { kind: 'volume'; volumeMl: Range; by: 'measure' | 'cup' | 'spoon' }
  | { kind: 'pieces'; count: Range; piece: Piece; size: 'small' | 'large' | null; juice: boolean }
  | { kind: 'vessels'; count: Range }
  | { kind: 'percent'; pct: Range }
  | { kind: 'bare'; value: Range }

/** "About" is a tenth either way. Judgement. */
const ABOUT = 0.1
/** Words that say how it was prepared; they change nothing here. */
const FILLERS = new Set(
  'of the a an fresh freshly chopped sliced diced minced grated shredded crushed ground peeled whole raw ripe packed loosely roughly finely coarsely cut cored trimmed cleaned washed cold warm hot squeezed each in and into with new your my some'.split(
    ' ',
  ),
)

const times = (range: Range, by: Range): Range => ({
  low: range.low * by.low,
  typical: range.typical * by.typical,
  high: range.high * by.high,
})
const plus = (a: Range, b: Range): Range => ({
  low: a.low + b.low,
  typical: a.typical + b.typical,
  high: a.high + b.high,
})
const either = (share: number): Range => ({ low: 1 - share, typical: 1, high: 1 + share })

/** The unit that follows another by itself: "1 lb 4", "2 kg 300". */
const FOLLOWS: Readonly<Record<string, { unit: string; below: number; least: number }>> = {
  lb: { unit: 'oz', below: 16, least: 0 },
  kg: { unit: 'g', below: 1000, least: 10 },
  L: { unit: 'mL', below: 1000, least: 10 },
}

/** @throws InvalidInput where the second number says nothing certain. */
function followed(first: UnitWord, { count }: Part): Part {
  const rule = FOLLOWS[first.name]
  if (!rule || count.high >= rule.below || !Number.isInteger(count.typical))
    throw new InvalidInput('Two numbers stand there. Say the unit of the second.')
  if (count.typical < rule.least)
    throw new InvalidInput(
      `Two numbers stand there. Is the second a decimal, or ${rule.unit}? Write the point, or the unit.`,
    )
  const unit = unitWord((ahead) => (ahead === 0 ? rule.unit : undefined))
  return { count, unit: unit?.unit ?? null }
}

const whichSpoon = (text: string): InvalidInput => {
  const as = (unit: string) => text.replace(/\b(t|ts|spoon(s|ful|fuls)?)\b/i, unit).trim()
  return new InvalidInput('A tablespoon holds three teaspoons. Which spoon is it?', as('tbsp'), as('tsp'))
}

function partAmount({ count, unit }: Part, reader: Reader, text: string): Amount {
  if (!unit) return { kind: 'bare', value: count }
  switch (unit.of) {
    case 'which spoon':
      throw whichSpoon(text)
    case 'mass':
      return { kind: 'mass', massG: mapRange(count, (value) => value * unit.factor) }
    case 'volume': {
      const volumeMl = mapRange(count, (value) => value * unit.factor)
      return { kind: 'volume', volumeMl: times(volumeMl, unit.rough ?? reader.fill), by: unit.by ?? 'measure' }
    }
    case 'small':
      return { kind: 'mass', massG: times(count, unit.rough) }
    case 'percent':
      return { kind: 'percent', pct: count }
    case 'vessels':
      return { kind: 'vessels', count }
    case 'pieces':
      return { kind: 'pieces', count, piece: unit.piece, size: reader.size, juice: reader.juice }
  }
}

function together(a: Amount, b: Amount): Amount {
  if (a.kind === 'mass' && b.kind === 'mass') return { kind: 'mass', massG: plus(a.massG, b.massG) }
  if (a.kind === 'volume' && b.kind === 'volume')
    return { kind: 'volume', volumeMl: plus(a.volumeMl, b.volumeMl), by: a.by }
  throw new InvalidInput('Say one amount: a weight, a measure or a count, not two kinds of them.')
}

const roughly = (amount: Amount): Amount => {
  const by = either(ABOUT)
  switch (amount.kind) {
    case 'mass':
      return { ...amount, massG: times(amount.massG, by) }
    case 'volume':
      return { ...amount, volumeMl: times(amount.volumeMl, by) }
    case 'percent':
      return { ...amount, pct: times(amount.pct, by) }
    case 'bare':
      return { ...amount, value: times(amount.value, by) }
    default:
      return { ...amount, count: times(amount.count, by) }
  }
}

/** What a word may be the plural of: "tomatoes", "chillies", "radishes". */
const singulars = (word: string): string[] => [
  word,
  word.replace(/s$/, ''),
  word.replace(/es$/, ''),
  word.replace(/ies$/, 'y'),
  word.replace(/ves$/, 'f'),
]
const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()

/** Whether a word names the thing, by one of its names. */
function names(word: string, known: readonly string[]): boolean {
  const ones = new Set(singulars(plain(word)))
  return known.some((name) =>
    plain(name)
      .split(/[^a-z]+/)
      .some((part) => part !== '' && singulars(part).some((one) => ones.has(one))),
  )
}

/** The words after an amount: what was prepared, what it is. @throws InvalidInput where they name something else. */
function tailOf(words: readonly string[], reader: Reader, known: readonly string[]) {
  let named = false
  let piece: Piece | null = null
  for (const word of words) {
    const unit = unitWord((ahead) => (ahead === 0 ? word : undefined))?.unit
    if (unit?.of === 'pieces') piece = unit.piece
    else if (word === 'juice' || word === 'juiced') reader.juice = true
    else if (word in SIZES) reader.size = SIZES[word] ?? null
    else if (names(word, known)) named = true
    else if (!FILLERS.has(word)) throw new InvalidInput(`"${word}" cannot be read here.`)
  }
  return { named, piece }
}

/**
 * Reads an amount as it is said: "1346", "2 lb 3 oz", "1 1/2 cups", "3 heaped tbsp", "half an onion", "juice of 2
 * limes", "4-5 %", "a jar full".
 * @param known words that name the thing itself: "3 peppers".
 * @throws InvalidInput with a sentence for the field, and with what was probably meant.
 */
export function readAmount(text: string, known: readonly string[] = []): Amount {
  if (text.trim() === '') throw new InvalidInput('Enter an amount.')
  const reader = new Reader(tokensOf(text), text)
  reader.opening()
  const by = reader.times()
  const first = reader.part()
  if (!first) throw new InvalidInput(`No amount can be read in "${text.trim()}".`)
  first.count = mapRange(first.count, (value) => value * by)
  let amount = partAmount(first, reader, text)
  let last = first.unit
  while (!reader.done && reader.joins()) {
    const next = reader.part()
    if (!next || !last) throw new InvalidInput('Say one amount: two numbers stand there.')
    const part = next.unit ? next : followed(last, next)
    amount = together(amount, partAmount(part, reader, text))
    last = part.unit
  }
  const { named, piece } = tailOf(reader.words(), reader, known)
  if (amount.kind === 'bare' && (named || piece || reader.juice))
    amount = { kind: 'pieces', count: amount.value, piece: piece ?? 'piece', size: reader.size, juice: reader.juice }
  if (amount.kind === 'pieces') amount = { ...amount, size: reader.size, juice: reader.juice }
  if (reader.fill.low !== 1 && amount.kind !== 'volume' && amount.kind !== 'pieces')
    throw new InvalidInput('Only a spoon or a cup is heaped or scant.')
  return reader.about ? roughly(amount) : amount
}
