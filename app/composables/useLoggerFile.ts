import { ref, shallowRef } from 'vue'
import { InvalidInput, momentOf, type Draft, type ProcessPlace, type LoggerColumns } from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { askTableReader, type TableReader, type OpenedTable, type ReadTable } from '~/workers/tableReader'

/** A logger's clock may run ahead of this device's by so much, ms. Judgement. */
const CLOCK_OFF_MS = 3_600_000

/** A record that was read, as an entry: of heat where `where` says so, else of a lot. Minutes to a hundredth. */
function draftOf(found: ReadTable | null, lotId: string, name: string, where: ProcessPlace | undefined): Draft {
  const first = found?.points[0]
  if (!found || !first) throw new InvalidInput('Nothing of it can be kept.')
  const at = momentOf(first.atMs)
  const minute = (atMs: number) => Math.round((atMs - first.atMs) / 600) / 100
  const degrees = (tempC: number) => Math.round(tempC * 100) / 100
  if (where)
    return {
      kind: 'heat',
      ...{ at, lotId, where, name },
      points: found.points.flatMap(({ atMs, tempC }) =>
        tempC === null ? [] : [[minute(atMs), degrees(tempC)] as [number, number]],
      ),
    }
  return {
    kind: 'logged',
    ...{ at, lotId, name, rows: found.rows },
    points: found.points.map(({ atMs, tempC, ph }) => [
      minute(atMs),
      tempC === null ? null : degrees(tempC),
      ph === null ? null : Math.round(ph * 1000) / 1000,
    ]),
  }
}

/**
 * A logger's file on its way into the log: opened, its columns chosen, seen before it is kept.
 * @param heatOf where it was taken, when it is a heat record.
 */
export function useLoggerFile(fromMs: () => number, heatOf: () => ProcessPlace | undefined = () => undefined) {
  const opened = shallowRef<OpenedTable | null>(null)
  const columns = ref<LoggerColumns | null>(null)
  const record = shallowRef<ReadTable | null>(null)
  const problem = ref('')
  const busy = ref(false)

  async function ask<T>(
    work: (reader: TableReader) => Promise<{ value: T; problem: null } | { value: null; problem: string }>,
  ): Promise<T | null> {
    busy.value = true
    problem.value = ''
    try {
      const { value, problem: said } = await askTableReader(work)
      problem.value = said ?? ''
      return value
    } catch {
      problem.value = 'The file could not be read here. Nothing was changed.'
      return null
    } finally {
      busy.value = false
    }
  }
  async function read() {
    const chosen = columns.value
    record.value = chosen
      ? await ask((reader) => reader.read({ ...chosen }, fromMs(), nowMs() + CLOCK_OFF_MS, heatOf() !== undefined))
      : null
  }
  async function open(file: Blob) {
    opened.value = record.value = columns.value = null
    opened.value = await ask((reader) => reader.open(file, nowMs() + CLOCK_OFF_MS))
    columns.value = opened.value?.guess ?? null
    if (columns.value) await read()
  }
  /** The entry to be written. @throws InvalidInput when there is nothing to keep. */
  const draft = (lotId: string, name: string): Draft => draftOf(record.value, lotId, name, heatOf())
  return { opened, columns, record, problem, busy, open, read, draft }
}
