import {
  asksOf,
  beginRun,
  DAY_MS,
  EntrySchema,
  fold,
  forecastFerment,
  HOUR_MS,
  idClock,
  isMeter,
  jarOf,
  judgeOf,
  lookAt,
  lotCaseOf,
  momentOf,
  readPh,
  standing,
  structureOfLot,
  summaryOf,
  trueC,
  worldOf,
  type Ask,
  type Book,
  type Entry,
  type Exercise,
  type FermentForecast,
  type ForecastSummary,
  type Judge,
  type JarLook,
  type Lot,
  type PracticeRun,
  type Sampled,
  type TrueJar,
  type World,
} from '../../src'

/* One go at an exercise, played by a script: what it may see is what the application shows. */

/** The first morning of every play. */
export const FIRST_MORNING = Date.parse('2026-06-01T06:00:00.000Z')
const MEMBERS = 100

export class Play {
  readonly entries: Entry[]
  nowMs = FIRST_MORNING
  private readonly ids = idClock(() => 0.42)
  private readonly forecasts = new Map<string, { entries: number; forecast: FermentForecast | null }>()
  private readonly run: Omit<PracticeRun, 'entries'>
  private seen: { entries: number; nowMs: number; world: World } | null = null
  /** When the meter was last laid into its buffers. */
  private checkedMs: number | null = null

  constructor(
    readonly exercise: Exercise,
    readonly seed: number,
  ) {
    const run = beginRun(exercise, seed, FIRST_MORNING)
    this.run = run
    this.entries = [...run.entries]
  }

  /** Writes something down now, through the schemas as the application does. Returns the entry's id. */
  write(draft: Record<string, unknown>): string {
    const entry = EntrySchema.parse({
      ...{ at: momentOf(this.nowMs), id: this.ids.next(this.nowMs), by: 'Bench', origin: 'maker' },
      ...draft,
    })
    this.entries.push(entry)
    this.nowMs += 60_000
    return entry.id
  }
  newLot = (): string => this.ids.next(this.nowMs)
  wait(days: number) {
    this.nowMs += days * DAY_MS
  }
  /** To the next morning's round. */
  tomorrow() {
    this.nowMs = FIRST_MORNING + (Math.floor(this.day) + 1) * DAY_MS
  }
  get day() {
    return (this.nowMs - FIRST_MORNING) / DAY_MS
  }

  get wholeRun(): PracticeRun {
    return { ...this.run, entries: this.entries }
  }
  get world(): World {
    if (this.seen?.entries !== this.entries.length || this.seen.nowMs !== this.nowMs)
      this.seen = { entries: this.entries.length, nowMs: this.nowMs, world: worldOf(this.wholeRun, this.nowMs) }
    return this.seen.world
  }
  get book(): Book {
    return fold(this.entries)
  }
  get open(): Lot[] {
    return [...this.book.lots.values()].filter(({ state }) => state === 'fermenting')
  }
  lotOf(code: string): Lot {
    return [...this.book.lots.values()].find((lot) => lot.code === code)!
  }
  private jars(lotId: string): TrueJar[] {
    return standing(this.world).filter((jar) => jar.lotId === lotId)
  }

  /** The forecast of a lot as the application has it: worked out anew when something was read, seen or done. */
  private summary(book: Book, lot: Lot): ForecastSummary | undefined {
    const entries = lot.readings.length + lot.added.length + lot.decisions.length + lot.senses.length
    let known = this.forecasts.get(lot.id)
    if (known?.entries !== entries) {
      const found = lotCaseOf(book, lot, this.nowMs)
      const days = Math.max(15, (this.nowMs - lot.startedMs) / DAY_MS + 8)
      known = { entries, forecast: found && forecastFerment(found, { days, members: MEMBERS }) }
      this.forecasts.set(lot.id, known)
    }
    return known.forecast ? summaryOf(book, lot, known.forecast, this.nowMs) : undefined
  }

  /** What the application asks of a lot, and how it judges. */
  asks(lotId: string): { asks: Ask[]; judge: Judge; lot: Lot; book: Book } {
    const { book } = this
    const lot = book.lots.get(lotId)!
    const ahead = lot.state === 'fermenting' ? this.summary(book, lot) : undefined
    const judge = judgeOf(book, (id) => (id === lotId ? ahead : undefined))
    return { asks: asksOf(book, judge, lot, this.nowMs, ahead, undefined, this.exercise.kit), judge, lot, book }
  }

  looks = (lotId: string): JarLook[] => this.jars(lotId).map((jar) => lookAt(this.world, jar))

  /** Lays the meter into its buffers, where that is as old as the application would say. */
  private checkMeter() {
    const { kit } = this.exercise
    const old = this.checkedMs === null || this.nowMs - this.checkedMs > DAY_MS
    if (!isMeter(kit) || !old) return
    this.checkedMs = this.nowMs
    if (kit.sour !== 'bench meter') return
    const points = [
      { ph: 7, millivolt: 4.2, tempC: 21 },
      { ph: 4.01, millivolt: 174, tempC: 21 },
    ]
    this.write({ kind: 'calibrate', meter: 'pH meter', points, slopePct: 97, offsetMv: 4, accepted: true })
  }

  /** Reads a lot, in each jar: pieces in their liquid and ground. */
  read(lotId: string, { checked = true }: { checked?: boolean } = {}) {
    if (checked) this.checkMeter()
    const lot = this.book.lots.get(lotId)!
    const pieces = structureOfLot(this.book, lot).liquid < 1
    for (const { mark } of this.jars(lotId))
      for (const of of pieces ? (['liquid', 'blended'] as const) : (['blended'] as const)) this.readJar(lotId, mark, of)
  }
  private readJar(lotId: string, mark: string, of: Sampled) {
    const jar = jarOf(this.world, lotId, mark)!
    const { ph, instrument } = readPh(this.world, jar, of, this.checkedMs)
    // Meters of pH show the temperature as well (common practice).
    const tempC = isMeter(this.exercise.kit) && { tempC: Math.round(10 * trueC(jar, this.nowMs)) / 10 }
    this.write({ kind: 'reading', lotId, ph, of, ...tempC, instrument, ...(mark && { marks: [mark] }) })
  }
  /** A finished pot read with a meter that was just calibrated. */
  readPot(lotId: string, ph: number) {
    this.checkMeter()
    const at = momentOf(this.checkedMs ?? this.nowMs)
    const instrument = { name: 'pH meter', kind: 'meter', steady: true, calibratedAt: at, slopePct: 97 }
    this.write({ kind: 'reading', lotId, ph: Math.round(ph * 100) / 100, of: 'blended', instrument })
  }

  /** Presses all of a ferment. Returns the base. */
  press(lotId: string): string {
    const lot = this.book.lots.get(lotId)!
    const base = this.newLot()
    const inG = Math.round(lot.leftG)
    this.write({
      ...{ kind: 'press', lotId: base, code: `${lot.code}-B`, name: `${lot.name} base`.slice(0, 80), color: lot.color },
      ...{
        fromLotId: lotId,
        method: 'sieve',
        inG,
        baseG: Math.round(inG * 0.84),
        pulpG: Math.round(inG * 0.15),
        seedsG: 0,
      },
    })
    return base
  }
  discard(lotId: string, reason: string) {
    const lot = this.book.lots.get(lotId)!
    this.write({ kind: 'discard', lotId, reason: reason.slice(0, 400), massG: Math.round(lot.leftG) })
  }
}

export const hoursSince = (play: Play, lot: Lot) => (play.nowMs - lot.startedMs) / HOUR_MS
