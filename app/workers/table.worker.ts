import { expose } from 'comlink'
import {
  guessColumns,
  InvalidInput,
  readLogger,
  thinLogger,
  type LoggerColumns,
  type LoggerPoint,
} from '@lactofer/core'
import { cellsOf } from '~/composables/csv'

/** The file as it was opened: names of its columns, first lines, a guess at what is what. */
export interface OpenedTable {
  head: string[]
  first: string[][]
  rows: number
  guess: LoggerColumns
}
/** The record read with the columns chosen, thinned. */
export interface ReadTable {
  points: LoggerPoint[]
  rows: number
  remarks: string[]
  withinC: number
  withinPh: number
}
/** A refusal comes back as its sentence: classes do not cross. */
export type Told<T> = { value: T; problem: null } | { value: null; problem: string }

let cells: string[][] = []
const told = <T>(work: () => T): Told<T> => {
  try {
    return { value: work(), problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { value: null, problem: error.message }
    throw error
  }
}

/** Opens a file of up to some hundred thousand lines; comma, semicolon or tab between cells. It stays here. */
async function open(file: Blob, nowMs: number): Promise<Told<OpenedTable>> {
  const text = await file.text()
  return told(() => {
    cells = cellsOf(text)
    return {
      head: (cells[0] ?? []).map((cell) => cell.trim()),
      first: cells.slice(1, 6),
      rows: cells.length - 1,
      guess: guessColumns(cells, nowMs),
    }
  })
}
/** So many points are kept as they are, where every reading counts. */
const WHOLE = 5000
/** @param whole keeps every point of a short record: a heat record may have no gaps. */
const read = (columns: LoggerColumns, fromMs: number, untilMs: number, whole: boolean): Told<ReadTable> =>
  told(() => {
    const { points, rows, remarks } = readLogger(cells, columns, fromMs, untilMs)
    return {
      rows,
      remarks,
      ...(whole && points.length <= WHOLE ? { points, withinC: 0, withinPh: 0 } : thinLogger(points)),
    }
  })
const api = { open, read }
export type TableApi = typeof api
expose(api)
