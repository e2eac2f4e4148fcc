import { entryWords, lotsIn, type Entry, type EntryOf } from '../log/entry'
import { writtenAt } from '../log/ids'
import type { Instrument } from '../log/entryParts'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { ancestors } from '../lots/lineage'
import { byTime } from '../log/merge'
import type { Table } from '../files/tables'
import type { UnitWorld } from '../units/quantity'
import { DAY_MS } from '../units/time'

/**
 * One line of a batch record. `status` says whether it still stands; a correction names what it replaces by its
 * number.
 */
export interface RecordLine {
  number: number
  atMs: number
  writtenMs: number
  by: string
  code: string
  what: string
  instrument: string
  status: 'stands' | 'corrected' | 'taken back' | 'said otherwise'
  replacedBy: number | null
  replaces: number | null
  entry: Entry
}

/**
 * Everything that was done, measured and decided for a lot and all it was made of, by whom and when, corrections
 * beside what they correct.
 */
export interface BatchRecord {
  lot: Lot
  sources: Lot[]
  lines: RecordLine[]
  calibrations: EntryOf<'calibrate'>[]
}

const instrumentWords = (instrument?: Instrument): string =>
  instrument
    ? `${instrument.name}${instrument.calibratedAt ? `, calibrated ${instrument.calibratedAt.slice(0, 16).replace('T', ' ')} UTC` : ''}${instrument.slopePct === undefined ? '' : `, slope ${instrument.slopePct.toFixed(1)} %`}`
    : ''

/** Whether a line still stands. @param later what was said over it last. @param effective ids that count. */
function statusOf(entry: Entry, later: Entry | undefined, effective: ReadonlySet<string>): RecordLine['status'] {
  if (effective.has(entry.id) || entry.kind === 'retract') return 'stands'
  if (!later) return 'said otherwise'
  return later.kind === 'retract' ? 'taken back' : 'corrected'
}

/**
 * The record of a lot. @param entries the whole log, with what was replaced and taken back.
 * @returns `null` when the lot is not in the book.
 */
export function batchRecordOf(
  entries: readonly Entry[],
  book: Book,
  lotId: string,
  world: UnitWorld = 'metric',
): BatchRecord | null {
  const lot = book.lots.get(lotId)
  if (!lot) return null
  const sources = ancestors(book, lotId).map((kin) => kin.lot)
  const codes = new Map([lot, ...sources].map((one) => [one.id, one.code]))
  const byId = new Map(entries.map((entry) => [entry.id, entry]))
  /** What an entry is about in the end: a correction, or what was taken back, is about what it replaces. */
  const about = (entry: Entry, path: readonly string[] = []): Entry => {
    const before = entry.replaces && !path.includes(entry.id) ? byId.get(entry.replaces) : undefined
    return before ? about(before, [...path, entry.id]) : entry
  }
  const codeOf = (entry: Entry) =>
    [...lotsIn(entry), ...lotsIn(about(entry))].map((id) => codes.get(id)).find((code) => code !== undefined)
  const of = entries.filter((entry) => codeOf(entry) !== undefined).sort(byTime)
  const numbers = new Map(of.map((entry, index) => [entry.id, index + 1]))
  const effective = new Set(book.effective.map(({ id }) => id))
  const replacedBy = new Map<string, Entry>()
  for (const entry of [...of].sort((a, b) => (a.id < b.id ? -1 : 1)))
    if (entry.replaces) replacedBy.set(entry.replaces, entry)
  const lines = of.map((entry): RecordLine => {
    const later = replacedBy.get(entry.id)
    return {
      number: numbers.get(entry.id) ?? 0,
      atMs: Date.parse(entry.at),
      writtenMs: writtenAt(entry.id),
      by: entry.by,
      code: codeOf(entry) ?? '',
      what: entryWords(entry, world),
      entry,
      instrument: instrumentWords('instrument' in entry ? entry.instrument : undefined),
      status: statusOf(entry, later, effective),
      replacedBy: later ? (numbers.get(later.id) ?? null) : null,
      replaces: entry.replaces ? (numbers.get(entry.replaces) ?? null) : null,
    }
  })
  const meters = new Set(
    of.flatMap((entry) => ('instrument' in entry && entry.instrument ? [entry.instrument.name] : [])),
  )
  const [fromMs, toMs] = [lines[0]?.atMs ?? 0, lines.at(-1)?.atMs ?? 0]
  // A meter's last calibration before the first reading counts too.
  const calibrations = book.meterChecks.filter(
    (entry): entry is EntryOf<'calibrate'> =>
      entry.kind === 'calibrate' &&
      meters.has(entry.meter) &&
      Date.parse(entry.at) <= toMs &&
      Date.parse(entry.at) >= fromMs - 7 * DAY_MS,
  )
  return { lot, sources, lines, calibrations }
}

const utc = (ms: number) => new Date(ms).toISOString().slice(0, 19).replace('T', ' ')

/** The record as a table for CSV: moments in UTC, one line an entry. */
export function tableOfRecord({ lines }: BatchRecord): Table {
  return [
    [
      'number',
      'at_utc',
      'written_utc',
      'by',
      'lot',
      'kind',
      'what',
      'instrument',
      'status',
      'replaced_by',
      'replaces',
      'entry_id',
    ],
    ...lines.map((line) => [
      line.number,
      utc(line.atMs),
      utc(line.writtenMs),
      line.by,
      line.code,
      line.entry.kind,
      line.what,
      line.instrument,
      line.status,
      line.replacedBy ?? '',
      line.replaces ?? '',
      line.entry.id,
    ]),
  ]
}
