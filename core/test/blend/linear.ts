import loadHighs from 'highs'
import type { LinearSolver } from '../../src'

/** The solver of the application, for tests of what core makes of its answers. */
export async function testSolver(): Promise<LinearSolver> {
  const { linearSolver } = await import('../../../app/workers/linearSolver')
  return linearSolver(await loadHighs())
}
