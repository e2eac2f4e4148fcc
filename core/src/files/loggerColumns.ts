import { InvalidInput } from '../invalid'
import { WRITTEN_DATE, momentText, writtenNumber, writtenMoment, type Cells, type LoggerColumns } from './loggerFile'

/** A time of day alone, and a date alone. */
const CLOCK = /^\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?\s*([AaPp][Mm])?$/
const DAY_ALONE = /^\d{1,4}[-./]\d{1,2}[-./]\d{1,4}$/

/** Degrees Fahrenheit, as columns are named: "Temp °F", "DegF", "T(F)", "temp_f", "Fahr." … */
const IN_FAHRENHEIT = /℉|fahr|°\s*f|deg(ree)?s?\.?\s*f|[^a-z]f([^a-z]|$)|^f$|^(temp|temperature|t)f$/
/** As values are written: "70.1 F". */
const VALUE_IN_FAHRENHEIT = /\d\s*(°\s*f|℉|f)\s*$/i

/**
 * Day or month first: a part over 12 tells; else am and pm, which are written with the month first; else the order in
 * which none of the times lies in the future, and they rise by the smaller steps.
 */
function orderOf(texts: readonly string[], nowMs: number): 'dmy' | 'mdy' {
  const found = texts.flatMap((text) => {
    const [, first = '', second = '', , , , , half] = WRITTEN_DATE.exec(text.trim()) ?? []
    return first && first.length < 4 ? [{ first: Number(first), second: Number(second), half }] : []
  })
  if (found.length === 0) return 'dmy'
  if (found.some(({ second }) => second > 12)) return 'mdy'
  if (found.some(({ first }) => first > 12)) return 'dmy'
  if (found.every(({ half }) => half)) return 'mdy'
  const cost = (order: 'dmy' | 'mdy') => {
    const times = texts.map((text) => writtenMoment(text, order) ?? NaN).filter(Number.isFinite)
    const steps = times.slice(1).map((ms, index) => Math.abs(ms - (times[index] ?? ms)))
    return { late: times.filter((ms) => ms > nowMs).length, length: steps.reduce((sum, step) => sum + step, 0) }
  }
  const [dmy, mdy] = [cost('dmy'), cost('mdy')]
  if (dmy.late !== mdy.late) return dmy.late < mdy.late ? 'dmy' : 'mdy'
  return mdy.length < dmy.length ? 'mdy' : 'dmy'
}

/**
 * A guess at the columns, from the header and the first lines; the maker sees and mends it.
 * @param nowMs what lies after this is no reading; it helps to tell day from month.
 * @throws InvalidInput when there is nothing to choose from.
 */
export function guessColumns(cells: Cells, nowMs = Infinity): LoggerColumns {
  const head = (cells[0] ?? []).map((cell) => cell.trim().toLowerCase())
  const sample = cells.slice(1, 200)
  if (head.length < 2 || sample.length === 0)
    throw new InvalidInput(
      'This has no table in it: a line of names, then lines of a time and a value, with commas, semicolons or tabs between.',
    )
  const share = (column: number, good: (cell: string) => boolean) =>
    sample.filter((line) => good(line[column] ?? '')).length / sample.length
  const columns = head.map((_, index) => index)
  const time = columns.find(
    (column) =>
      share(column, (cell) => writtenMoment(cell, 'dmy') !== null || writtenMoment(cell, 'mdy') !== null) > 0.5,
  )
  if (time === undefined)
    throw new InvalidInput('No column of times was found. Times look like 2026-05-04 14:30 or 04.05.2026 14:30.')
  const clock =
    share(time, (cell) => DAY_ALONE.test(cell.trim())) > 0.5
      ? (columns.find((column) => column !== time && share(column, (cell) => CLOCK.test(cell.trim())) > 0.5) ?? null)
      : null
  const values = columns.filter(
    (column) =>
      column !== time && column !== clock && share(column, (cell) => Number.isFinite(writtenNumber(cell))) > 0.5,
  )
  const ph = values.find((column) => /(^|[^a-z])ph([^a-z]|$)/.test(head[column] ?? '')) ?? null
  const temperature =
    values.find((column) => column !== ph && /temp|°|℃|℉|celsius|fahr|deg|^t$|^t\W|^[cf]$/.test(head[column] ?? '')) ??
    values.find((column) => column !== ph && !/batt|humid|index|nr|^#|rh/.test(head[column] ?? '')) ??
    null
  const name = temperature === null ? '' : (head[temperature] ?? '')
  return {
    ...{ time, clock, tempC: temperature, ph },
    fahrenheit:
      IN_FAHRENHEIT.test(name) ||
      (temperature !== null && share(temperature, (cell) => VALUE_IN_FAHRENHEIT.test(cell)) > 0.5),
    order: orderOf(
      cells.slice(1).map((line) => momentText(line, { time, clock })),
      nowMs,
    ),
  }
}
