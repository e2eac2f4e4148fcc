import {
  HOUR_MS,
  odds,
  tellFlag,
  type Course,
  type Flag,
  type FlagCode,
  type Level,
  type ToldJudgement,
  type When,
} from '@lactofer/core'
import { tellMoment, tellSpan } from '~/clock/moments'

/** A verdict of the forecast: level (none where a warning stands beside it), word, sentence. */
export interface ForecastSays {
  level: Exclude<Level, 'discard'> | null
  word: string
  sentence: string
}

/** When nine in ten of them get there; where fewer do, from when on, and how many do not. */
const span = ({ early, late, missed }: When, startMs: number) =>
  early !== null && late !== null
    ? ` (${tellSpan(startMs + early * HOUR_MS, startMs + late * HOUR_MS)})`
    : early !== null
      ? ` (from ${tellSpan(startMs + early * HOUR_MS, startMs + early * HOUR_MS)} on; ${odds(missed)} do not get there in the time shown)`
      : ''

/** What else is known of a lot when its forecast is told: where it stands, and its newest pH of everything. */
export interface Known {
  startMs: number
  nowMs: number
  stand: Pick<ToldJudgement, 'state' | 'passed'> | null
  newestPh: number | null
  targetPh: number
}

/** When it passes 4.6 and when it is ready, as far as that lies ahead and no reading has told it. */
function aheadWords(
  { passes, ready }: Pick<Course, 'passes' | 'ready'>,
  { startMs, nowMs, stand, newestPh, targetPh }: Known,
): string {
  const passesMs = passes.typical === null ? null : startMs + passes.typical * HOUR_MS
  const readyMs = ready.typical === null ? null : startMs + ready.typical * HOUR_MS
  const first = stand?.passed
    ? ''
    : passesMs === null
      ? '4.6 is not passed in the time shown.'
      : passesMs > nowMs
        ? `4.6 is expected ${tellMoment(passesMs)}${span(passes, startMs)}.`
        : ''
  const then =
    newestPh !== null && newestPh <= targetPh
      ? 'Its newest pH is at target: two readings a day apart decide.'
      : readyMs === null
        ? 'The target is not reached in the time shown.'
        : readyMs > nowMs
          ? `Ready ${tellMoment(readyMs)}${span(ready, startMs)}.`
          : 'By the forecast it may be ready: two readings a day apart decide.'
  return `${first} ${then}`.trim()
}

/** How flags are headed; what is dead is distrusted, and says so. */
const HEADS: Record<Exclude<FlagCode, 'dead'>, { level: ForecastSays['level']; word: string }> = {
  distrust: { level: 'act', word: 'Do not trust the forecast' },
  film: { level: 'ask', word: 'Film?' },
  yeast: { level: 'ask', word: 'Yeast?' },
  'standing still': { level: 'ask', word: 'It stands still' },
  behind: { level: 'act', word: 'Behind' },
}

/**
 * What the forecast says of a lot that is open. When it is not to be trusted no date is told; beside a warning it is
 * never green, and of what is thrown away it says nothing.
 */
export function forecastWords(
  forecast: Pick<Course, 'passes' | 'ready'> & { flags: readonly Flag[] },
  known: Known,
): ForecastSays | null {
  const { state } = known.stand ?? { state: 'working' }
  if (state === 'discard') return null
  const [gravest, ...others] = forecast.flags
  if (!gravest || gravest.code === 'dead')
    return state === 'ready' && !gravest
      ? null
      : {
          level: state === 'ask' || state === 'act' ? null : 'fine',
          word: 'Forecast',
          sentence: aheadWords(forecast, known),
        }
  const { level, word } = HEADS[gravest.code]
  if (gravest.code === 'distrust') {
    const because = others.find(({ code }) => code === 'dead' || code === 'standing still') ?? gravest
    return {
      level,
      word,
      sentence: `${tellFlag(because)} No date is told until it fits: check the salt and the temperature, calibrate the meter, read again.`,
    }
  }
  const says = tellFlag(gravest)
  return gravest.code === 'film'
    ? { level, word, sentence: `${says} Look for film or mould, and check the meter.` }
    : { level, word, sentence: `${says} ${aheadWords(forecast, known)}` }
}
