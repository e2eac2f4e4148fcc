import { HOUR_MS, type Course, type FermentForecast, type Level, type When } from '@lactofer/core'
import { tellMoment, tellSpan } from '~/clock/moments'

/** A verdict of the forecast: level, word, sentence. */
export interface ForecastSays {
  level: Exclude<Level, 'discard'>
  word: string
  sentence: string
}

const span = ({ early, late }: When, startMs: number) =>
  early !== null && late !== null
    ? ` (${tellSpan(startMs + early * HOUR_MS, startMs + late * HOUR_MS)})`
    : early !== null
      ? ` (from ${tellSpan(startMs + early * HOUR_MS, startMs + early * HOUR_MS)} on)`
      : ''

/** When it passes 4.6 and when it is ready, as far as that lies ahead. */
function aheadWords({ passes, ready }: Pick<Course, 'passes' | 'ready'>, startMs: number, nowMs: number): string {
  const passesMs = passes.typical === null ? null : startMs + passes.typical * HOUR_MS
  const readyMs = ready.typical === null ? null : startMs + ready.typical * HOUR_MS
  const first =
    passesMs === null
      ? '4.6 is not passed in the time shown.'
      : passesMs > nowMs
        ? `4.6 is expected ${tellMoment(passesMs)}${span(passes, startMs)}.`
        : ''
  const then =
    readyMs === null
      ? 'The target is not reached in the time shown.'
      : readyMs > nowMs
        ? `Ready ${tellMoment(readyMs)}${span(ready, startMs)}.`
        : 'By the forecast it may be ready: two readings a day apart decide.'
  return `${first} ${then}`.trim()
}

/** What the forecast says of a lot that is open. When it is not to be trusted no date is told. */
export function forecastWords(
  forecast: Omit<FermentForecast, 'learned'>,
  startMs: number,
  nowMs: number,
): ForecastSays {
  const { flag, why } = forecast
  if (flag === 'distrust')
    return {
      level: 'act',
      word: 'Do not trust the forecast',
      sentence: `${why} No date is told until it fits: calibrate the meter, check the salt and the temperature, read again.`,
    }
  if (flag === 'rise') return { level: 'ask', word: 'It rose', sentence: why }
  const ahead = aheadWords(forecast, startMs, nowMs)
  return flag === 'behind'
    ? { level: 'act', word: 'Behind', sentence: `${why} ${ahead}` }
    : { level: 'fine', word: 'Forecast', sentence: ahead }
}
