import dayjs from 'dayjs'
import { nowMs } from './clock'

/* Moments in words and in fields, in the browser's own time zone. The one place that knows how a date is written. */

/** A moment: ms since the epoch, or as an entry carries it. */
export type Moment = number | string

/** Where there is no browser (paper made in a test) a day stands before its month. */
const LANGUAGE = (globalThis.navigator as Navigator | undefined)?.language ?? 'en-GB'
const PLACES: Partial<Record<Intl.DateTimeFormatPartTypes, string>> = { day: 'DD', month: 'MM', year: 'YYYY' }

/** How a day is typed in the browser's language: DD/MM/YYYY, MM/DD/YYYY, DD.MM.YYYY. */
export const DAY_FORMAT = new Intl.DateTimeFormat(LANGUAGE, { day: '2-digit', month: '2-digit', year: 'numeric' })
  .formatToParts(0)
  .map(({ type, value }) => PLACES[type] ?? value.replace(/[^./\- ]/g, ''))
  .join('')
const dayFirst = DAY_FORMAT.indexOf('DD') < DAY_FORMAT.indexOf('MM')
const to12 = new Intl.DateTimeFormat(LANGUAGE, { hour: 'numeric' }).resolvedOptions().hour12 ?? false
const TIME = to12 ? 'h:mm A' : 'HH:mm'
const DAY = dayFirst ? 'D MMM' : 'MMM D'
const DAY_OF_YEAR = dayFirst ? 'D MMM YYYY' : 'MMM D, YYYY'
const DAY_IN_FULL = dayFirst ? 'D MMMM' : 'MMMM D'

/** How a day with its time is typed. */
export const MOMENT_FORMAT = `${DAY_FORMAT} ${to12 ? 'hh:mm A' : 'HH:mm'}`

const written = (format: string) => (moment: Moment) => dayjs(moment).format(format)

/** "26 Nov", or "Nov 26" where the month comes first; times of the day as 17:30 or 5:30 PM. */
export const shortDay = written(DAY)
/** "26 Nov 2026". */
export const fullDay = written(DAY_OF_YEAR)
/** "Thu 26 Nov". */
export const weekdayAndDay = written(`ddd ${DAY}`)
/** "Thursday 26 November". */
export const dayInFull = written(`dddd ${DAY_IN_FULL}`)
/** "26 Nov 08:30". */
export const shortMoment = written(`${DAY} ${TIME}`)
/** "26 Nov 2026 08:30". */
export const fullMoment = written(`${DAY_OF_YEAR} ${TIME}`)
/** "26 Nov 26 08:30": narrow, for a table on paper. */
export const narrowMoment = written(`${dayFirst ? 'D MMM YY' : 'MMM D YY'} ${TIME}`)
/** "Thu 26 Nov 08:30". */
export const weekdayMoment = written(`ddd ${DAY} ${TIME}`)
/** "08:30". */
export const timeOfDay = written(TIME)
/** "1126": month and day, for the code of a run. */
export const monthAndDay = written('MMDD')

/** A moment as a field for day and time holds it; empty for none. */
export const fieldOfMoment = (moment: Moment | null): string =>
  moment === null ? '' : dayjs(moment).format('YYYY-MM-DDTHH:mm')

/** A moment as a field for a day holds it. */
export const fieldOfDay = written('YYYY-MM-DD')

/** What stands in a field for a day or a moment, ms; `null` when it is none. */
export function momentOfField(text: string): number | null {
  const moment = dayjs(text)
  return text && moment.isValid() ? moment.valueOf() : null
}

/** The day so many months after a moment, as a field for a day holds it. */
export const dayAfterMonths = (moment: Moment, months: number): string =>
  dayjs(moment).add(months, 'month').format('YYYY-MM-DD')

/** So many days on from now at the same time of day, as entries carry it. */
export const momentAfterDays = (days: number): string => dayjs(nowMs()).add(days, 'day').toISOString()

const PARTS_OF_DAY = [
  [5, 'night'],
  [12, 'morning'],
  [14, 'noon'],
  [18, 'afternoon'],
  [22, 'evening'],
  [24, 'night'],
] as const

/** Under so many days from now a moment is told by its weekday. */
const NEAR_DAYS = 6

/** A moment near today as people say it: "by Thursday morning", "by 3 December". */
export function tellMoment(ms: number): string {
  const moment = dayjs(ms)
  const part = PARTS_OF_DAY.find(([until]) => moment.hour() < until)?.[1] ?? 'night'
  const near = Math.abs(moment.diff(nowMs(), 'day')) < NEAR_DAYS
  return near ? `by ${moment.format('dddd')} ${part}` : `by ${moment.format(DAY_IN_FULL)}`
}

/** A span of moments: "26 Nov to 1 Dec", or one day. */
export function tellSpan(fromMs: number, toMs: number): string {
  const [from, to] = [dayjs(fromMs), dayjs(toMs)]
  if (from.isSame(to, 'day')) return weekdayAndDay(fromMs)
  return `${from.isSame(to, 'month') && dayFirst ? from.format('D') : shortDay(fromMs)} to ${shortDay(toMs)}`
}

/** When something was last done, to follow "since": "08:30" today, "Sunday", "3 December". */
export function tellSince(ms: number): string {
  const moment = dayjs(ms)
  if (moment.isSame(nowMs(), 'day')) return moment.format(TIME)
  return dayjs(nowMs()).diff(moment, 'day') < NEAR_DAYS ? moment.format('dddd') : moment.format(DAY_IN_FULL)
}
