import { expose } from 'comlink'
import {
  assimilating,
  coursing,
  forecasting,
  InvalidInput,
  sharedOut,
  type Course,
  type FermentCase,
  type FermentForecast,
  type Hand,
  type Assimilated,
  type Scenario,
} from '@lactofer/core'
import { asker } from './lazyWorker'
import type { RunsApi } from './runs.worker'

/** A batch to look ahead for, and what else to try with what was learned of it. */
export interface ForecastQuestion {
  batch: FermentCase
  days: number
  members: number
  scenarios: readonly Scenario[]
  /** So many others may run rows of it: somebody waits for the answer. */
  hands: number
}
/** The forecast without its draws, which stay here; one course for each scenario. `problem` says why there is none. */
export interface ForecastAnswer {
  forecast: Omit<FermentForecast, 'learned'> | null
  courses: Course[]
  problem: string | null
}

/** What was learned of the batches asked for last: a slider of what-if does not learn anew. */
const known = new Map<string, Assimilated>()
const KEPT = 24

/** Others who run rows, each started when first asked. */
const others: Hand[] = []
function hands(count: number): Hand[] {
  while (others.length < count) {
    const ask = asker<RunsApi>(() => new Worker(new URL('./runs.worker.ts', import.meta.url), { type: 'module' }))
    others.push((asked) => ask(async (worker) => worker.run(asked)))
  }
  return others.slice(0, count)
}

async function learned({ batch, members, hands: count }: ForecastQuestion): Promise<Assimilated> {
  const key = JSON.stringify([batch, members])
  const found = known.get(key) ?? (await sharedOut(assimilating(batch, { members }), hands(count)))
  known.delete(key)
  known.set(key, found)
  const oldest = known.keys().next().value
  if (known.size > KEPT && oldest !== undefined) known.delete(oldest)
  return found
}

/** Works the forecast out off the main thread. A refusal comes back as its sentence: classes do not cross. */
async function look(question: ForecastQuestion): Promise<ForecastAnswer> {
  const { batch, days, members, scenarios, hands: count } = question
  try {
    const taught = await learned(question)
    const ahead = await sharedOut(forecasting(batch, { days, members }, taught), hands(count))
    const { learned: _draws, ...forecast } = ahead
    const courses: Course[] = []
    for (const scenario of scenarios)
      courses.push(await sharedOut(coursing(scenario, taught, batch.targetPh, days), hands(count)))
    return { forecast, courses, problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { forecast: null, courses: [], problem: error.message }
    throw error
  }
}
const api = { look }
export type ForecastApi = typeof api
expose(api)
