import type { ForecastAnswer, ForecastApi, ForecastQuestion } from './forecast.worker'
import { lazyWorker } from './lazyWorker'

export type { ForecastAnswer, ForecastQuestion }

const forecaster = () =>
  lazyWorker<ForecastApi>(() => new Worker(new URL('./forecast.worker.ts', import.meta.url), { type: 'module' }))

/** Two workers: the page that is looked at does not wait for the shelf. */
const desks = { page: forecaster(), shelf: forecaster() }

/** Asks for a forecast. */
export const askForForecast = (question: ForecastQuestion, desk: keyof typeof desks): Promise<ForecastAnswer> =>
  desks[desk]().look(question)
