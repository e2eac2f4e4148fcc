import type { ForecastAnswer, ForecastApi, ForecastQuestion as WorkerQuestion } from './forecast.worker'
import { asker } from './lazyWorker'

export type { ForecastAnswer }
export type ForecastQuestion = Omit<WorkerQuestion, 'hands'>

const forecaster = () =>
  asker<ForecastApi>(() => new Worker(new URL('./forecast.worker.ts', import.meta.url), { type: 'module' }))

/** Two workers: the page that is looked at does not wait for the shelf. */
const desks = { page: forecaster(), shelf: forecaster() }
/** More others than these gain little: what they send back has to be put together by one. */
const MOST_HANDS = 3
/** Somebody waits for the page: its runs are shared out over the cores there are. */
const handsFor = (desk: keyof typeof desks) =>
  desk === 'page' ? Math.min(MOST_HANDS, navigator.hardwareConcurrency - 1) : 0

/** Asks for a forecast. */
export const askForForecast = (question: ForecastQuestion, desk: keyof typeof desks): Promise<ForecastAnswer> =>
  desks[desk]((worker) => worker.look({ ...question, hands: handsFor(desk) }))
