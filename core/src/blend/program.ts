/**
 * A linear program: least Σ cost × x with every x between its ends and every row Σ coefficient × x between its ends.
 * Infinite ends are open.
 */
export interface LinearProgram {
  costs: readonly number[]
  lower: readonly number[]
  upper: readonly number[]
  rows: readonly { coefficients: readonly number[]; low: number; high: number }[]
}

/** What a solver says of a linear program; `x` only where it is solved. */
export interface LinearAnswer {
  status: 'solved' | 'infeasible' | 'unbounded'
  x: readonly number[]
}

/** Solves linear programs. Core brings none of its own: whoever asks hands one in. */
export type LinearSolver = (program: LinearProgram) => LinearAnswer
