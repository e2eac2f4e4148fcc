import {
  formatNumber,
  formatShu,
  heatWord,
  slackOf,
  type HeatScale,
  type Level,
  type Property,
  type Range,
} from '@lactofer/core'

/** A wanted range; an open end is `null`. */
export interface Wanted {
  low: number | null
  high: number | null
}

/** One ruler: its scale, how values lie on it, and its words at the ends. */
export interface Ruler {
  name: string
  unit: string
  low: number
  high: number
  ticks: readonly number[]
  share: (value: number) => number
  /** The value at a share of the scale, the inverse of `share`. */
  at: (share: number) => number
  /** How far one step moves a value. */
  stepAt: (value: number) => number
  ends: readonly [string, string]
  write: (value: number) => string
}

const linear = (low: number, high: number, step: number) => ({
  low,
  high,
  share: (value: number) => (value - low) / (high - low),
  at: (share: number) => low + share * (high - low),
  stepAt: () => step,
})
/** Heat in steps as a tongue tells them: near even in SHU where it is mild, even in its logarithm above. */
const HEAT_TOP = 200_000
const HEAT_BEND = 200
const HEAT_SPAN = Math.log10(1 + HEAT_TOP / HEAT_BEND)
const HEAT = {
  low: 0,
  high: HEAT_TOP,
  share: (shu: number) => Math.log10(1 + Math.max(0, shu) / HEAT_BEND) / HEAT_SPAN,
  at: (share: number) => HEAT_BEND * (10 ** (share * HEAT_SPAN) - 1),
  stepAt: (shu: number) => (shu < 1000 ? 50 : 10 ** (Math.floor(Math.log10(shu)) - 1)),
}

export const RULERS: Record<Property, Ruler> = {
  acid: {
    name: 'Acid',
    unit: 'pH',
    ...linear(3, 5, 0.05),
    ticks: [3.4, 3.8, 4.2, 4.6],
    ends: ['sharp', 'flat'],
    write: (value) => value.toFixed(2),
  },
  salt: {
    name: 'Salt',
    unit: '%',
    ...linear(0, 6, 0.1),
    ticks: [1, 2, 3, 4, 5],
    ends: ['none', 'salty'],
    write: (value) => formatNumber(value, 2),
  },
  heat: {
    name: 'Heat',
    unit: 'SHU',
    ...HEAT,
    ticks: [300, 2_500, 10_000, 50_000],
    ends: ['mild', 'fierce'],
    write: (value) => formatNumber(Number(value.toPrecision(2))),
  },
  sweet: {
    name: 'Sweet',
    unit: '%',
    ...linear(0, 16, 0.5),
    ticks: [4, 8, 12],
    ends: ['dry', 'sweet'],
    write: (value) => formatNumber(value, 1),
  },
  body: {
    name: 'Body',
    unit: '%',
    ...linear(0, 24, 0.5),
    ticks: [6, 12, 18],
    ends: ['pours', 'spreads'],
    write: (value) => formatNumber(value, 1),
  },
}

/** A value on the nearest step of its ruler, `steps` further; within `limits`. */
export function stepped(property: Property, value: number, steps: number, limits: { low: number; high: number }) {
  const { stepAt } = RULERS[property]
  // A step down from a power of ten is one of the finer ones below it.
  const size = stepAt(steps < 0 ? value * 0.999 : value)
  const moved = (Math.round(value / size) + steps) * size
  return Number(Math.min(limits.high, Math.max(limits.low, moved)).toFixed(2))
}
/** What is wished of a property: "3.60 to 3.70", "at most 4.00"; empty where both ends are open. */
export function wishWords(property: Property, { low, high }: Wanted): string {
  const { write } = RULERS[property]
  if (low !== null && high !== null) return `${write(low)} to ${write(high)}`
  if (high !== null) return `at most ${write(high)}`
  return low === null ? '' : `at least ${write(low)}`
}

/** The figure beside the ruler, in words a maker reads. */
export function headline(property: Property, value: Range | null): string {
  if (!value) return property === 'acid' ? 'no water, no pH' : '–'
  switch (property) {
    case 'acid':
      return `pH ${value.typical.toFixed(2)}`
    case 'salt':
      return `${formatNumber(value.typical, 2)} %`
    case 'heat':
      return value.high < 10 ? 'none' : `${RULERS.heat.write(value.typical)} SHU`
    case 'sweet':
      return `${formatNumber(value.typical, 1)} % sugar`
    case 'body':
      return `${formatNumber(value.typical, 1)} % solids`
  }
}

/** What the headline leaves out: the range, and the word for a heat. */
export function rangeWords(property: Property, value: Range | null, scale?: HeatScale): string {
  if (!value) return ''
  if (property === 'heat') return value.high < 10 ? '' : `${formatShu(value)}, ${heatWord(value.typical, scale)}`
  if (property === 'acid' || property === 'sweet')
    return `${RULERS[property].write(Math.max(0, value.low))}–${RULERS[property].write(value.high)}`
  return ''
}

/** Whether a value meets its target. Acid is judged on its upper end against the upper target: safety first. */
export function judge(
  property: Property,
  value: Range | null,
  target: Wanted,
): { level: Exclude<Level, 'discard'>; word: string } {
  if (target.low === null && target.high === null) return { level: 'fine', word: '' }
  if (!value) return { level: 'ask', word: 'no figure' }
  const { write, unit } = RULERS[property]
  const over = (by: number) => `${write(by)}${property === 'acid' ? '' : ` ${unit}`}`
  // What is shown as the target is on target.
  const slack = slackOf(property, target.high ?? target.low ?? 0)
  if (target.high !== null && value.typical > target.high + slack)
    return { level: 'act', word: `${over(value.typical - target.high)} over` }
  if (target.low !== null && value.typical < target.low - slack)
    return { level: 'act', word: `${over(target.low - value.typical)} under` }
  if (property === 'acid' && target.high !== null && value.high > target.high)
    return { level: 'ask', word: 'may be over' }
  return { level: 'fine', word: 'in range' }
}
