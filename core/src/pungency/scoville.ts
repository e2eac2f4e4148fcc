import { z } from '../schema'
import { within } from '../invalid'
import { formatNumber } from '../units/number'
import { mapRange, type Range, type Working } from '../working'

/** Share of the heat that stays when seeds and membranes are cut out. From memory. */
export const SEEDED_KEEPS: Range = { low: 0.15, typical: 0.4, high: 0.6 }

/** Share of the heat that is left after fermenting. From memory. */
export const FERMENTING_KEEPS: Range = { low: 0.9, typical: 1, high: 1 }

/** Share of the capsaicinoids held by the pepper's insoluble matter. From memory. */
export const HEAT_IN_SOLIDS = 0.9

/**
 * SHU as the pepper is, from a dry-basis value and the dry matter as a fraction (0–1). Both ranges widen the answer.
 */
export function asIsShu(dryShu: Range, dryMatter: Range): Range {
  return {
    low: dryShu.low * dryMatter.low,
    typical: dryShu.typical * dryMatter.typical,
    high: dryShu.high * dryMatter.high,
  }
}

/** SHU of a mixture from its parts: SHU is a mass fraction, so it adds up by mass. `null` for a mixture of nothing. */
export function mixtureShu(parts: readonly { massG: number; shu: Range }[]): Range | null {
  const massG = parts.reduce((sum, part) => sum + part.massG, 0)
  if (massG <= 0) return null
  const end = (pick: keyof Range) => parts.reduce((sum, part) => sum + part.massG * part.shu[pick], 0) / massG
  return { low: end('low'), typical: end('typical'), high: end('high') }
}

/**
 * Share of the capsaicinoids kept on straining: 1 − 0.9 r.
 * @param thrownOut r, share of the pepper's insoluble matter thrown out, 0 to 1.
 */
export function strainingKeeps(thrownOut: number): number {
  return 1 - HEAT_IN_SOLIDS * within(thrownOut, 0, 1, 'The share thrown out')
}

/** Five words for heat and the four SHU at which each gives way to the next. */
export const HeatScaleSchema = z.object({
  words: z
    .array(z.string().trim().min(1, 'Give every step its word.').max(20, 'Keep a word under 20 characters.'))
    .length(5),
  limits: z
    .array(z.number().positive('A limit is over zero.').max(16_000_000))
    .length(4)
    .refine(
      (limits) => limits.every((limit, index) => index === 0 || limit > (limits[index - 1] ?? 0)),
      'Each limit must be higher than the one before.',
    ),
})
export type HeatScale = z.infer<typeof HeatScaleSchema>

/** The words where a maker has set none. Limits are judgement. */
export const USUAL_HEAT_SCALE: HeatScale = {
  words: ['mild', 'gentle', 'warm', 'hot', 'fierce'],
  limits: [300, 2_500, 10_000, 50_000],
}

/** Heat in one of five plain words, by the typical value. */
export function heatWord(shu: number, { words, limits }: HeatScale = USUAL_HEAT_SCALE): string {
  const step = limits.findIndex((limit) => shu < limit)
  return words[step < 0 ? limits.length : step] ?? ''
}

/** A heat in a plain word, or that nobody knows it: what is not listed is not mild. */
export const heatWords = (of: { shu: Range; heatUnknown: boolean }, scale?: HeatScale): string =>
  of.heatUnknown ? 'heat not known' : heatWord(of.shu.typical, scale)

/** Writes a heat range to two figures, as it is never known better: "2 500–5 000 SHU". */
export function formatShu(range: Range): string {
  const two = mapRange(range, (value) => (value <= 0 ? 0 : Number(value.toPrecision(2))))
  if (two.high === 0) return 'none'
  return two.low === two.high
    ? `${formatNumber(two.low)} SHU`
    : `${formatNumber(two.low)}–${formatNumber(two.high)} SHU`
}

/** The working of a mixture's heat. */
export function shuWorking(parts: readonly { name: string; massG: number; shu: Range }[]): Working {
  const total = mixtureShu(parts)
  return {
    what: 'Heat of the mixture',
    formula: 'SHU = Σ(mass × SHU) / Σ mass',
    numbers: parts
      .filter((part) => part.shu.high > 0)
      .map((part) => ({ name: part.name, value: `${formatNumber(part.massG)} g at ${formatShu(part.shu)}` })),
    result: total ? formatShu(total) : 'none',
    source: 'Mass balance; pepper values are dry-basis ranges of common practice times dry matter',
  }
}
