import { expose } from 'comlink'
import {
  courseOf,
  forecastFerment,
  InvalidInput,
  assimilate,
  type Course,
  type FermentCase,
  type FermentForecast,
  type Assimilated,
  type Scenario,
} from '@lactofer/core'

/** A batch to look ahead for, and what else to try with what was learned of it. */
export interface ForecastQuestion {
  batch: FermentCase
  days: number
  members: number
  scenarios: readonly Scenario[]
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

function learned(batch: FermentCase, members: number): Assimilated {
  const key = JSON.stringify([batch, members])
  const found = known.get(key) ?? assimilate(batch, { members })
  known.delete(key)
  known.set(key, found)
  const oldest = known.keys().next().value
  if (known.size > KEPT && oldest !== undefined) known.delete(oldest)
  return found
}

/** Works the forecast out off the main thread. A refusal comes back as its sentence: classes do not cross. */
function look({ batch, days, members, scenarios }: ForecastQuestion): ForecastAnswer {
  try {
    const taught = learned(batch, members)
    const { learned: _draws, ...forecast } = forecastFerment(batch, { days, members }, taught)
    return {
      forecast,
      courses: scenarios.map((scenario) => courseOf(scenario, taught, batch.targetPh, days)),
      problem: null,
    }
  } catch (error) {
    if (error instanceof InvalidInput) return { forecast: null, courses: [], problem: error.message }
    throw error
  }
}
const api = { look }
export type ForecastApi = typeof api
expose(api)
