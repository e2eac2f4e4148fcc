import type { Highs } from 'highs'
import type { LinearSolver } from '@lactofer/core'

/**
 * How a program is tried. Small ones are done before presolve would pay; now and then one's figures lie so that the
 * simplex comes to no end with them as they stand, and another way does.
 */
const WAYS = [
  { presolve: 'off', solver: 'simplex' },
  { presolve: 'on', solver: 'simplex' },
  { presolve: 'off', solver: 'ipm' },
] as const

/** Dense linear programs through the solver that is loaded: one model, used again and again. */
export function linearSolver(highs: Highs): LinearSolver {
  const model = highs.createModel()
  model.options.set('output_flag', false)
  const { modelStatus } = highs.constants
  return ({ costs, lower, upper, rows }) => {
    const [numCols, numRows] = [costs.length, rows.length]
    const starts = Int32Array.from({ length: numRows + 1 }, (_, index) => index * numCols)
    const indices = Int32Array.from({ length: numRows * numCols }, (_, index) => index % numCols)
    const values = Float64Array.from(rows.flatMap((row) => row.coefficients))
    let found: number | undefined
    for (const { presolve, solver } of WAYS) {
      model.options.set('presolve', presolve)
      model.options.set('solver', solver)
      // Passed anew: nothing of a try before is begun from.
      model.passModel({
        numCols,
        numRows,
        colCost: costs,
        colLower: lower,
        colUpper: upper,
        rowLower: rows.map((row) => row.low),
        rowUpper: rows.map((row) => row.high),
        matrix: { format: 'csr', numRows, numCols, starts, indices, values },
      })
      found = model.run().modelStatus
      if (found === modelStatus.optimal) return { status: 'solved', x: [...model.getSolution().colValue] }
      if (found === modelStatus.unbounded) return { status: 'unbounded', x: [] }
      if (found === modelStatus.infeasible || found === modelStatus.unboundedOrInfeasible)
        return { status: 'infeasible', x: [] }
    }
    // Neither an answer nor a proof that there is none: that must not be told as "it cannot be done".
    throw new Error(`The solver stopped with status ${found}.`)
  }
}
