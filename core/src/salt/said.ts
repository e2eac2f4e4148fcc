import { readAmount } from '../amount/read'
import { InvalidInput } from '../invalid'
import { CUP_ML, TEASPOON_ML } from '../units/quantity'
import { formatNumber } from '../units/number'
import { exactly, mapRange, type Range, type Working } from '../working'
import type { SaltBasis } from './dose'
import { saltNamed } from './named'
import type { SaltKind } from './spoons'

/*
 * Salt as it is dosed: "3 tbsp coarse in each two-quart jar", "2 tbsp in three pints of water", "half a teaspoon a
 * layer, 9 times", "a tbsp to each cup", "56 g", "4 %".
 */

/** What a dose goes into: all; each jar; so much water, which gives a strength; each measure of water or produce. */
export type DosedInto =
  | { kind: 'all' }
  | { kind: 'jar'; volumeMl: number | null }
  | { kind: 'water'; volumeMl: Range }
  | { kind: 'each'; volumeMl: number; of: 'water' | 'produce' | null }

/** Salt as it was said. `saltId` is the salt that was named, or the one in use. */
export type SaidSalt =
  | { kind: 'percent'; pct: Range; basis: SaltBasis | null }
  | { kind: 'dose'; doseG: Range; saltId: string; into: DosedInto; spooned: boolean; onTop: boolean }
  /** As much as it looks right: where any strength of a style keeps it. */
  | { kind: 'by eye'; saltId: string }

/** A handful of salt, g. Judgement. */
const HANDFUL_G: Range = { low: 25, typical: 40, high: 70 }
const VESSEL = /\b(jars?|crocks?|vessels?|buckets?|bottles?|bags?)\b/

/** "9 times", "a layer, 9 times", "in 9 layers". */
function timesSaid(text: string): { times: number; rest: string } {
  const found =
    /[, ]*(?:\b(?:a|per|each|every|in each|to each)\s+layer)?[, ]*(?:\bin\s+)?(\d+)\s*(?:times|layers|x)\b/.exec(text)
  if (!found) {
    if (/\blayers?\b/.test(text)) throw new InvalidInput('Say how many layers: "half a teaspoon a layer, 9 times".')
    return { times: 1, rest: text }
  }
  return { times: Number(found[1]), rest: text.replace(found[0], ' ') }
}

/** "box 500 g before, 340 g after", "box from 500 to 340 g": what is missing went in. `null` where not said so. */
function boxWeighed(text: string): Range | null {
  const found =
    /^(?:sprinkled\W*)?(?:the )?box\W*(?:from )?(.+?)\s*(?:before\W*(?:and )?|to )(.+?)(?: after)?$/.exec(
      text.trim(),
    ) ?? /^(?:sprinkled\W*)?(.+?) before\W*(?:and )?(.+?) after$/.exec(text.trim())
  if (!found) return null
  const grams = (said: string) => {
    const amount = readAmount(said)
    if (amount.kind === 'mass') return amount.massG
    if (amount.kind === 'bare') return amount.value
    throw new InvalidInput('Say what the box weighed: "box 500 g before, 340 g after".')
  }
  const [before, after] = [grams(found[1] ?? ''), grams(found[2] ?? '')]
  if (after.high >= before.low) throw new InvalidInput('After sprinkling the box weighs less than before. Look again.')
  return { low: before.low - after.high, typical: before.typical - after.typical, high: before.high - after.low }
}

/** Grams of a dose. @throws InvalidInput when nobody knows the spoon of that salt, or it is no amount of salt. */
function doseOf(
  text: string,
  salt: SaltKind | undefined,
  bareUnit: string,
): { doseG: Range; spooned: boolean } | { pct: Range } {
  const amount = readAmount(text)
  switch (amount.kind) {
    case 'percent':
      return { pct: amount.pct }
    case 'mass':
      return { doseG: amount.massG, spooned: amount.massG.low !== amount.massG.high }
    case 'bare':
      if (bareUnit === '%') return { pct: amount.value }
      return { doseG: amount.value, spooned: amount.value.low !== amount.value.high }
    case 'volume': {
      if (!salt)
        throw new InvalidInput(
          'What a spoon of this salt weighs is not known, and spoons of salts differ by more than two times. Weigh it, or choose a salt from the list.',
        )
      const { teaspoonG } = salt
      const { low, typical, high } = amount.volumeMl
      const spoons = { low: low / TEASPOON_ML, typical: typical / TEASPOON_ML, high: high / TEASPOON_ML }
      return {
        doseG: {
          low: spoons.low * teaspoonG.low,
          typical: spoons.typical * teaspoonG.typical,
          high: spoons.high * teaspoonG.high,
        },
        spooned: true,
      }
    }
    case 'pieces':
      if (amount.piece === 'handful')
        return {
          doseG: {
            low: amount.count.low * HANDFUL_G.low,
            typical: amount.count.typical * HANDFUL_G.typical,
            high: amount.count.high * HANDFUL_G.high,
          },
          spooned: true,
        }
      break
    case 'vessels':
  }
  throw new InvalidInput(WORKS)
}

/** Smaller is no jar, mL. Judgement. */
const JAR_FROM_ML = 400

/** What a dose goes into. */
function intoOf(text: string): DosedInto {
  const each = /^\s*(?:(?:to )?(?:each|every)|per|to a|to the)\b/.test(text)
  const plain = text.replace(/^\s*(?:to )?(?:each|every|per|the)?\b/, ' ')
  const of = /\bwater\b|\bbrine\b/.test(plain) ? 'water' : /\bof\s+[a-z]/.test(plain) ? 'produce' : null
  const bare = plain.replace(/\bof\b.*$/, ' ').replace(/\bwater\b|\bbrine\b/g, ' ')
  if (VESSEL.test(bare)) {
    const size = bare
      .replace(VESSEL, ' ')
      .replace(/\b(?:a|an)\b/, ' ')
      .trim()
    if (size === '') return { kind: 'jar', volumeMl: null }
    const amount = readAmount(
      /^[a-z]/.test(size) && !/^(one|two|three|four|five|six|half|quarter)/.test(size) ? `1 ${size}` : size,
    )
    if (amount.kind !== 'volume') throw new InvalidInput('Say how much the jar holds: "in each two-quart jar".')
    return { kind: 'jar', volumeMl: amount.volumeMl.typical }
  }
  const said = bare.trim()
  const amount = readAmount(
    /^[a-z]/.test(said) && !/^(a|an|one|two|three|four|five|six|seven|eight|nine|ten|half|quarter)\b/.test(said)
      ? `1 ${said}`
      : said,
  )
  if (amount.kind !== 'volume' && !(amount.kind === 'mass' && of === 'water'))
    throw new InvalidInput('Say how much water: "2 tbsp in three pints of water".')
  const volumeMl = amount.kind === 'volume' ? amount.volumeMl : amount.massG
  // "in each half-gallon" is a jar of that size; a cup is none.
  if (/^\s*(?:each|every)\b/.test(text) && of === null && volumeMl.typical > JAR_FROM_ML)
    return { kind: 'jar', volumeMl: volumeMl.typical }
  return each && volumeMl.low === volumeMl.high
    ? { kind: 'each', volumeMl: volumeMl.typical, of }
    : { kind: 'water', volumeMl }
}

/** What a percentage is of. @throws InvalidInput where the words name no basis. */
function basisOf(words: string): SaltBasis {
  const found = /\b(water|brine|everything|all|total|ingredients|produce|vegetables|peppers|weight)\b/.exec(words)?.[1]
  if (found === 'water' || found === 'brine') return found
  if (found === 'everything' || found === 'all' || found === 'total') return 'everything'
  if (found !== undefined) return 'ingredients'
  throw new InvalidInput('Say what the percentage is of: the water, the brine, the ingredients or everything.')
}

const WORKS = 'Say the salt as 4 %, 56 g, 3 tbsp, "2 tsp in 1 1/2 cups" or "3 tbsp in each jar".'

/** A dose; a question keeps the rest of what was said, a refusal says what would work. */
function doseSaid(head: string, text: string, ...more: [SaltKind | undefined, '%' | 'g']): ReturnType<typeof doseOf> {
  try {
    return doseOf(head, ...more)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    if (error.suggestions.length === 0) throw error.message.includes('spoon') ? error : new InvalidInput(WORKS)
    const said = head.trim()
    throw new InvalidInput(
      error.message,
      ...error.suggestions.map((meant) => text.toLowerCase().replace(said, meant.trim().replace(/\s+/g, ' '))),
    )
  }
}

/**
 * Reads salt as it is dosed.
 * @param salts with their spoons; @param inUse the salt in use, where none is named; @param bareUnit of a number alone.
 * @throws InvalidInput with what would work, or with what may have been meant.
 */
export function readSalt(text: string, salts: readonly SaltKind[], inUse: string, bareUnit: '%' | 'g' = '%'): SaidSalt {
  const { saltId, rest: unsalted } = saltNamed(text.toLowerCase().trim(), salts, inUse)
  if (/^\s*by eye\s*$/.test(unsalted)) return { kind: 'by eye', saltId }
  const ofBox = boxWeighed(unsalted)
  const onTop = /\bon top\b/.test(unsalted)
  if (ofBox) return { kind: 'dose', doseG: ofBox, saltId, into: { kind: 'all' }, spooned: false, onTop }
  const { times, rest: timed } = timesSaid(unsalted)
  const percentOf = /%(.*[a-z].*)$/.exec(timed)?.[1]
  const rest = percentOf
    ? timed.replace(percentOf, '')
    : timed.replace(/\bof\s*(?=$|in\b|into\b|to\b|per\b|for\b|each\b|every\b|,)/, ' ')
  const at =
    /\s(?:in|into|to|per|for|on)\s(?!top)|\s(?=(?:each|every)\s)|\s(?=a\s+(?:jar|cup|pint|quart|gallon|l\b|litre|liter)\b)/.exec(
      rest,
    )
  const head = (at ? rest.slice(0, at.index) : rest).replace(/\bon top\b/, ' ').replace(/[, ]+$/, '')
  const dose = doseSaid(
    head,
    text,
    salts.find(({ id }) => id === saltId),
    bareUnit,
  )
  if ('pct' in dose) return { kind: 'percent', pct: dose.pct, basis: percentOf ? basisOf(percentOf) : null }
  const by = at?.[0].trim() ?? ''
  const into: DosedInto = at
    ? intoOf(`${by === 'per' || by === '' ? 'per ' : by === 'to' ? 'to ' : ''}${rest.slice(at.index + at[0].length)}`)
    : { kind: 'all' }
  const doseG = mapRange(dose.doseG, (grams) => grams * times)
  return { kind: 'dose', doseG, saltId, into, spooned: dose.spooned, onTop }
}

/** What of a plan a dose is counted by: its jars, its water, its produce in cups. */
export interface Dosed {
  jars: number
  waterG: Range
  produceCups: Range
}

const product = (a: Range, b: Range): Range => ({
  low: a.low * b.low,
  typical: a.typical * b.typical,
  high: a.high * b.high,
})

/** Grams of salt in all that a dose comes to. Water weighs a gram a mL. */
export function saltOfDose(
  { doseG, into }: Extract<SaidSalt, { kind: 'dose' }>,
  { jars, waterG, produceCups }: Dosed,
): Range {
  switch (into.kind) {
    case 'all':
      return doseG
    case 'jar':
      return mapRange(doseG, (grams) => grams * Math.max(1, jars))
    case 'water': {
      const { low, typical, high } = into.volumeMl
      if (waterG.typical <= 0) return doseG
      return product(doseG, { low: waterG.low / high, typical: waterG.typical / typical, high: waterG.high / low })
    }
    case 'each': {
      const cups =
        into.of === 'produce' || waterG.typical <= 0 ? produceCups : mapRange(waterG, (grams) => grams / CUP_ML)
      return product(
        doseG,
        mapRange(cups, (count) => (count * CUP_ML) / into.volumeMl),
      )
    }
  }
}

/** A salt of one gram a teaspoon: what is dosed of it tells how many there are. */
const COUNTING: SaltKind = { id: 'fine-sea', name: 'fine sea salt', teaspoonG: exactly(1) }

/** Level teaspoons of a dose that is nothing but spoons: 0 of no words, `null` of any other dose. */
export function spoonsSaid(words: string): number | null {
  if (words.trim() === '') return 0
  try {
    const said = readSalt(words, [COUNTING], COUNTING.id)
    const counts = said.kind === 'dose' && said.spooned && !said.onTop && said.into.kind === 'all'
    return counts ? said.doseG.typical : null
  } catch (error) {
    if (error instanceof InvalidInput) return null
    throw error
  }
}

/** Where salt by eye is no way. */
export const NOT_BY_EYE =
  'By eye is for fruit packed in much salt; here the strength decides what grows. Say spoons, or weigh it.'

/** Salt by eye comes to anything its style takes: grams, from the style's percent on a weight. */
export const saltByEye = ({ low, usual, high }: { low: number; usual: number; high: number }, ofG: number): Range =>
  mapRange({ low, typical: usual, high }, (pct) => (pct * ofG) / 100)

/** The working of a dose that was said, with the strength it comes to. */
export function saidWorking(
  said: Exclude<SaidSalt, { kind: 'percent' }>,
  { words, salt, saltG, evenedPct }: { words: string; salt: SaltKind | undefined; saltG: Range; evenedPct: Range },
): Working {
  const grams = ({ low, typical, high }: Range) =>
    low < high
      ? `${formatNumber(typical, 1)} g (${formatNumber(low, 1)} to ${formatNumber(high, 1)})`
      : `${formatNumber(typical, 1)} g`
  const dose = said.kind === 'dose' ? said : null
  const where = { all: 'all of it', jar: 'each jar', water: 'so much water', each: 'each measure' }[
    dose?.into.kind ?? 'all'
  ]
  return {
    what: 'Salt that goes in',
    formula: 'S = dose × how often; share = (S + own salt) / everything',
    numbers: [
      { name: 'said', value: words },
      ...(dose?.spooned && salt ? [{ name: `a level teaspoon of ${salt.name}`, value: grams(salt.teaspoonG) }] : []),
      dose
        ? { name: `a dose, for ${where}`, value: grams(dose.doseG) }
        : { name: 'by eye', value: 'anything this way of packing takes' },
    ],
    result: `${grams(saltG)}, ${formatNumber(evenedPct.low, 2)} to ${formatNumber(evenedPct.high, 2)} % of everything`,
    source: 'Level teaspoons: common practice, or your own. Mass balance',
  }
}
