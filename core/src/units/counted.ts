import { formatNumber } from './number'
import { DAY_MS } from './time'

/* Counts, ranges and times as people say them: in one place, so that no page writes "1 days" or "5-5 bottles". */

const plural = new Intl.PluralRules('en')

/** A count with its noun: "1 bottle", "3 bottles". @param many where it is not the noun with an s. */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${formatNumber(count)} ${plural.select(count) === 'one' ? one : many}`

/** Two ends of a range as they are shown: one figure where both are written alike. */
export function ends(low: number, high: number, decimals = 0): string {
  const [from, to] = [formatNumber(low, decimals), formatNumber(high, decimals)]
  return from === to ? from : `${from}–${to}`
}

/** A number with a decimal only where it has one: "6", "6.5". */
export const plainNumber = (value: number, decimals = 1): string => formatNumber(value, decimals).replace(/\.0+$/, '')

/** How long after something, h: "at once" within the first half hour. */
export function afterHours(hours: number): string {
  const whole = Math.round(hours)
  return whole === 0 ? 'at once' : `after ${whole} h`
}

/** A moment as a day since the start, with a part of a day only where there is one: "day 6", "day 6.5". */
export const dayWords = (ms: number): string => `day ${plainNumber(ms / DAY_MS)}`

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })

/** A day in words: "2 October 2027". @param day as "2027-10-02". */
export const dayInWords = (day: string): string => DAY.format(Date.parse(`${day}T00:00:00Z`))
