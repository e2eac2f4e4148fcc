import dayjs from 'dayjs'
import { nowMs } from './clock'

/* Moments in words and in fields, in the browser's own time zone. The one place that knows how a date is written. */

/** A moment: ms since the epoch, or as an entry carries it. */
export type Moment = number | string

const written = (format: string) => (moment: Moment) => dayjs(moment).format(format)

/** "26 Nov". */
export const shortDay = written('D MMM')
/** "26 Nov 2026". */
export const fullDay = written('D MMM YYYY')
/** "Thu 26 Nov". */
export const weekdayAndDay = written('ddd D MMM')
/** "Thursday 26 November". */
export const dayInFull = written('dddd D MMMM')
/** "26 Nov 08:30". */
export const shortMoment = written('D MMM HH:mm')
/** "26 Nov 2026 08:30". */
export const fullMoment = written('D MMM YYYY HH:mm')
/** "26 Nov 26 08:30": narrow, for a table on paper. */
export const narrowMoment = written('D MMM YY HH:mm')
/** "Thu 26 Nov 08:30". */
export const weekdayMoment = written('ddd D MMM HH:mm')
/** "08:30". */
export const timeOfDay = written('HH:mm')
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
  return near ? `by ${moment.format('dddd')} ${part}` : `by ${moment.format('D MMMM')}`
}

/** A span of moments: "26 Nov to 1 Dec", or one day. */
export function tellSpan(fromMs: number, toMs: number): string {
  const [from, to] = [dayjs(fromMs), dayjs(toMs)]
  if (from.isSame(to, 'day')) return weekdayAndDay(fromMs)
  return `${from.isSame(to, 'month') ? from.format('D') : shortDay(fromMs)} to ${shortDay(toMs)}`
}

/** When something was last done, to follow "since": "08:30" today, "Sunday", "3 December". */
export function tellSince(ms: number): string {
  const moment = dayjs(ms)
  if (moment.isSame(nowMs(), 'day')) return moment.format('HH:mm')
  return dayjs(nowMs()).diff(moment, 'day') < NEAR_DAYS ? moment.format('dddd') : moment.format('D MMMM')
}
