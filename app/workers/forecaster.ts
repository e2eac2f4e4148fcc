import { wrap, type Remote } from 'comlink'
import type { ForecastAnswer, ForecastApi, ForecastQuestion } from './forecast.worker'

export type { ForecastAnswer, ForecastQuestion }

/** Two workers: the page that is looked at does not wait for the shelf. */
const remotes: Partial<Record<'page' | 'shelf', Remote<ForecastApi>>> = {}

/** Asks a worker; it is started with the first question. */
export function askForForecast(question: ForecastQuestion, desk: 'page' | 'shelf'): Promise<ForecastAnswer> {
  const remote = (remotes[desk] ??= wrap<ForecastApi>(
    new Worker(new URL('./forecast.worker.ts', import.meta.url), { type: 'module' }),
  ))
  return remote.look(question)
}
