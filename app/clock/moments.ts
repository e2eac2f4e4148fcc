import dayjs from 'dayjs'
import customParseFormat from 'dayjs/plugin/customParseFormat.js'
import { computed, shallowRef } from 'vue'
import { nowMs } from './clock'

dayjs.extend(customParseFormat)

/* Moments in words and in fields, in the browser's own time zone. The one place that knows how a date is written. */

/** A moment: ms since the epoch, or as an entry carries it. */
export type Moment = number | string

/** How the maker writes a date: as the browser's language does, or as they chose. */
export const DATE_WRITINGS = ['browser', 'day first', 'month first'] as const
export type DateWriting = (typeof DATE_WRITINGS)[number]

/** Where there is no browser (paper made in a test) a day stands before its month. */
const LANGUAGE_OF: Record<DateWriting, () => string> = {
  browser: () => (globalThis.navigator as Navigator | undefined)?.language ?? 'en-GB',
  'day first': () => 'en-GB',
  'month first': () => 'en-US',
}
const PLACES: Partial<Record<Intl.DateTimeFormatPartTypes, string>> = { day: 'DD', month: 'MM', year: 'YYYY' }

/** Every form of a date in a language, as patterns. */
function patternsOf(language: string) {
  /** How a day is typed: DD/MM/YYYY, MM/DD/YYYY, DD.MM.YYYY. */
  const dayField = new Intl.DateTimeFormat(language, { day: '2-digit', month: '2-digit', year: 'numeric' })
    .formatToParts(0)
    .map(({ type, value }) => PLACES[type] ?? value.replace(/[^./\- ]/g, ''))
    .join('')
  const dayFirst = dayField.indexOf('DD') < dayField.indexOf('MM')
  const to12 = new Intl.DateTimeFormat(language, { hour: 'numeric' }).resolvedOptions().hour12 ?? false
  return {
    ...{ dayFirst, dayField, time: to12 ? 'h:mm A' : 'HH:mm' },
    /** How a day with its time is typed. */
    momentField: `${dayField} ${to12 ? 'hh:mm A' : 'HH:mm'}`,
    day: dayFirst ? 'D MMM' : 'MMM D',
    dayOfYear: dayFirst ? 'D MMM YYYY' : 'MMM D, YYYY',
    narrowDay: dayFirst ? 'D MMM YY' : 'MMM D YY',
    dayInFull: dayFirst ? 'D MMMM' : 'MMMM D',
  }
}
type Patterns = ReturnType<typeof patternsOf>

const writing = shallowRef<DateWriting>('browser')
/** Dates are written so from now on, everywhere at once. */
export const writeDates = (next: DateWriting) => void (writing.value = next)
/** How dates are written now; what is worked out from it follows a change. */
export const datePatterns = computed(() => patternsOf(LANGUAGE_OF[writing.value]()))

const written =
  (pattern: (patterns: Patterns) => string) =>
  (moment: Moment): string =>
    dayjs(moment).format(pattern(datePatterns.value))

/** "26 Nov", or "Nov 26" where the month comes first; times of the day as 17:30 or 5:30 PM. */
export const shortDay = written(({ day }) => day)
/** "26 Nov 2026". */
export const fullDay = written(({ dayOfYear }) => dayOfYear)
/** "Thu 26 Nov". */
export const weekdayAndDay = written(({ day }) => `ddd ${day}`)
/** "Thursday 26 November". */
export const dayInFull = written((patterns) => `dddd ${patterns.dayInFull}`)
/** "26 Nov 08:30". */
export const shortMoment = written(({ day, time }) => `${day} ${time}`)
/** "26 Nov 2026 08:30". */
export const fullMoment = written(({ dayOfYear, time }) => `${dayOfYear} ${time}`)
/** "26 Nov 26 08:30": narrow, for a table on paper. */
export const narrowMoment = written(({ narrowDay, time }) => `${narrowDay} ${time}`)
/** "Thu 26 Nov 08:30". */
export const weekdayMoment = written(({ day, time }) => `ddd ${day} ${time}`)
/** "08:30". */
export const timeOfDay = written(({ time }) => time)
/** "1126": month and day, for the code of a run. */
export const monthAndDay = written(() => 'MMDD')

/** A moment as a field for day and time holds it; empty for none. */
export const fieldOfMoment = (moment: Moment | null): string =>
  moment === null ? '' : dayjs(moment).format('YYYY-MM-DDTHH:mm')

/** A moment as a field for a day holds it. */
export const fieldOfDay = written(() => 'YYYY-MM-DD')

/** What stands in a field for a day or a moment, ms; `null` when it is none. */
export function momentOfField(text: string): number | null {
  const moment = dayjs(text)
  return text && moment.isValid() ? moment.valueOf() : null
}

/** How a field for a day, or a day and a time, keeps it. */
const keptAs = (time: boolean) => (time ? 'YYYY-MM-DDTHH:mm' : 'YYYY-MM-DD')
/** How the maker types it. */
const typedAs = (time: boolean) => (time ? datePatterns.value.momentField : datePatterns.value.dayField)
const numbersIn = (text: string) => String(text.match(/\d+/g)?.map(Number))

/** What a field for a day keeps, as the maker types it; empty for none. */
export const writtenDay = (kept: string, time: boolean): string => (kept ? dayjs(kept).format(typedAs(time)) : '')

/** What was typed as a day, as the field keeps it; `null` where it is none, as the 31st of June is. */
export function typedDay(text: string, time: boolean): string | null {
  for (const pattern of [typedAs(time), keptAs(time)]) {
    // A leading zero is not asked for.
    const moment = dayjs(
      text.trim(),
      pattern.replace(/DD|MM|HH|hh/g, ([sign = '']) => sign),
    )
    if (moment.isValid() && numbersIn(moment.format(pattern)) === numbersIn(text)) return moment.format(keptAs(time))
  }
  return null
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
  return near ? `by ${moment.format('dddd')} ${part}` : `by ${moment.format(datePatterns.value.dayInFull)}`
}

/** A span of moments: "26 Nov to 1 Dec", or one day. */
export function tellSpan(fromMs: number, toMs: number): string {
  const [from, to] = [dayjs(fromMs), dayjs(toMs)]
  if (from.isSame(to, 'day')) return weekdayAndDay(fromMs)
  return `${from.isSame(to, 'month') && datePatterns.value.dayFirst ? from.format('D') : shortDay(fromMs)} to ${shortDay(toMs)}`
}

/** When something was last done, to follow "since": "08:30" today, "Sunday", "3 December". */
export function tellSince(ms: number): string {
  const moment = dayjs(ms)
  if (moment.isSame(nowMs(), 'day')) return moment.format(datePatterns.value.time)
  return dayjs(nowMs()).diff(moment, 'day') < NEAR_DAYS
    ? moment.format('dddd')
    : moment.format(datePatterns.value.dayInFull)
}

/** The hours at which a morning's round and an evening begin. */
const MORNING_H = 8
const EVENING_H = 18
/** This day's morning, ms. */
export const thisMorning = (): number => dayjs(nowMs()).startOf('day').hour(MORNING_H).valueOf()
/** This evening, or tomorrow's where this one has begun, ms. */
export function eveningOf(ms: number): number {
  const evening = dayjs(ms).startOf('day').hour(EVENING_H)
  return (evening.valueOf() > ms ? evening : evening.add(1, 'day')).valueOf()
}
/** The next morning, ms. */
export const morningAfter = (ms: number): number => dayjs(ms).startOf('day').add(1, 'day').hour(MORNING_H).valueOf()
/** How far the reader's day is ahead of UTC at a moment, ms. */
export const zoneMs = (ms: number): number => dayjs(ms).utcOffset() * 60_000
