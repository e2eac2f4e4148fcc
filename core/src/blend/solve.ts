import { ProgramBuilder, plain, type Goal } from './programBuilder'
import { AIM_STEP, limitsOf, slackOf, type Limit, type MixPart, type MixSet } from './mixSet'
import type { LinearSolver } from './program'
import { RANKS, type Aim } from './targets'

/** A limit that alone, moved to `to`, would do. */
export interface Advice {
  limit: Limit
  to: number
}
/** A target that a mix does not meet, and what it has instead. */
export interface Missed {
  mix: number
  aim: Aim
  end: 'low' | 'high'
  wanted: number
  got: number
}
/**
 * Ends of what a target's property can be while all other limits hold; where those contradict each other too, while
 * the amounts alone do (`alone`).
 */
export interface Reach {
  mix: number
  aim: Aim
  low: number
  high: number
  alone: boolean
}

export type MixAnswer =
  | { status: 'solved'; massesG: number[][]; exactG: number[][]; binding: Limit[]; missed: Missed[]; programs: number }
  | { status: 'infeasible'; advice: Advice[]; reach: Reach[]; nearestG: number[][] | null; missed: Missed[] }

/** What counts as equally far off, when not everything can be met; of heat a tenth of its target. Judgement. */
const FAR = { acid: 0.05, salt: 0.1, sweet: 0.5, body: 0.5, tart: 0.05 } as const
const farOf = (aim: Aim, value: number): number => (aim === 'heat' ? Math.max(100, value / 10) : FAR[aim])
/**
 * Charge behind 0.05 pH of a sauce, mmol/g, from a buffer of 40 mmol/kg a pH. Judgement; it only weighs what is
 * missed.
 */
const FAR_CHARGE = 0.002

/** Targets that amounts do not meet, by more than is shown. */
const missedBy = (program: ProgramBuilder, x: readonly number[]): Missed[] =>
  limitsOf(program.set).flatMap((limit): Missed[] => {
    if (limit.kind !== 'target') return []
    const got = program.measure(limit, x)
    if (got === null) return [{ mix: limit.mix, aim: limit.aim, end: limit.end, wanted: limit.value, got: NaN }]
    const off = limit.end === 'high' ? got - limit.value : limit.value - got
    return off > slackOf(limit.aim, limit.value)
      ? [{ mix: limit.mix, aim: limit.aim, end: limit.end, wanted: limit.value, got }]
      : []
  })

/** Least change of the amounts: a column for the distance of each. */
function closest(program: ProgramBuilder, weight: number, costs: readonly number[]): Goal {
  const { columns } = program
  const unit = (at: number, value: number) => {
    const row = new Array<number>(columns.length * 2).fill(0)
    row[at] = value
    row[columns.length + at] = -1
    return row
  }
  return {
    costs: [...costs, ...columns.map(() => weight)],
    extra: columns.map(() => Infinity),
    rows: columns.flatMap(({ part }, at) => [
      { coefficients: unit(at, 1), low: -Infinity, high: part.nowG },
      { coefficients: unit(at, -1), low: -Infinity, high: -part.nowG },
    ]),
  }
}

/** Of equally good ways the nearest to what stands there, g of change against g of what is wanted. */
const TIE = 1e-4

function goalOf(program: ProgramBuilder): Goal {
  const cost = (of: (part: MixPart) => number) => program.columns.map(({ part }) => of(part))
  switch (program.set.objective) {
    case 'closest':
      return closest(
        program,
        1,
        cost(() => 0),
      )
    case 'vinegar':
      return closest(
        program,
        TIE,
        cost(({ role }) => (role === 'vinegar' ? 1 : 0)),
      )
    case 'cost':
      return closest(
        program,
        TIE * 0.01,
        cost(({ pricePerKg }) => (pricePerKg ?? 0) / 1000),
      )
    case 'base':
      return closest(
        program,
        TIE,
        cost(({ role }) => (role === 'base' ? -1 : 0)),
      )
    case 'least':
      return plain(cost(({ locked }) => (locked ? 0 : 1)))
  }
}

/**
 * Grams in whole steps of the scale; what is locked stays as it is, and no stock is passed: what was rounded up most
 * gives a step back first.
 */
function inSteps({ columns, set: { stepG, stockG } }: ProgramBuilder, x: readonly number[]): number[] {
  const rounded = x.map((grams, at) => (columns[at]?.part.locked ? grams : Math.round(grams / stepG) * stepG))
  for (const [stock, limitG] of Object.entries(stockG)) {
    const drawn = columns.flatMap(({ part }, at) => (part.stock === stock ? [at] : []))
    let overG = drawn.reduce((sum, at) => sum + (rounded[at] ?? 0), 0) - limitG
    const up = (at: number) => (rounded[at] ?? 0) - (x[at] ?? 0)
    for (const at of drawn
      .filter((one) => !columns[one]?.part.locked && (rounded[one] ?? 0) >= stepG)
      .sort((a, b) => up(b) - up(a))) {
      if (overG <= 1e-6) break
      rounded[at] = (rounded[at] ?? 0) - stepG
      overG -= stepG
    }
  }
  return rounded
}

/** Limits that an answer stands at. */
const bindingOf = (program: ProgramBuilder, x: readonly number[]) =>
  limitsOf(program.set).filter((limit) => {
    const at = program.measure(limit, x)
    return (
      limit.kind !== 'mass' && at !== null && Math.abs(at - limit.value) < 1e-4 * Math.max(1, Math.abs(limit.value))
    )
  })

/** A value moved outwards to what is shown, so that following it leaves room. */
function outward(limit: Limit, value: number): number {
  const step =
    limit.kind === 'target'
      ? limit.aim === 'heat'
        ? Math.max(50, 10 ** Math.floor(Math.log10(Math.max(1, value)) - 1))
        : AIM_STEP[limit.aim]
      : limit.kind === 'share'
        ? 0.005
        : 1
  // The end that is a ceiling must rise, the one that is a floor must sink. A whisker more keeps the next solve from
  // standing on its edge.
  const whisker = limit.kind === 'target' ? 0.02 : -1e-4
  const moved =
    limit.end === 'high' ? Math.ceil(value / step + whisker) * step : Math.floor(value / step - whisker) * step
  return Number(moved.toFixed(6))
}

/** How big a move is, to put the gentlest first; what only should be met gives way before what must. */
function effort({ limit, to }: Advice, { mixes }: MixSet): number {
  const size =
    limit.kind === 'target'
      ? farOf(limit.aim, limit.value)
      : limit.kind === 'share'
        ? 0.05
        : Math.max(20, 0.1 * limit.value)
  const rank = limit.kind === 'target' ? (mixes[limit.mix]?.targets[limit.aim].rank ?? 1) : 1
  return Math.abs(to - limit.value) / size / rank
}

/** For every limit, whether it alone could give way, and how far it would have to. */
function adviceOf(program: ProgramBuilder): Advice[] {
  const limits = limitsOf(program.set)
  return limits
    .flatMap((limit): Advice[] => {
      const others = limits.filter((other) => other !== limit)
      const found = program.reach(limit, others, limit.end === 'high' ? 'low' : 'high')
      if (!found) return []
      const to = outward(limit, found.value)
      // A floor cannot go under nothing, nor a ceiling of pure acid over everything.
      if (to < 0 || !Number.isFinite(to)) return []
      return [{ limit, to }]
    })
    .sort((a, b) => effort(a, program.set) - effort(b, program.set))
}

/** The nearest mixes: what must be met comes first, then what should, then the rest; amounts, stock and locks hold. */
function nearestOf(program: ProgramBuilder): number[] | null {
  const limits = limitsOf(program.set)
  const soft = limits.filter((limit) => limit.kind === 'target')
  const hard = limits.filter((limit) => limit.kind !== 'target')
  const rankOf = (limit: (typeof soft)[number]) => program.set.mixes[limit.mix]?.targets[limit.aim].rank ?? 1
  const width = program.columns.length
  let most = soft.map(() => Infinity)
  let best: number[] | null = null
  for (const rank of RANKS) {
    if (best && !soft.some((limit) => rankOf(limit) === rank)) continue
    const found = program.atOwnIonicStrength(hard, (ionic) => ({
      costs: [...program.columns.map(() => 0), ...soft.map((limit) => (rankOf(limit) === rank ? 1 : 0))],
      extra: most,
      rows: soft.map((limit, index) => {
        const massG = program.set.mixes[limit.mix]?.massG.high ?? 1000
        const size = limit.aim === 'acid' ? FAR_CHARGE : farOf(limit.aim, limit.value)
        const slack = soft.map((_, at) => (at === index ? (limit.end === 'high' ? -1 : 1) * size * massG : 0))
        const coefficients = [...program.row(limit, limit.value, ionic), ...slack]
        return limit.end === 'high'
          ? { coefficients, low: -Infinity, high: 0 }
          : { coefficients, low: 0, high: Infinity }
      }),
    }))
    if (!found) return null
    best = found.x.slice(0, width)
    most = soft.map((limit, index) =>
      rankOf(limit) <= rank ? (found.x[width + index] ?? 0) + 1e-6 : (most[index] ?? Infinity),
    )
  }
  return best
}

/**
 * Ends that each target's property can have while the amounts and the other targets hold. Told only where there is
 * something to reach.
 */
function reachesOf(program: ProgramBuilder): Reach[] {
  const limits = limitsOf(program.set)
  const aimed = limits.filter(
    (limit, index) =>
      limit.kind === 'target' &&
      limits.findIndex((other) => other.kind === 'target' && other.mix === limit.mix && other.aim === limit.aim) ===
        index,
  )
  return aimed.flatMap((limit): Reach[] => {
    if (limit.kind !== 'target') return []
    const others = limits.filter(
      (other) => !(other.kind === 'target' && other.mix === limit.mix && other.aim === limit.aim),
    )
    const ends = (held: readonly Limit[], alone: boolean): Reach[] => {
      const [low, high] = [program.reach(limit, held, 'low'), program.reach(limit, held, 'high')]
      return low && high ? [{ mix: limit.mix, aim: limit.aim, low: low.value, high: high.value, alone }] : []
    }
    const together = ends(others, false)
    return together.length
      ? together
      : ends(
          limits.filter((other) => other.kind !== 'target'),
          true,
        )
  })
}

/**
 * Finds amounts that meet every target, at an ionic strength the answer itself has, in whole steps of the scale,
 * checked forward.
 * Where there are none it says which one limit would have to move and how far, what can be reached, and what comes
 * nearest: it never gives up a target in silence.
 */
export function solveSet(set: MixSet, solver: LinearSolver): MixAnswer {
  const program = new ProgramBuilder(set, solver)
  const limits = limitsOf(set)
  let exact = program.atOwnIonicStrength(limits, () => goalOf(program))
  let near: number[] | null = null
  if (!exact) {
    // The ionic strength that was begun with may be to blame: once more with that of the nearest mix.
    near = nearestOf(program)
    exact = near && program.atOwnIonicStrength(limits, () => goalOf(program), { start: program.ionic(near) })
  }
  if (!exact) {
    return {
      status: 'infeasible',
      advice: adviceOf(program),
      reach: reachesOf(program),
      nearestG: near && program.split(inSteps(program, near)),
      missed: near ? missedBy(program, near) : [],
    }
  }
  const x = exact.x.slice(0, program.columns.length)
  let rounded = inSteps(program, x)
  let missed = missedBy(program, rounded)
  if (missed.length) {
    const careful = program.atOwnIonicStrength(limits, () => goalOf(program), {
      start: exact.ionic,
      tighten: set.stepG,
    })
    const second = careful && inSteps(program, careful.x.slice(0, program.columns.length))
    if (second && missedBy(program, second).length < missed.length) {
      rounded = second
      missed = missedBy(program, second)
    }
  }
  return {
    status: 'solved',
    massesG: program.split(rounded),
    exactG: program.split(x),
    binding: bindingOf(program, x),
    missed,
    programs: exact.programs,
  }
}
