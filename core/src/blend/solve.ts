import { potOf } from '../acid/pot'
import { mix, ofMass, type Composition } from '../composition/composition'
import type { LinearProgram, LinearSolver } from './program'
import { AIMS, excessOf, figureOf, RANKS, type Aim, type Targets } from './targets'

/** One thing that may go into a mix. Masses in g; `stock` names what it shares with other mixes. */
export interface MixPart {
  key: string
  name: string
  /** Any amount of it, over 0 g. */
  composition: Composition
  nowG: number
  lowG: number
  highG: number
  lowShare: number
  highShare: number
  locked: boolean
  role: 'base' | 'vinegar' | 'acid' | 'other'
  pricePerKg: number | null
  stock: string | null
}

/** A sauce to be found: its parts, what it should come to, and how much of it. `phMargin` keeps the upper end of the band under the target. */
export interface Mix { name: string, parts: readonly MixPart[], targets: Targets, massG: { low: number, high: number }, phMargin: number }

/** What to make of the freedom that is left. */
export const OBJECTIVES = ['closest', 'vinegar', 'cost', 'base', 'least'] as const
export type Objective = typeof OBJECTIVES[number]

/** Mixes that take from the same stock, g of each. `stepG`: what the scale can weigh. */
export interface MixSet { mixes: readonly Mix[], stockG: Readonly<Record<string, number>>, objective: Objective, stepG: number }

/** One limit of a set, as it stands. */
export type Limit = { mix: number, end: 'low' | 'high', value: number } & (
  { kind: 'target', aim: Aim } | { kind: 'amount' | 'share', part: number, locked: boolean } | { kind: 'mass' } | { kind: 'stock', stock: string })

/** A limit that alone, moved to `to`, would do. */
export interface Advice { limit: Limit, to: number }
/** A target that a mix does not meet, and what it has instead. */
export interface Missed { mix: number, aim: Aim, end: 'low' | 'high', wanted: number, got: number }
/** Ends of what a target's property can be while all other limits hold; where those contradict each other too, while the amounts alone do (`alone`). */
export interface Reach { mix: number, aim: Aim, low: number, high: number, alone: boolean }

export type MixAnswer =
  | { status: 'solved', massesG: number[][], exactG: number[][], binding: Limit[], missed: Missed[], programs: number }
  | { status: 'infeasible', advice: Advice[], reach: Reach[], nearestG: number[][] | null, missed: Missed[] }

/** How finely a target is judged: half of what is shown. */
export const AIM_STEP: Record<Aim, number> = { acid: 0.01, salt: 0.01, heat: 50, sweet: 0.1, body: 0.1, tart: 0.01 }
/** What counts as equally far off, when not everything can be met; of heat a tenth of its target. Judgement. */
const FAR = { acid: 0.05, salt: 0.1, sweet: 0.5, body: 0.5, tart: 0.05 } as const
const farOf = (aim: Aim, value: number): number => aim === 'heat' ? Math.max(100, value / 10) : FAR[aim]
/** Charge behind 0.05 pH of a sauce, mmol/g, from a buffer of 40 mmol/kg a pH. Judgement; it only weighs what is missed. */
const FAR_CHARGE = 0.002

/** Most a loop over ionic strength is run; two or three do. */
const PASSES = 8
/** Ionic strength that moves no pH any more, mol/kg: about 0.00001 pH. */
const SETTLED = 2e-5

/** The limits that hold a set. */
export function limitsOf({ mixes, stockG }: MixSet): Limit[] {
  const found: Limit[] = []
  mixes.forEach(({ parts, targets, massG, phMargin }, index) => {
    for (const aim of AIMS) {
      const { low, high } = targets[aim]
      if (low !== null) found.push({ kind: 'target', mix: index, aim, end: 'low', value: low })
      if (high !== null) found.push({ kind: 'target', mix: index, aim, end: 'high', value: high - (aim === 'acid' ? phMargin : 0) })
    }
    parts.forEach(({ lowG, highG, lowShare, highShare, locked, nowG }, part) => {
      const amount = (end: 'low' | 'high', value: number) => found.push({ kind: 'amount', mix: index, part, end, value, locked })
      if (locked || lowG > 0) amount('low', locked ? nowG : lowG)
      if (locked || highG < Infinity) amount('high', locked ? nowG : highG)
      if (lowShare > 0) found.push({ kind: 'share', mix: index, part, end: 'low', value: lowShare, locked })
      if (highShare < 1) found.push({ kind: 'share', mix: index, part, end: 'high', value: highShare, locked })
    })
    found.push({ kind: 'mass', mix: index, end: 'low', value: massG.low }, { kind: 'mass', mix: index, end: 'high', value: massG.high })
  })
  for (const [stock, value] of Object.entries(stockG)) found.push({ kind: 'stock', mix: 0, stock, end: 'high', value })
  return found
}

/** A set prepared for its programs: columns are the parts of all mixes, one after the other. */
class Bench {
  readonly columns: { mix: number, part: MixPart, excess: ReturnType<typeof excessOf> }[]
  private readonly unit: Composition[]
  private readonly pots: ReturnType<typeof potOf>[]

  constructor(readonly set: MixSet, readonly solver: LinearSolver) {
    this.columns = set.mixes.flatMap(({ parts }, index) => parts.map(part => ({ mix: index, part, excess: excessOf(ofMass(part.composition, 1000)) })))
    this.unit = this.columns.map(({ part }) => ofMass(part.composition, 1))
    this.pots = set.mixes.map((_, index) => potOf(this.unit.filter((__, at) => this.columns[at]?.mix === index)))
  }

  /** What a mix is with these amounts. */
  compositionOf(index: number, x: readonly number[]): Composition {
    return mix(this.columns.flatMap((column, at) => column.mix === index && (x[at] ?? 0) > 0 ? [ofMass(this.unit[at] ?? column.part.composition, x[at] ?? 0)] : []))
  }

  private balanceOf(index: number, x: readonly number[]) {
    return this.pots[index]?.(x.filter((_, at) => this.columns[at]?.mix === index)) ?? null
  }

  /** Ionic strength of every mix, mol/kg water; 0.5 where it holds no water. */
  ionic(x: readonly number[]): number[] {
    return this.set.mixes.map((_, index) => this.balanceOf(index, x)?.ionicStrength ?? 0.5)
  }

  /** What a limit measures, as a row at a value of it. */
  row(limit: Limit, value: number, ionic: readonly number[]): number[] {
    let partIndex = -1
    let before = -1
    return this.columns.map(({ mix: of, part, excess }) => {
      partIndex = of === before ? partIndex + 1 : 0
      before = of
      if (limit.kind === 'stock') return part.stock === limit.stock ? 1 : 0
      if (of !== limit.mix) return 0
      switch (limit.kind) {
        case 'target': return excess(limit.aim, value, ionic[of] ?? 0.5)
        case 'amount': return partIndex === limit.part ? 1 : 0
        case 'share': return (partIndex === limit.part ? 1 : 0) - value
        case 'mass': return 1
      }
    })
  }

  /** What a limit's measure is for these amounts; `null` where it cannot be said. */
  measure(limit: Limit, x: readonly number[]): number | null {
    if (limit.kind === 'target' && limit.aim === 'acid') return this.balanceOf(limit.mix, x)?.pH ?? null
    if (limit.kind === 'target') return figureOf(limit.aim, this.compositionOf(limit.mix, x))
    const sum = this.row(limit, 0, []).reduce((total, coefficient, at) => total + coefficient * (x[at] ?? 0), 0)
    if (limit.kind !== 'share') return sum
    const all = this.row({ kind: 'mass', mix: limit.mix, end: 'low', value: 0 }, 0, []).reduce((total, coefficient, at) => total + coefficient * (x[at] ?? 0), 0)
    return all > 0 ? sum / all : null
  }

  /** The rows of limits; ratios stand against 0, sums against their value. `tighten` moves every end inwards by what rounding can do. */
  rows(limits: readonly Limit[], ionic: readonly number[], tighten = 0): LinearProgram['rows'] {
    return limits.map((limit) => {
      const coefficients = this.row(limit, limit.value, ionic)
      const ratio = limit.kind === 'target' || limit.kind === 'share'
      const margin = ratio ? tighten / 2 * coefficients.reduce((sum, value) => sum + Math.abs(value), 0) : 0
      const value = ratio ? 0 : limit.value
      return limit.end === 'low' ? { coefficients, low: value + margin, high: Infinity } : { coefficients, low: -Infinity, high: value - margin }
    })
  }

  /** Solves at an ionic strength that the answer itself has. `null` when there is no answer. */
  settle(limits: readonly Limit[], goal: (ionic: readonly number[], x: readonly number[]) => Goal, { start = this.ionic(this.now()), tighten = 0 } = {}): { x: number[], ionic: number[], programs: number } | null {
    let ionic = start
    let x = this.now()
    for (let pass = 1; pass <= PASSES; pass++) {
      const { costs, extra, rows } = goal(ionic, x)
      const size = this.columns.length + extra.length
      const wide = (coefficients: readonly number[]) => coefficients.length < size ? [...coefficients, ...new Array<number>(size - coefficients.length).fill(0)] : coefficients
      const answer = this.solver({
        costs, lower: new Array<number>(size).fill(0), upper: [...this.columns.map(() => Infinity), ...extra],
        rows: [...this.rows(limits, ionic, tighten), ...rows].map(row => ({ ...row, coefficients: wide(row.coefficients) })),
      })
      if (answer.status !== 'solved') return null
      x = answer.x.map(grams => Math.max(0, grams))
      const next = this.ionic(x)
      const moved = Math.max(...next.map((strength, index) => Math.abs(strength - (ionic[index] ?? 0))))
      ionic = next
      if (moved < SETTLED || pass === PASSES) return { x, ionic, programs: pass }
    }
    return null
  }

  /** The amounts as they stand. */
  now(): number[] {
    return this.columns.map(({ part }) => part.nowG)
  }

  /** As far as a limit's measure can go one way while the others hold: least excess over the last value, until it stands. */
  reach(limit: Limit, others: readonly Limit[], way: 'low' | 'high', start?: { x: readonly number[], ionic: number[] }): { value: number, x: number[], ionic: number[] } | null {
    const sign = way === 'low' ? 1 : -1
    let value = start ? this.measure(limit, start.x) : null
    let ionic = start?.ionic
    if (value === null) {
      const any = this.settle(others, () => plain(this.columns.map(() => 0)))
      value = any && this.measure(limit, any.x)
      ionic = any?.ionic
    }
    if (value === null || !ionic) return null
    for (let pass = 0; pass < 20; pass++) {
      const held = value
      const strength: number[] = ionic
      const answer = this.solver({
        costs: this.row(limit, held, strength).map(cost => sign * cost), lower: this.columns.map(() => 0), upper: this.columns.map(() => Infinity), rows: this.rows(others, strength),
      })
      if (answer.status !== 'solved') return null
      const x = answer.x.map(grams => Math.max(0, grams))
      const next = this.measure(limit, x)
      if (next === null) return null
      const nextIonic = this.ionic(x)
      const still = Math.abs(next - held) < 1e-6 * Math.max(1, Math.abs(held)) && nextIonic.every((one, index) => Math.abs(one - (strength[index] ?? 0)) < 1e-5)
      if (still || pass === 19) return { value: next, x, ionic: nextIonic }
      value = next
      ionic = nextIonic
    }
    return null
  }

  /** Amounts by mix. */
  split(x: readonly number[]): number[][] {
    return this.set.mixes.map((_, index) => this.columns.flatMap((column, at) => column.mix === index ? [x[at] ?? 0] : []))
  }

  /** Targets that amounts do not meet, by more than is shown. */
  missed(x: readonly number[]): Missed[] {
    return limitsOf(this.set).flatMap((limit): Missed[] => {
      if (limit.kind !== 'target') return []
      const got = this.measure(limit, x)
      if (got === null) return [{ mix: limit.mix, aim: limit.aim, end: limit.end, wanted: limit.value, got: NaN }]
      const off = limit.end === 'high' ? got - limit.value : limit.value - got
      return off > slackOf(limit.aim, limit.value) ? [{ mix: limit.mix, aim: limit.aim, end: limit.end, wanted: limit.value, got }] : []
    })
  }
}

/** Costs of the columns, further columns by their upper ends, and rows that go with them. */
interface Goal { costs: number[], extra: number[], rows: LinearProgram['rows'] }
const plain = (costs: number[]): Goal => ({ costs, extra: [], rows: [] })

/** How far a figure may stand over a target's end before it is told. */
export const slackOf = (aim: Aim, value: number): number => aim === 'heat' ? Math.max(AIM_STEP.heat / 2, 0.005 * value) : AIM_STEP[aim] / 2

/** Least change of the amounts: a column for the distance of each. */
function closest(bench: Bench, weight: number, costs: readonly number[]): Goal {
  const { columns } = bench
  const unit = (at: number, value: number) => {
    const row = new Array<number>(columns.length * 2).fill(0)
    row[at] = value
    row[columns.length + at] = -1
    return row
  }
  return {
    costs: [...costs, ...columns.map(() => weight)], extra: columns.map(() => Infinity),
    rows: columns.flatMap(({ part }, at) => [
      { coefficients: unit(at, 1), low: -Infinity, high: part.nowG },
      { coefficients: unit(at, -1), low: -Infinity, high: -part.nowG },
    ]),
  }
}

/** Of equally good ways the nearest to what stands there, g of change against g of what is wanted. */
const TIE = 1e-4

function goalOf(bench: Bench): Goal {
  const cost = (of: (part: MixPart) => number) => bench.columns.map(({ part }) => of(part))
  switch (bench.set.objective) {
    case 'closest': return closest(bench, 1, cost(() => 0))
    case 'vinegar': return closest(bench, TIE, cost(({ role }) => role === 'vinegar' ? 1 : 0))
    case 'cost': return closest(bench, TIE * 0.01, cost(({ pricePerKg }) => (pricePerKg ?? 0) / 1000))
    case 'base': return closest(bench, TIE, cost(({ role }) => role === 'base' ? -1 : 0))
    case 'least': return plain(cost(({ locked }) => locked ? 0 : 1))
  }
}

/** Grams in whole steps of the scale; what is locked stays as it is, and no stock is passed: what was rounded up most gives a step back first. */
function inSteps({ columns, set: { stepG, stockG } }: Bench, x: readonly number[]): number[] {
  const rounded = x.map((grams, at) => columns[at]?.part.locked ? grams : Math.round(grams / stepG) * stepG)
  for (const [stock, limitG] of Object.entries(stockG)) {
    const drawn = columns.flatMap(({ part }, at) => part.stock === stock ? [at] : [])
    let overG = drawn.reduce((sum, at) => sum + (rounded[at] ?? 0), 0) - limitG
    const up = (at: number) => (rounded[at] ?? 0) - (x[at] ?? 0)
    for (const at of drawn.filter(one => !columns[one]?.part.locked && (rounded[one] ?? 0) >= stepG).sort((a, b) => up(b) - up(a))) {
      if (overG <= 1e-6) break
      rounded[at] = (rounded[at] ?? 0) - stepG
      overG -= stepG
    }
  }
  return rounded
}

/** Limits that an answer stands at. */
const bindingOf = (bench: Bench, x: readonly number[]) => limitsOf(bench.set).filter((limit) => {
  const at = bench.measure(limit, x)
  return limit.kind !== 'mass' && at !== null && Math.abs(at - limit.value) < 1e-4 * Math.max(1, Math.abs(limit.value))
})

/** A value moved outwards to what is shown, so that following it leaves room. */
function outward(limit: Limit, value: number): number {
  const step = limit.kind === 'target' ? limit.aim === 'heat' ? Math.max(50, 10 ** Math.floor(Math.log10(Math.max(1, value)) - 1)) : AIM_STEP[limit.aim] : limit.kind === 'share' ? 0.005 : 1
  // The end that is a ceiling must rise, the one that is a floor must sink. A whisker more keeps the next solve from standing on its edge.
  const whisker = limit.kind === 'target' ? 0.02 : -1e-4
  const moved = limit.end === 'high' ? Math.ceil(value / step + whisker) * step : Math.floor(value / step - whisker) * step
  return Number(moved.toFixed(6))
}

/** How big a move is, to put the gentlest first; what only should be met gives way before what must. */
function effort({ limit, to }: Advice, { mixes }: MixSet): number {
  const size = limit.kind === 'target' ? farOf(limit.aim, limit.value) : limit.kind === 'share' ? 0.05 : Math.max(20, 0.1 * limit.value)
  const rank = limit.kind === 'target' ? mixes[limit.mix]?.targets[limit.aim].rank ?? 1 : 1
  return Math.abs(to - limit.value) / size / rank
}

/** For every limit, whether it alone could give way, and how far it would have to. */
function adviceOf(bench: Bench): Advice[] {
  const limits = limitsOf(bench.set)
  return limits.flatMap((limit): Advice[] => {
    const others = limits.filter(other => other !== limit)
    const found = bench.reach(limit, others, limit.end === 'high' ? 'low' : 'high')
    if (!found) return []
    const to = outward(limit, found.value)
    // A floor cannot go under nothing, nor a ceiling of pure acid over everything.
    if (to < 0 || !Number.isFinite(to)) return []
    return [{ limit, to }]
  }).sort((a, b) => effort(a, bench.set) - effort(b, bench.set))
}

/** The nearest mixes: what must be met comes first, then what should, then the rest; amounts, stock and locks hold. */
function nearestOf(bench: Bench): number[] | null {
  const limits = limitsOf(bench.set)
  const soft = limits.filter(limit => limit.kind === 'target')
  const hard = limits.filter(limit => limit.kind !== 'target')
  const rankOf = (limit: typeof soft[number]) => bench.set.mixes[limit.mix]?.targets[limit.aim].rank ?? 1
  const width = bench.columns.length
  let most = soft.map(() => Infinity)
  let best: number[] | null = null
  for (const rank of RANKS) {
    if (best && !soft.some(limit => rankOf(limit) === rank)) continue
    const found = bench.settle(hard, ionic => ({
      costs: [...bench.columns.map(() => 0), ...soft.map(limit => rankOf(limit) === rank ? 1 : 0)], extra: most,
      rows: soft.map((limit, index) => {
        const massG = bench.set.mixes[limit.mix]?.massG.high ?? 1000
        const size = limit.aim === 'acid' ? FAR_CHARGE : farOf(limit.aim, limit.value)
        const slack = soft.map((_, at) => at === index ? (limit.end === 'high' ? -1 : 1) * size * massG : 0)
        const coefficients = [...bench.row(limit, limit.value, ionic), ...slack]
        return limit.end === 'high' ? { coefficients, low: -Infinity, high: 0 } : { coefficients, low: 0, high: Infinity }
      }),
    }))
    if (!found) return null
    best = found.x.slice(0, width)
    most = soft.map((limit, index) => rankOf(limit) <= rank ? (found.x[width + index] ?? 0) + 1e-6 : most[index] ?? Infinity)
  }
  return best
}

/** Ends that each target's property can have while the amounts and the other targets hold. Told only where there is something to reach. */
function reachesOf(bench: Bench): Reach[] {
  const limits = limitsOf(bench.set)
  const aimed = limits.filter((limit, index) => limit.kind === 'target' && limits.findIndex(other => other.kind === 'target' && other.mix === limit.mix && other.aim === limit.aim) === index)
  return aimed.flatMap((limit): Reach[] => {
    if (limit.kind !== 'target') return []
    const others = limits.filter(other => !(other.kind === 'target' && other.mix === limit.mix && other.aim === limit.aim))
    const ends = (held: readonly Limit[], alone: boolean): Reach[] => {
      const [low, high] = [bench.reach(limit, held, 'low'), bench.reach(limit, held, 'high')]
      return low && high ? [{ mix: limit.mix, aim: limit.aim, low: low.value, high: high.value, alone }] : []
    }
    const together = ends(others, false)
    return together.length ? together : ends(limits.filter(other => other.kind !== 'target'), true)
  })
}

/**
 * Finds amounts that meet every target, at an ionic strength the answer itself has, in whole steps of the scale, checked forward.
 * Where there are none it says which one limit would have to move and how far, what can be reached, and what comes nearest: it never gives up a target in silence.
 */
export function solveSet(set: MixSet, solver: LinearSolver): MixAnswer {
  const bench = new Bench(set, solver)
  const limits = limitsOf(set)
  let exact = bench.settle(limits, () => goalOf(bench))
  let near: number[] | null = null
  if (!exact) {
    // The ionic strength that was begun with may be to blame: once more with that of the nearest mix.
    near = nearestOf(bench)
    exact = near && bench.settle(limits, () => goalOf(bench), { start: bench.ionic(near) })
  }
  if (!exact) {
    return { status: 'infeasible', advice: adviceOf(bench), reach: reachesOf(bench), nearestG: near && bench.split(inSteps(bench, near)), missed: near ? bench.missed(near) : [] }
  }
  const x = exact.x.slice(0, bench.columns.length)
  let rounded = inSteps(bench, x)
  let missed = bench.missed(rounded)
  if (missed.length) {
    const careful = bench.settle(limits, () => goalOf(bench), { start: exact.ionic, tighten: set.stepG })
    const second = careful && inSteps(bench, careful.x.slice(0, bench.columns.length))
    if (second && bench.missed(second).length < missed.length) {
      rounded = second
      missed = bench.missed(second)
    }
  }
  return { status: 'solved', massesG: bench.split(rounded), exactG: bench.split(x), binding: bindingOf(bench, x), missed, programs: exact.programs }
}

/** A point of what two properties can be together: at a value of the first, the least and most of the second. */
export interface FrontierPoint { at: number, low: number, high: number }

/**
 * How two properties of a mix pull against each other: over all the first can be, the least and most that the second can be, while every other limit holds.
 * Their own targets are left out: the picture shows where those lie. Yields after each point, so that whoever asks can tell how far it is and stop.
 * @param points on the axis of the first; each is two ends.
 */
export function* frontierOf(set: MixSet, index: number, [across, up]: readonly [Aim, Aim], points: number, solver: LinearSolver): Generator<FrontierPoint | null, void> {
  const bench = new Bench(set, solver)
  const others = limitsOf(set).filter(limit => !(limit.kind === 'target' && limit.mix === index && (limit.aim === across || limit.aim === up)))
  const limit = (aim: Aim, end: 'low' | 'high', value = 0): Limit => ({ kind: 'target', mix: index, aim, end, value })
  const left = bench.reach(limit(across, 'low'), others, 'low')
  const right = left && bench.reach(limit(across, 'low'), others, 'high', left)
  if (!left || !right) return
  let [below, above] = [left, left]
  for (let step = 0; step < points; step++) {
    // A whisker inside, so that the ends themselves can be met.
    const share = points > 1 ? 0.0005 + 0.999 * step / (points - 1) : 0.5
    const at = left.value + (right.value - left.value) * share
    const held = [...others, limit(across, 'low', at), limit(across, 'high', at)]
    const low = bench.reach(limit(up, 'low'), held, 'low', below)
    const high = bench.reach(limit(up, 'high'), held, 'high', above)
    if (low) below = low
    if (high) above = high
    yield low && high ? { at, low: low.value, high: high.value } : null
  }
}
