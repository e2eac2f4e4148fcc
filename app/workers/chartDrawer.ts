import type { ChartApi, DrawnChart, Frame, Picture } from './chart.worker'
import { asker } from './lazyWorker'

export type { DrawnChart, Picture, TellingPoint } from './chart.worker'

const ask = asker<ChartApi>(() => new Worker(new URL('./chart.worker.ts', import.meta.url), { type: 'module' }))

/** Draws a picture in a worker: setting a chart out takes longer than a page may stand still. */
export const drawChart = (picture: Picture, frame: Frame): Promise<DrawnChart> =>
  ask((worker) => worker.draw(picture, frame))
