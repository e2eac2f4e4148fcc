import type { When } from '../ferment/forecast'
import { styleById } from '../library/styles'
import type { Library } from '../library/library'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { DAY_MS, HOUR_MS } from '../units/time'

/** A vessel as a row of the calendar: the nth of its kind. */
export interface VesselRow {
  key: string
  vesselId: string
  name: string
  capacityMl: number
}

/** A vessel taken by a lot: from a moment until it is likely, and at the late end, free again. Times in ms. */
export interface Booking {
  lotId: string
  code: string
  name: string
  color: string
  kind: 'fermenting' | 'planned'
  vesselId: string
  fromMs: number
  likelyMs: number
  lateMs: number
}

/** A booking in its row. */
export type Seated = Booking & { rowKey: string }

/** A lot that may be pressed any day is taken to stand so much longer. Judgement. */
const ANY_DAY = { likely: 1, late: 7 } as const

/** When an open lot is likely, and at the late end, out of its vessels. */
function freeAgain(lot: Lot, ready: When | undefined, nowMs: number): { likelyMs: number; lateMs: number } {
  const style = lot.made.kind === 'plan' ? styleById(lot.made.style) : null
  const usual = (days: number | undefined) => lot.startedMs + (days ?? 0) * DAY_MS
  const forecast = (hours: number | null | undefined, days: number | undefined) =>
    hours === null || hours === undefined ? usual(days) : lot.startedMs + hours * HOUR_MS
  const likelyMs = Math.max(forecast(ready?.typical, style?.days.low), nowMs + ANY_DAY.likely * DAY_MS)
  const late = Math.max(forecast(ready?.late, style?.days.low), nowMs + ANY_DAY.late * DAY_MS)
  return { likelyMs, lateMs: Math.max(likelyMs, late) }
}

/**
 * Which vessels are taken: by what ferments, until the forecast's late end, and by plans that were given a day.
 * @param readyOf the forecast of an open lot, where there is one.
 */
export function bookingsOf(book: Book, readyOf: (lotId: string) => When | undefined, nowMs: number): Booking[] {
  return [...book.lots.values()].flatMap((lot): Booking[] => {
    const { id: lotId, code, name, color, made } = lot
    const of = { lotId, code, name, color }
    if (lot.state === 'fermenting') {
      const until = freeAgain(lot, readyOf(lotId), nowMs)
      return lot.vessels.map(({ vesselId }) => ({
        ...{ ...of, kind: 'fermenting', vesselId, fromMs: lot.startedMs, ...until },
      }))
    }
    if (lot.state !== 'planned' || made.kind !== 'plan') return []
    const { startAt, pressAt, vessels = [] } = made.intended ?? {}
    if (!startAt || !pressAt) return []
    const span = { fromMs: Date.parse(startAt), likelyMs: Date.parse(pressAt), lateMs: Date.parse(pressAt) }
    return vessels.flatMap(({ vesselId, count }) =>
      Array.from({ length: count }, (): Booking => ({ ...of, kind: 'planned', vesselId, ...span })),
    )
  })
}

/** Where no vessels are listed, so many of each common size are shown. */
const SHOWN_COMMON = 4

/** The vessels of the loft, one row each: the maker's own, else some of each common size; at least those in use. */
export function rowsOf(library: Library, bookings: readonly Booking[]): VesselRow[] {
  return library.vessels.flatMap(({ id, name, capacityMl, count }) => {
    const used = bookings.filter(({ vesselId }) => vesselId === id).length
    const own = library.ownVessels ? (count ?? 0) : SHOWN_COMMON
    return Array.from({ length: Math.max(own, used) }, (_, index) => ({
      ...{ key: `${id}#${index + 1}`, vesselId: id, capacityMl },
      name: `${name} ${index + 1}`,
    }))
  })
}

const overlaps = (a: { fromMs: number; lateMs: number }, b: { fromMs: number; lateMs: number }) =>
  a.fromMs < b.lateMs && b.fromMs < a.lateMs

/** Puts each booking into the first row of its kind that is free then; what finds none shares the first. */
export function seat(bookings: readonly Booking[], rows: readonly VesselRow[]): Seated[] {
  const ofKind = new Map<string, VesselRow[]>()
  for (const row of rows) {
    const kin = ofKind.get(row.vesselId)
    if (kin) kin.push(row)
    else ofKind.set(row.vesselId, [row])
  }
  // They are seated as they begin: a row is free for whatever begins once the last in it has ended.
  const freeAgainMs = new Map<VesselRow, number>()
  return [...bookings]
    .sort((a, b) => a.fromMs - b.fromMs)
    .flatMap((booking) => {
      const kin = ofKind.get(booking.vesselId) ?? []
      const row = kin.find((one) => (freeAgainMs.get(one) ?? -Infinity) <= booking.fromMs) ?? kin[0]
      if (!row) return []
      freeAgainMs.set(row, Math.max(freeAgainMs.get(row) ?? -Infinity, booking.lateMs))
      return [{ ...booking, rowKey: row.key }]
    })
}

/** The rows nothing stands in between two moments, ms. */
export const freeRows = (
  rows: readonly VesselRow[],
  taken: readonly { rowKey: string; fromMs: number; lateMs: number }[],
  span: { fromMs: number; lateMs: number },
): VesselRow[] => rows.filter(({ key }) => !taken.some((one) => one.rowKey === key && overlaps(one, span)))
