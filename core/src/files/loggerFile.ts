import { InvalidInput } from '../invalid'
import { HOUR_MS, MINUTE_MS } from '../units/time'

/** A table as it came from a file: one array of cells a line. */
export type Cells = readonly (readonly string[])[]

/** Which column is what; day before month, or month before day, where a date can be read both ways. */
export interface LoggerColumns {
  time: number
  /** The time of day, where it stands in a column of its own beside the date. */
  clock: number | null
  tempC: number | null
  ph: number | null
  fahrenheit: boolean
  order: 'dmy' | 'mdy'
}

/** A point of the record: moment in ms, temperature, pH. */
export interface LoggerPoint {
  atMs: number
  tempC: number | null
  ph: number | null
}

/** What was read, and what was not, in words. */
export interface LoggerRecord {
  points: LoggerPoint[]
  rows: number
  remarks: string[]
}

/**
 * A number as loggers write it, with a decimal point or comma. `comma` tells that this column writes decimals with
 * one; else three digits after a comma are a thousand's.
 */
export const writtenNumber = (text: string, comma = true): number =>
  Number(
    text
      .trim()
      .replace(/[°℃℉CFcf\s]/g, '')
      .replace(comma ? /^(-?\d+),(\d+)$/ : /^(-?\d+),(\d{1,2}|\d{4,})$/, '$1.$2')
      .replace(/^(-?\d+),(\d{3})$/, '$1$2') || NaN,
  )
/**
 * Whether a column writes decimals with a comma: most of its numbers have one. A single "1,000" among whole numbers
 * is a thousand.
 */
function writesComma(cells: Cells, column: number | null): boolean {
  const values =
    column === null
      ? []
      : cells
          .slice(1)
          .map((line) => (line[column] ?? '').trim())
          .filter(Boolean)
  return values.filter((value) => value.includes(',')).length > values.length / 2
}
export const WRITTEN_DATE =
  /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})(?:[T ,]+(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*([AaPp][Mm])?)?\s*(Z|[+-]\d{2}:?\d{2})?$/

/** What a line says of its moment, date and time of day put together. */
export const momentText = (line: readonly string[], { time, clock }: Pick<LoggerColumns, 'time' | 'clock'>): string =>
  clock === null ? (line[time] ?? '') : `${line[time]?.trim()} ${line[clock]?.trim()}`

/**
 * A moment as loggers write it, in the reader's own time unless it carries a zone; seconds or milliseconds since 1970
 * too. `null` when it is no moment.
 */
export function writtenMoment(text: string, order: 'dmy' | 'mdy'): number | null {
  const plain = text.trim()
  if (/^\d{10}$/.test(plain)) return Number(plain) * 1000
  if (/^\d{13}$/.test(plain)) return Number(plain)
  const found = WRITTEN_DATE.exec(plain)
  if (!found) return null
  const [, a = '', b = '', c = '', h = '0', minute = '0', second = '0', half, zone] = found
  const [year, month, day] = a.length === 4 ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b]
  const fullYear = Number(year) + (year.length <= 2 ? 2000 : 0)
  const hour = half ? (Number(h) % 12) + (/p/i.test(half) ? 12 : 0) : Number(h)
  if (
    Number(month) < 1 ||
    Number(month) > 12 ||
    Number(day) < 1 ||
    Number(day) > 31 ||
    hour > 24 ||
    Number(minute) > 59
  )
    return null
  const shift =
    zone === 'Z'
      ? 0
      : zone
        ? (zone.startsWith('-') ? -1 : 1) * (Number(zone.slice(1, 3)) * 60 + Number(zone.slice(-2)))
        : null
  const ms =
    shift === null
      ? new Date(fullYear, Number(month) - 1, Number(day), hour, Number(minute), Number(second)).getTime()
      : Date.UTC(fullYear, Number(month) - 1, Number(day), hour, Number(minute), Number(second)) - shift * MINUTE_MS
  return Number.isFinite(ms) ? ms : null
}

/** A remark on lines, where there are any. */
const said = (count: number, words: string) => (count ? [`${count} ${count === 1 ? 'line' : 'lines'} ${words}`] : [])

/**
 * Whether a time of the clock comes twice, since the clock goes back within the hour; the first of the two is meant
 * by its moment.
 */
const comesTwice = (ms: number) => new Date(ms).getHours() === new Date(ms + HOUR_MS).getHours()

/**
 * Reads a record. Lines that cannot be read, or lie outside what a ferment can show, are left out and counted; lines
 * before `fromMs` and after `untilMs` too.
 * When the clock goes back, the hour that comes twice is read as the second one from where times fall back.
 * @throws InvalidInput when nothing is left.
 */
export function readLogger(
  cells: Cells,
  { time, clock, tempC, ph, fahrenheit, order }: LoggerColumns,
  fromMs = -Infinity,
  untilMs = Infinity,
): LoggerRecord {
  if (tempC === null && ph === null) throw new InvalidInput('Choose a column for the temperature or the pH.')
  const points = new Map<number, LoggerPoint>()
  const commas = { tempC: writesComma(cells, tempC), ph: writesComma(cells, ph) }
  const left = { unread: 0, wild: 0, early: 0, late: 0, twice: 0 }
  let disorder = 0
  let before = -Infinity
  let turned = false
  let twice = false
  for (let line = 1; line < cells.length; line++) {
    const row = cells[line] ?? []
    let atMs = writtenMoment(momentText(row, { time, clock }), order)
    const temperature = tempC === null ? null : writtenNumber(row[tempC] ?? '', commas.tempC)
    const acid = ph === null ? null : writtenNumber(row[ph] ?? '', commas.ph)
    if (atMs === null || (!Number.isFinite(temperature ?? NaN) && !Number.isFinite(acid ?? NaN))) {
      left.unread++
      continue
    }
    if (comesTwice(atMs)) {
      if (atMs < before) turned = true
      if (turned) atMs += HOUR_MS
      twice ||= turned
    } else turned = false
    if (atMs < before) disorder++
    before = Math.max(before, atMs)
    const celsius =
      temperature === null || !Number.isFinite(temperature) ? null : fahrenheit ? (temperature - 32) / 1.8 : temperature
    const good = {
      atMs,
      tempC: celsius !== null && celsius >= -30 && celsius <= 130 ? celsius : null,
      ph: acid !== null && acid >= 1.5 && acid <= 9 ? acid : null,
    }
    if (good.tempC === null && good.ph === null) left.wild++
    else if (atMs < fromMs) left.early++
    else if (atMs > untilMs) left.late++
    else {
      if (points.has(atMs)) left.twice++
      points.set(atMs, good)
    }
  }
  const remarks = [
    ...said(left.unread, 'could not be read and were left out'),
    ...said(left.wild, 'lay outside what a ferment can show (−30 to 130 °C, pH 1.5 to 9) and were left out'),
    ...said(left.early, 'lay before the lot was packed and were left out'),
    ...said(
      left.late,
      'lay in the future and were left out: look at the order of day and month, and at the logger’s clock',
    ),
    ...said(left.twice, 'came twice for the same moment: the last one counts'),
    ...said(disorder, 'were out of order and were put in order'),
    ...(twice ? ['The clock was changed in between; the hour that came twice was read as two.'] : []),
  ]
  if (points.size === 0) throw new InvalidInput(`Nothing of it can be used. ${remarks.join('. ')}`)
  return { points: [...points.values()].sort((a, b) => a.atMs - b.atMs), rows: cells.length - 1, remarks }
}

/**
 * Indices that draw a line through values within a tolerance (swinging door): what lies between is never further off.
 */
function doorway(at: readonly number[], values: readonly number[], tolerance: number): number[] {
  if (values.length === 0) return []
  const kept = [0]
  let pivot = 0
  let low = -Infinity
  let high = Infinity
  for (let index = 1; index < values.length; index++) {
    const span = (at[index] ?? 0) - (at[pivot] ?? 0)
    const rise = (values[index] ?? 0) - (values[pivot] ?? 0)
    const slope = rise / span
    if (index > pivot + 1 && (slope < low || slope > high)) {
      pivot = index - 1
      kept.push(pivot)
      const step = (at[index] ?? 0) - (at[pivot] ?? 0)
      const here = (values[index] ?? 0) - (values[pivot] ?? 0)
      low = (here - tolerance) / step
      high = (here + tolerance) / step
    } else {
      low = Math.max(low, (rise - tolerance) / span)
      high = Math.min(high, (rise + tolerance) / span)
    }
  }
  if (values.length > 1) kept.push(values.length - 1)
  return kept
}

/**
 * A record with few enough points to keep: what is left out lies within the tolerance told. Rooms at least 0.1 °C and
 * 0.02 pH, wider until at most `most` points are left.
 */
export function thinLogger(
  points: readonly LoggerPoint[],
  most = 3000,
): { points: LoggerPoint[]; withinC: number; withinPh: number } {
  for (let times = 1; ; times *= 2) {
    const kept = new Set<number>()
    for (const [pick, tolerance] of [
      ['tempC', 0.1],
      ['ph', 0.02],
    ] as const) {
      const there = points.flatMap((point, index) => (point[pick] === null ? [] : [index]))
      for (const index of doorway(
        there.map((place) => points[place]?.atMs ?? 0),
        there.map((place) => points[place]?.[pick] ?? 0),
        tolerance * times,
      ))
        kept.add(there[index] ?? 0)
    }
    if (kept.size <= most || times > 1e6)
      return {
        points: [...kept].sort((a, b) => a - b).flatMap((index) => points[index] ?? []),
        withinC: 0.1 * times,
        withinPh: 0.02 * times,
      }
  }
}
