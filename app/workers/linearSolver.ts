import type { Highs } from 'highs'
import type { LinearSolver } from '@lactofer/core'

/**
 * Dense linear programs through the solver that is loaded: one model, used again and again. Small programs are done
 * before presolve would pay.
 */
export function linearSolver(highs: Highs): LinearSolver {
  const model = highs.createModel()
  model.options.set('output_flag', false)
  model.options.set('presolve', 'off')
  model.options.set('solver', 'simplex')
  const { modelStatus } = highs.constants
  return ({ costs, lower, upper, rows }) => {
    const [numCols, numRows] = [costs.length, rows.length]
    const starts = Int32Array.from({ length: numRows + 1 }, (_, index) => index * numCols)
    const indices = Int32Array.from({ length: numRows * numCols }, (_, index) => index % numCols)
    model.passModel({
      numCols,
      numRows,
      colCost: costs,
      colLower: lower,
      colUpper: upper,
      rowLower: rows.map((row) => row.low),
      rowUpper: rows.map((row) => row.high),
      matrix: {
        format: 'csr',
        numRows,
        numCols,
        starts,
        indices,
        values: Float64Array.from(rows.flatMap((row) => row.coefficients)),
      },
    })
    const { modelStatus: found } = model.run()
    if (found === modelStatus.optimal) return { status: 'solved', x: [...model.getSolution().colValue] }
    if (found === modelStatus.unbounded) return { status: 'unbounded', x: [] }
    if (found === modelStatus.infeasible || found === modelStatus.unboundedOrInfeasible)
      return { status: 'infeasible', x: [] }
    // Neither an answer nor a proof that there is none: that must not be told as "it cannot be done".
    throw new Error(`The solver stopped with status ${found}.`)
  }
}
