import { potOf } from '../acid/pot'
import { mix, ofMass, type Composition } from '../composition/composition'
import type { Limit, MixPart, MixSet } from './mixSet'
import type { LinearProgram, LinearSolver } from './program'
import { excessOf, figureOf } from './targets'

/** Most a loop over ionic strength is run; two or three do. */
const PASSES = 8
/** Ionic strength that moves no pH any more, mol/kg: about 0.00001 pH. */
const SETTLED = 2e-5

/** Costs of the columns, further columns by their upper ends, and rows that go with them. */
export interface Goal {
  costs: number[]
  extra: number[]
  rows: LinearProgram['rows']
}
export const plain = (costs: number[]): Goal => ({ costs, extra: [], rows: [] })

/** A set prepared for its programs: columns are the parts of all mixes, one after the other. */
export class ProgramBuilder {
  /** `at` is the part's place in its mix. */
  readonly columns: { mix: number; at: number; part: MixPart; excess: ReturnType<typeof excessOf> }[]
  private readonly unit: Composition[]
  private readonly pots: ReturnType<typeof potOf>[]

  constructor(
    readonly set: MixSet,
    readonly solver: LinearSolver,
  ) {
    this.columns = set.mixes.flatMap(({ parts }, index) =>
      parts.map((part, at) => ({ mix: index, at, part, excess: excessOf(ofMass(part.composition, 1000)) })),
    )
    this.unit = this.columns.map(({ part }) => ofMass(part.composition, 1))
    this.pots = set.mixes.map((_, index) => potOf(this.unit.filter((__, at) => this.columns[at]?.mix === index)))
  }

  /** What a mix is with these amounts. */
  compositionOf(index: number, x: readonly number[]): Composition {
    return mix(
      this.columns.flatMap((column, at) =>
        column.mix === index && (x[at] ?? 0) > 0 ? [ofMass(this.unit[at] ?? column.part.composition, x[at] ?? 0)] : [],
      ),
    )
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
    return this.columns.map(({ mix: of, at, part, excess }) => {
      if (limit.kind === 'stock') return part.stock === limit.stock ? 1 : 0
      if (of !== limit.mix) return 0
      switch (limit.kind) {
        case 'target':
          return excess(limit.aim, value, ionic[of] ?? 0.5)
        case 'amount':
          return at === limit.part ? 1 : 0
        case 'share':
          return (at === limit.part ? 1 : 0) - value
        case 'mass':
          return 1
      }
    })
  }

  /** What a limit's measure is for these amounts; `null` where it cannot be said. */
  measure(limit: Limit, x: readonly number[]): number | null {
    if (limit.kind === 'target' && limit.aim === 'acid') return this.balanceOf(limit.mix, x)?.pH ?? null
    if (limit.kind === 'target') return figureOf(limit.aim, this.compositionOf(limit.mix, x))
    const sum = this.row(limit, 0, []).reduce((total, coefficient, at) => total + coefficient * (x[at] ?? 0), 0)
    if (limit.kind !== 'share') return sum
    const all = this.row({ kind: 'mass', mix: limit.mix, end: 'low', value: 0 }, 0, []).reduce(
      (total, coefficient, at) => total + coefficient * (x[at] ?? 0),
      0,
    )
    return all > 0 ? sum / all : null
  }

  /**
   * The rows of limits; ratios stand against 0, sums against their value. `tighten` moves every end inwards by what
   * rounding can do.
   */
  rows(limits: readonly Limit[], ionic: readonly number[], tighten = 0): LinearProgram['rows'] {
    return limits.map((limit) => {
      const coefficients = this.row(limit, limit.value, ionic)
      const ratio = limit.kind === 'target' || limit.kind === 'share'
      const margin = ratio ? (tighten / 2) * coefficients.reduce((sum, value) => sum + Math.abs(value), 0) : 0
      const value = ratio ? 0 : limit.value
      return limit.end === 'low'
        ? { coefficients, low: value + margin, high: Infinity }
        : { coefficients, low: -Infinity, high: value - margin }
    })
  }

  /** Solves at an ionic strength that the answer itself has. `null` when there is no answer. */
  atOwnIonicStrength(
    limits: readonly Limit[],
    goal: (ionic: readonly number[], x: readonly number[]) => Goal,
    { start = this.ionic(this.now()), tighten = 0 } = {},
  ): { x: number[]; ionic: number[]; programs: number } | null {
    let ionic = start
    let x = this.now()
    for (let pass = 1; pass <= PASSES; pass++) {
      const { costs, extra, rows } = goal(ionic, x)
      const size = this.columns.length + extra.length
      const wide = (coefficients: readonly number[]) =>
        coefficients.length < size
          ? [...coefficients, ...new Array<number>(size - coefficients.length).fill(0)]
          : coefficients
      const answer = this.solver({
        costs,
        lower: new Array<number>(size).fill(0),
        upper: [...this.columns.map(() => Infinity), ...extra],
        rows: [...this.rows(limits, ionic, tighten), ...rows].map((row) => ({
          ...row,
          coefficients: wide(row.coefficients),
        })),
      })
      if (answer.status !== 'solved') return null
      x = answer.x.map((grams) => Math.max(0, grams))
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

  /**
   * As far as a limit's measure can go one way while the others hold: least excess over the last value, until it
   * stands.
   */
  reach(
    limit: Limit,
    others: readonly Limit[],
    way: 'low' | 'high',
    start?: { x: readonly number[]; ionic: number[] },
  ): { value: number; x: number[]; ionic: number[] } | null {
    const sign = way === 'low' ? 1 : -1
    let value = start ? this.measure(limit, start.x) : null
    let ionic = start?.ionic
    if (value === null) {
      const any = this.atOwnIonicStrength(others, () => plain(this.columns.map(() => 0)))
      value = any && this.measure(limit, any.x)
      ionic = any?.ionic
    }
    if (value === null || !ionic) return null
    for (let pass = 0; pass < 20; pass++) {
      const held = value
      const strength: number[] = ionic
      const answer = this.solver({
        costs: this.row(limit, held, strength).map((cost) => sign * cost),
        lower: this.columns.map(() => 0),
        upper: this.columns.map(() => Infinity),
        rows: this.rows(others, strength),
      })
      if (answer.status !== 'solved') return null
      const x = answer.x.map((grams) => Math.max(0, grams))
      const next = this.measure(limit, x)
      if (next === null) return null
      const nextIonic = this.ionic(x)
      const still =
        Math.abs(next - held) < 1e-6 * Math.max(1, Math.abs(held)) &&
        nextIonic.every((one, index) => Math.abs(one - (strength[index] ?? 0)) < 1e-5)
      if (still || pass === 19) return { value: next, x, ionic: nextIonic }
      value = next
      ionic = nextIonic
    }
    return null
  }

  /** Amounts by mix. */
  split(x: readonly number[]): number[][] {
    return this.set.mixes.map((_, index) =>
      this.columns.flatMap((column, at) => (column.mix === index ? [x[at] ?? 0] : [])),
    )
  }
}
