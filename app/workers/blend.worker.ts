import { expose } from 'comlink'
import loadHighs from 'highs'
import wasmUrl from 'highs/runtime?url'
import { frontierOf, solveSet, type Aim, type FrontierPoint, type MixAnswer, type MixSet } from '@lactofer/core'
import { linearSolver } from './linearSolver'

/** The solver is large: it is loaded with the first question. */
let loading: ReturnType<typeof load> | undefined
const load = async () => linearSolver(await loadHighs({ locateFile: () => wasmUrl }))
const solver = () =>
  (loading ??= load().catch((error: unknown) => {
    // The next question tries again.
    loading = undefined
    throw error
  }))

/** Which question of the frontier counts; a newer one, or a cancel, ends the older. */
let asked = 0
/** Between two looks whether anybody still wants it, ms. */
const BREATH_MS = 40

async function solve(set: MixSet): Promise<MixAnswer> {
  return solveSet(set, await solver())
}

/** The frontier, told as it goes; `null` when it was cancelled. */
async function frontier(
  set: MixSet,
  index: number,
  aims: readonly [Aim, Aim],
  points: number,
  progress: (share: number) => void,
): Promise<FrontierPoint[] | null> {
  const mine = ++asked
  const solveIt = await solver()
  const found: FrontierPoint[] = []
  let done = 0
  let since = performance.now()
  for (const point of frontierOf(set, index, aims, points, solveIt)) {
    done++
    if (point) found.push(point)
    if (performance.now() - since < BREATH_MS) continue
    progress(done / points)
    await new Promise((resolve) => setTimeout(resolve))
    if (mine !== asked) return null
    since = performance.now()
  }
  return found
}
const cancel = () => void asked++
const api = { solve, frontier, cancel }
export type BlendApi = typeof api
expose(api)
