import type { Stretch } from '../ferment/clock'
import type { Book, LeftBehind } from '../lots/fold'
import { alongSteps, type Step } from '../lots/steps'
import type { Lot } from '../log/lot'
import { byTime } from '../log/merge'
import { toldOnce } from '../log/toldOnce'
import { DAY_MS, MINUTE_MS } from '../units/time'

/**
 * Where nothing was read a room is taken to be so warm, °C: likely for the forecast, warm for the clock. A fridge and
 * a place that was called cold likewise. Judgement.
 */
export const ASSUMED_C = { forecast: 21, clock: 24, cold: 4 } as const

/** What was last read at a place speaks for it so long. Judgement. */
export const PLACE_TRUST_MS = 7 * DAY_MS

/** A temperature read at a moment. */
interface Point {
  atMs: number
  tempC: number
}

/** Temperatures that were read of a lot, or logged, in order. */
export const readTemperatures = toldOnce((lot: Lot): readonly Point[] => {
  const read = lot.readings.flatMap(({ at, tempC }) => (tempC === undefined ? [] : [{ atMs: Date.parse(at), tempC }]))
  const logged = lot.logged.flatMap(({ at, points }) =>
    points.flatMap(([minute, tempC]) => (tempC === null ? [] : [{ atMs: Date.parse(at) + minute * MINUTE_MS, tempC }])),
  )
  return [...read, ...logged].sort((a, b) => a.atMs - b.atMs)
})

/** Where a lot came to stand, and what was said of it; in order, the place of packing first. */
interface Stay {
  fromMs: number
  place: string
  said: number | undefined
  cold: boolean
}
function staysOf(lot: Lot, startMs: number): Stay[] {
  const first = { fromMs: startMs, place: lot.packed?.place ?? lot.place, said: undefined, cold: false }
  return lot.decisions.reduce<Stay[]>(
    (stays, { at, decision, place, tempC }) => {
      if (decision !== 'cold' && decision !== 'warm') return stays
      const before = stays.at(-1)?.place ?? ''
      stays.push({ fromMs: Date.parse(at), place: place ?? before, said: tempC, cold: decision === 'cold' })
      return stays
    },
    [first],
  )
}

/** What was read at every place, in order of time; each with the lot it was read in. */
type PlaceRecord = Map<string, ReadAt[]>
/** What was read of a lot, and the place where it stood then. */
interface ReadAt {
  point: LeftBehind['points'][number]
  lotId: string
}

/** What the lots of a book tell, and what those that are not read left behind, in the order in which they were made. */
export function ofAllLots<T>(
  book: Book,
  tell: (lot: Lot) => T,
  left: (behind: LeftBehind) => T,
): readonly (readonly [string, T])[] {
  if (book.remembered.length === 0) return Array.from(book.lots.values(), (lot) => [lot.id, tell(lot)])
  const behind = new Set(book.remembered.map(({ lotId }) => lotId))
  const here = [...book.lots.values()].flatMap((lot) =>
    behind.has(lot.id) ? [] : [{ lotId: lot.id, made: lot.made, said: tell(lot) }],
  )
  const there = book.remembered.map((one) => ({ lotId: one.lotId, made: one.made, said: left(one) }))
  const all: { lotId: string; made: LeftBehind['made']; said: T }[] = [...here, ...there]
  all.sort((a, b) => byTime(a.made, b.made))
  return all.map(({ lotId, said }) => [lotId, said])
}

/** What was read of a lot, and the place where it stood then. */
export const readAtPlaces = toldOnce((lot: Lot): LeftBehind['points'] => {
  if (!lot.packed || (lot.readings.length === 0 && lot.logged.length === 0)) return []
  const stays = staysOf(lot, Date.parse(lot.packed.at))
  return readTemperatures(lot).map(({ atMs, tempC }) => [
    (stays.findLast(({ fromMs }) => fromMs <= atMs) ?? stays[0])?.place ?? '',
    atMs,
    tempC,
  ])
})

function allPlaces(book: Book): PlaceRecord {
  const found: PlaceRecord = new Map()
  const unordered = new Set<ReadAt[]>()
  for (const [lotId, points] of ofAllLots(book, readAtPlaces, (behind) => behind.points))
    for (const point of points) {
      const [place, atMs] = point
      let list = found.get(place)
      if (!list) found.set(place, (list = []))
      if (atMs < (list.at(-1)?.point[1] ?? atMs)) unordered.add(list)
      list.push({ point, lotId })
    }
  for (const list of unordered) list.sort((a, b) => a.point[1] - b.point[1])
  return found
}

/** How many of what was read at a place were read by a moment: a list of years is halved, not walked through. */
function readBy(list: readonly ReadAt[], ms: number): number {
  let after = 0
  for (let end = list.length; after < end;) {
    const middle = (after + end) >> 1
    if (list[middle]!.point[1] <= ms) after = middle + 1
    else end = middle
  }
  return after
}

/** So many points of one lot are sooner told with all the rest. */
const MANY_POINTS = 500

/** The places with what some lots tell now in place of what they told before. */
function placesAfter(found: PlaceRecord, { before, now, lotIds }: Step): PlaceRecord | null {
  if (before.remembered.length || now.remembered.length) return null
  for (const lotId of lotIds) {
    const [was, is] = [before.lots.get(lotId), now.lots.get(lotId)].map((lot) => (lot ? readAtPlaces(lot) : []))
    if (JSON.stringify(was) === JSON.stringify(is)) continue
    if (was!.length + is!.length > MANY_POINTS) return null
    for (const place of new Set(was!.map(([where]) => where)))
      found.set(
        place,
        found.get(place)!.filter((one) => one.lotId !== lotId),
      )
    for (const point of is!) {
      const list = found.get(point[0]) ?? []
      const at = readBy(list, point[1])
      const last = list[at - 1]
      // Of two that were read in the same moment the order of the lots decides.
      if (last && last.point[1] === point[1] && last.lotId !== lotId) return null
      list.splice(at, 0, { point, lotId })
      found.set(point[0], list)
    }
  }
  return found
}
const placeRecord = alongSteps(allPlaces, placesAfter)

/** The temperature last read at a place in another lot, not long before a moment. */
function lastAt(book: Book, place: string, atMs: number, except: string): number | undefined {
  const points = placeRecord(book).get(place) ?? []
  for (let at = readBy(points, atMs) - 1; at >= 0; at--) {
    const { point, lotId } = points[at]!
    const [, readMs, tempC] = point
    if (readMs < atMs - PLACE_TRUST_MS) return undefined
    if (lotId !== except) return tempC
  }
  return undefined
}

/**
 * The one temperature history of a lot, which clock and forecast read: between two readings of one place linear for
 * the forecast, and the warmer of both for the clock, since nobody knows when it was moved or cooled; a move is a step
 * at its moment to the place it went to (what was last read there, else what the maker said, else a fridge or a room);
 * before the first reading stands the room that was assumed. Where the place and the maker say
 * different things the clock takes the warmer.
 * @param startMs from when on; a lot that is not packed has stood in a room since.
 */
export function temperatureHistory(book: Book, lot: Lot, startMs: number, forWhom: 'clock' | 'forecast'): Stretch[] {
  const points = readTemperatures(lot)
  const stays = staysOf(lot, startMs)
  const worse = forWhom === 'clock' ? Math.max : (first: number) => first
  return stays.flatMap(({ fromMs, place, said, cold }, index) => {
    const endMs = stays[index + 1]?.fromMs ?? Infinity
    if (endMs <= fromMs) return []
    // Read at the very moment of a move it was read before it.
    const here = points.filter(({ atMs }) => (index === 0 ? atMs >= fromMs : atMs > fromMs) && atMs <= endMs)
    const known = lastAt(book, place, fromMs, lot.id)
    const stepC =
      known !== undefined && said !== undefined
        ? worse(known, said)
        : (known ?? said ?? (cold ? ASSUMED_C.cold : ASSUMED_C[forWhom]))
    const stretches: Stretch[] = []
    const first = here[0]
    if (!first || first.atMs > fromMs)
      stretches.push({ fromMs, toMs: first?.atMs ?? endMs, fromC: stepC, toC: stepC, assumed: true })
    here.forEach(({ atMs, tempC }, at) => {
      const next = here[at + 1]
      const toC = next?.tempC ?? tempC
      stretches.push({
        ...{ fromMs: atMs, toMs: next?.atMs ?? endMs, assumed: false },
        ...{ fromC: worse(tempC, toC), toC: worse(toC, tempC) },
      })
    })
    return stretches.filter(({ fromMs: from, toMs: to }) => to > from)
  })
}

/** The temperature of a history at a moment, °C. */
export function temperatureAtMs(history: readonly Stretch[], ms: number): number | null {
  const stretch = history.find(({ toMs }) => ms < toMs) ?? history.at(-1)
  if (!stretch) return null
  const { fromMs, toMs, fromC, toC } = stretch
  if (!Number.isFinite(toMs) || ms <= fromMs) return fromC
  return fromC + ((toC - fromC) * (ms - fromMs)) / (toMs - fromMs)
}
