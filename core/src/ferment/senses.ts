import { COLUMNS, SHOWN } from './shown'

/*
 * What eyes and tongue tell: an answer in steps hangs on something the forecast carries, so it weighs its possible
 * batches as a pH does (ordered probit).
 */

/** What can be asked without any instrument. */
export const SENSE_QUESTIONS = ['bubbles', 'cloud', 'one mass', 'sour'] as const
export type SenseQuestion = (typeof SENSE_QUESTIONS)[number]

/** A question's steps from the least on; thresholds between them and their sd, in the units of {@link sensed}. */
interface Scale {
  steps: readonly string[]
  thresholds: readonly number[]
  sd: number
}

/**
 * Bubbles: ln of CO2 made in the last 12 h, mmol/kg a day. Cloud: log10 of bacteria a gram of liquid. One mass: ln of
 * CO2 a day; a stirred mash stays one when the lively part is over. Sour: ln of titratable acid, % as lactic.
 * Thresholds and spreads are judgement, held against hidden batches in docs/checks.md.
 */
export const SENSE_SCALES: Record<SenseQuestion, Scale> = {
  bubbles: {
    steps: ['none', 'when nudged', 'unprompted', 'vigorous'],
    thresholds: [2, 6, 15].map(Math.log),
    sd: 0.5,
  },
  cloud: { steps: ['clear', 'hazy', 'milky'], thresholds: [6.3, 7.3], sd: 0.4 },
  'one mass': { steps: ['stays one mass', 'parts and lifts'], thresholds: [Math.log(2)], sd: 0.5 },
  sour: {
    steps: ['not sour', 'a hint', 'sour', 'very sour', 'sour as can be'],
    thresholds: [0.25, 0.45, 0.7, 1].map(Math.log),
    sd: 0.35,
  },
}

/** By how much somebody answers higher than the scale, in the units of {@link sensed}; one standard deviation. */
export interface Offset {
  mean: number
  sd: number
}
/** What is known of somebody who was never laid beside a meter. Judgement. */
export const ANY_OFFSET: Offset = { mean: 0, sd: 0.5 }

/** One person's answers to one question: hours since packing and steps from 0 on. */
export interface Sensed {
  question: SenseQuestion
  offset: Offset
  seen: readonly { hour: number; step: number }[]
}

/** A tap that went beside it, share of the answers. Judgement. */
const SLIP = 0.02
/** Bubbles are those of so many hours. */
const GAS_OVER_H = 12
/** Answers of one person to one question nearer than this are one look: the later counts, h. Judgement. */
const ONE_LOOK_H = 8
/** Less gas, mmol/kg a day, and less acid, %, look alike. */
const LEAST_GAS = 0.05
const LEAST_ACID_PCT = 0.02
/** Percent as lactic of a millimole of lactic or acetic acid in a kilogram: molar mass 90.08, one proton. */
export const PCT_PER_MMOL = 0.009008

/** Gauss and Hermite's seven places and weights for a standard normal (from memory; the weights sum to 1). */
const NODES = [
  [0, 0.457142857],
  [1.154405395, 0.240123179],
  [-1.154405395, 0.240123179],
  [2.366759411, 0.030757124],
  [-2.366759411, 0.030757124],
  [3.750439718, 0.000548269],
  [-3.750439718, 0.000548269],
] as const

/** Share of the normal distribution under a place (Abramowitz and Stegun 26.2.17, within 7.5e-8). */
export function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail =
    0.3989422804 *
    Math.exp((-z * z) / 2) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z > 0 ? 1 - tail : tail
}

/** How likely a step is where the scale's figure stands at `value`, offset included. */
export function stepChance(question: SenseQuestion, step: number, value: number): number {
  const { steps, thresholds, sd } = SENSE_SCALES[question]
  const under = (index: number) => {
    const threshold = thresholds[index]
    return threshold === undefined ? (index < 0 ? 0 : 1) : normalBelow((threshold - value) / sd)
  }
  return (1 - SLIP) * (under(step) - under(step - 1)) + SLIP / steps.length
}

/** Figures lie between these; in steps of so much the chances are kept. */
const FIGURES = { low: -6, high: 12, step: 0.02 } as const
const kept = new Map<string, Float64Array>()
/** Chances of a step over all figures: asked some million times a forecast. */
function chancesOf(question: SenseQuestion, step: number): Float64Array {
  const key = `${question} ${step}`
  let chances = kept.get(key)
  if (!chances) {
    const count = Math.round((FIGURES.high - FIGURES.low) / FIGURES.step) + 1
    chances = Float64Array.from({ length: count }, (_, index) =>
      stepChance(question, step, FIGURES.low + index * FIGURES.step),
    )
    kept.set(key, chances)
  }
  return chances
}
const placeOf = (figure: number): number =>
  Math.max(0, Math.min(900, Math.round((figure - FIGURES.low) / FIGURES.step)))

/** What answers hang on: ln of gas, mmol/kg a day, and of titratable acid, % as lactic. */
export const gasFigure = (perDay: number): number => Math.log(Math.max(LEAST_GAS, perDay))
export const sourFigure = (acidPct: number): number => Math.log(Math.max(LEAST_ACID_PCT, acidPct))

const column = (shown: (typeof SHOWN)[number]) => SHOWN.indexOf(shown)
const [GAS, PER_DAY, LACTIC, ACETIC, CELLS] = (['gas', 'gasPerDay', 'lactic', 'acetic', 'cells'] as const).map(column)

/** Answers of one person to one question with only the later of two looks at once, in order. */
export function mergeSensed({ question, offset, seen }: Sensed): Sensed {
  const merged: { hour: number; step: number }[] = []
  for (const look of seen.filter(({ hour }) => hour >= -ONE_LOOK_H).toSorted((a, b) => a.hour - b.hour)) {
    const last = merged.at(-1)
    if (last && look.hour - last.hour < ONE_LOOK_H) merged.pop()
    merged.push({ hour: Math.max(0, look.hour), step: look.step })
  }
  return { question, offset, seen: merged }
}

/** Hours a run is looked at for what was sensed: the looks, and what stood half a day before. */
export const hoursOf = (sensed: readonly Sensed[]): number[] =>
  sensed.flatMap(({ seen }) => seen.flatMap(({ hour }) => [Math.max(0, hour - GAS_OVER_H), hour]))

/** One look at a row of figures: the chances of what was said over all figures, and the row half a day before. */
interface Look {
  row: number
  before: number
  overH: number
  chances: Float64Array
}

/**
 * What tells how well a run fits what was sensed: the log likelihood of rows of figures, offsets integrated out.
 * @param hours of the rows, among them {@link hoursOf};
 * @param acidPct titratable acid of the mixture at packing, % as lactic.
 */
export function sensesLog(
  sensed: readonly Sensed[],
  hours: Float64Array,
  acidPct: number,
): (rows: Float64Array) => number {
  const rowOf = (hour: number) => COLUMNS * hours.indexOf(hour)
  const asked = sensed.map(({ question, offset, seen }) => ({
    figureOf: FIGURE_OF[question],
    shifts: NODES.map(([place, weight]) => ({ shift: offset.mean + place * offset.sd, weight })),
    looks: seen.map(({ hour, step }): Look => {
      const beforeH = Math.max(0, hour - GAS_OVER_H)
      return { row: rowOf(hour), before: rowOf(beforeH), overH: hour - beforeH, chances: chancesOf(question, step) }
    }),
  }))
  const figures = new Float64Array(Math.max(0, ...asked.map(({ looks }) => looks.length)))
  return (rows) => {
    let log = 0
    for (const { figureOf, shifts, looks } of asked) {
      for (let index = 0; index < looks.length; index++) figures[index] = figureOf(rows, looks[index]!, acidPct)
      let sum = 0
      for (const { shift, weight } of shifts) {
        let product = weight
        for (let index = 0; index < looks.length; index++)
          product *= looks[index]!.chances[placeOf(figures[index]! + shift)]!
        sum += product
      }
      log += Math.log(sum)
    }
    return log
  }
}

/** What the answers to a question hang on, from rows of figures. */
const FIGURE_OF: Record<SenseQuestion, (rows: Float64Array, look: Look, acidPct: number) => number> = {
  bubbles: (rows, { row, before, overH }) =>
    gasFigure(overH > 0 ? ((rows[row + GAS!]! - rows[before + GAS!]!) / overH) * 24 : 0),
  'one mass': (rows, { row }) => gasFigure(rows[row + PER_DAY!]!),
  cloud: (rows, { row }) => rows[row + CELLS!]!,
  sour: (rows, { row }, acidPct) => sourFigure(acidPct + PCT_PER_MMOL * (rows[row + LACTIC!]! + rows[row + ACETIC!]!)),
}

/** A figure of the scale as it would be sensed, for somebody's offset and a draw of chance: the step. */
export function stepOf(question: SenseQuestion, figure: number, offset: number, draw: number): number {
  const { thresholds, sd } = SENSE_SCALES[question]
  const felt = figure + offset + sd * draw
  return thresholds.filter((threshold) => felt > threshold).length
}

/** The places at which an offset is looked for, and how far apart. */
const OFFSETS = { reach: 2, step: 0.05 } as const
/** How well the figure behind an answer is known where a pH was read with it: of the logarithm. Judgement. */
const FIGURE_SD = 0.3

/**
 * What answers teach of somebody's offset where the figure was known otherwise.
 * @param known the figure of the scale and the step that was said.
 */
export function offsetFrom(question: SenseQuestion, known: readonly { figure: number; step: number }[]): Offset {
  if (known.length === 0) return ANY_OFFSET
  let sum = 0
  let mean = 0
  let square = 0
  for (let place = -OFFSETS.reach; place <= OFFSETS.reach + 1e-9; place += OFFSETS.step) {
    let weight = Math.exp(-0.5 * (place / ANY_OFFSET.sd) ** 2)
    for (const { figure, step } of known)
      weight *= NODES.reduce(
        (chance, [node, share]) => chance + share * stepChance(question, step, figure + place + FIGURE_SD * node),
        0,
      )
    sum += weight
    mean += weight * place
    square += weight * place * place
  }
  return { mean: mean / sum, sd: Math.sqrt(Math.max(0.01, square / sum - (mean / sum) ** 2)) }
}
