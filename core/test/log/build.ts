import {
  asksOf,
  EntrySchema,
  fold,
  idMaker,
  judgeOf,
  plainTell,
  releaseCaseOf,
  tellReason,
  type Book,
  type BottlingChoice,
  type Draft,
  type Entry,
  type ForecastSummary,
} from '../../src'

const DAY_MS = 86_400_000

/** The day on which the built logs begin. */
export const START = Date.parse('2026-03-02T08:00:00.000Z')

/** A moment so many days after the start. */
export const day = (days: number): string => new Date(START + days * DAY_MS).toISOString()

/** Writes small logs for a test, each entry through its schema. */
export function notebook() {
  const makeId = idMaker(() => 0.42)
  const entries: Entry[] = []
  const id = () => makeId(START)
  const write = (draft: Draft, origin: 'maker' | 'demo' = 'maker'): string => {
    const entry = EntrySchema.parse({ ...draft, id: id(), by: 'Bench', origin })
    entries.push(entry)
    return entry.id
  }
  /** Plans and packs a mash: 2 000 g of cayenne at 4 %. */
  const mash = (at = 0, change: object = {}, packed: object = {}): string => {
    const lotId = id()
    write({
      kind: 'plan',
      at: day(at),
      lotId,
      code: `M-${entries.length}`,
      name: 'Cayenne mash',
      color: '#c22a1b',
      style: 'mash',
      waterG: 0,
      saltG: 80,
      saltId: 'fine-sea',
      saltBasis: 'ingredients',
      saltPct: 4,
      targetPh: 3.8,
      rows: [{ materialId: 'cayenne', name: 'Cayenne', massG: 2000, preparation: 'raw', seedsOut: false }],
      ...change,
    } as Draft)
    write({
      kind: 'pack',
      at: day(at),
      lotId,
      place: 'Bench',
      closure: 'airlock',
      vessels: [{ vesselId: 'jar-3000', mark: '', massG: 2080, hot: false }],
      ...packed,
    } as Draft)
    return lotId
  }
  /** Read with a meter calibrated the same day; `null` for one that nobody calibrated. */
  const read = (
    lotId: string,
    at: number,
    ph: number | undefined,
    tempC = 21,
    calibratedAt: string | null = day(at - 0.1),
  ): string =>
    write({
      kind: 'reading',
      at: day(at),
      lotId,
      tempC,
      ...(ph !== undefined && { ph }),
      ...(calibratedAt && { instrument: { name: 'pH meter', steady: true, calibratedAt, slopePct: 97 } }),
    })
  const press = (fromLotId: string, at: number, change: object = {}): string => {
    const lotId = id()
    write({
      kind: 'press',
      at: day(at),
      lotId,
      code: `B-${entries.length}`,
      name: 'Cayenne base',
      color: '#c22a1b',
      fromLotId,
      method: 'sieve',
      inG: 2080,
      baseG: 1700,
      pulpG: 350,
      seedsG: 0,
      ...change,
    } as Draft)
    return lotId
  }
  const book = (): Book => fold(entries)
  return { entries, id, write, mash, read, press, book }
}

/** A run kept live and cold, as most tests need it. */
export const KEPT_COLD: BottlingChoice = {
  treatment: 'live-cold',
  store: 'cold',
  limitPh: 4,
  formatId: 'b150',
  process: null,
  heldMin: null,
  turnedMin: null,
  chunky: false,
  altitudeM: 0,
  lastFillTempC: null,
  relief: 'none',
}

/** What the judge says of a lot at a moment, with its sentence. */
export function standsAt(book: Book, lotId: string, atMs: number, summary?: ForecastSummary) {
  const judgement = judgeOf(book, () => summary)(lotId, atMs)!
  const codes = judgement.reasons.map(({ code }) => code)
  return { ...judgement, codes, sentence: tellReason(judgement.reasons[0]!, plainTell) }
}

/** What a ferment asks for at a moment, by title. */
export const titlesAt = (book: Book, lotId: string, atMs: number, summary?: ForecastSummary): string[] =>
  asksOf(
    book,
    judgeOf(book, () => summary),
    book.lots.get(lotId)!,
    atMs,
    summary,
  ).map(({ title }) => title)

/** What is known of a pot, or of a run of its bottles, for its release; long after everything if nobody says when. */
export const caseOf = (
  book: Book,
  potId: string,
  choice: BottlingChoice = KEPT_COLD,
  { bottledId = '', days = 400 } = {},
) => releaseCaseOf(book, judgeOf(book), book.lots.get(potId)!, choice, START + days * DAY_MS, book.lots.get(bottledId))
