import { phBand } from '../blend/forecast'
import { dueAt, PH_LINE, PIECES_TIMES, saltTimes, spentBetween } from '../ferment/clock'
import { LEVELS } from '../level'
import { styleById } from '../library/styles'
import type { Book } from '../log/fold'
import type { Flow, Lot } from '../log/lot'
import { compositionOf } from '../stock/lotComposition'
import { temperatureAtMs } from '../stock/temperature'
import { HOUR_MS } from '../units/time'
import { fermentReasons, timeReasons, type Columns } from './fermenting'
import { historyOf, samplesOf, weakestSaltInWater, type History } from './history'
import { timeAbove, type Begin, type TimeAbove, type Crossing } from './passing'
import { RULES, STATES, type Reason, type State } from './reasons'
import { signReasons } from './openSigns'
import type { Verdict } from '../level'

/** What a forecast says of a lot, as the judge needs it. Times in hours since packing; gas mmol/kg a day. */
export interface Foresight {
  crossing: Record<'liquid' | 'blended', { likelyH: number; lateH: number }> | null
  gasPerDay: number
  flag: 'none' | 'behind' | 'distrust' | 'rise'
  why: string
}

/** The time above 4.6 of a lot: share that is spent, when it will be over, ms; whether any of it is assumed. */
export interface Clock {
  spent: number
  dueMs: number
  assumed: boolean
  passed: boolean
  state: 'running' | 'act' | 'over'
}

/** Where a lot stands at a moment: every reason, the one that decides first; what it means for the next step. */
export interface Judgement {
  lotId: string
  atMs: number
  state: State
  reasons: readonly Reason[]
  /** Whether anything may be made of it, and the reason that decides. */
  make: Verdict
  makeBecause: Reason | null
  clock: Clock | null
  /** Its jars, where there are several, and whether a pH of each was read. */
  jars: readonly { mark: string; read: boolean }[]
  /** A forecast of when it passed 4.6 would tell more. */
  wantsForesight: boolean
}

/** Asks the judge of a lot at a moment, ms; `null` for a lot that is not in the book or was never packed. */
export type Judge = (lotId: string, atMs: number) => Judgement | null

/** From this share of its time on the clock presses. Judgement. */
const PRESSING = 0.7

/** How far the time above 4.6 of a lot had gone, for what was made of it. */
interface Standing {
  judgement: Judgement
  /** Share spent until a moment, had it never passed. */
  spentAt: (ms: number) => number
  columns: Columns | null
  history: History
  /** The one ferment a forecast could tell of. */
  ferment: Lot | null
}

const worst = (reasons: readonly Reason[]): State =>
  reasons.reduce<State>(
    (state, { code }) => (STATES.indexOf(RULES[code].state) > STATES.indexOf(state) ? RULES[code].state : state),
    'ready',
  )

/** Reasons in the order they weigh, those of one weight as they came. */
const byWeight = (reasons: readonly Reason[]): Reason[] =>
  [...reasons].sort((a, b) => STATES.indexOf(RULES[b.code].state) - STATES.indexOf(RULES[a.code].state))

const VERDICT_WEIGHT: readonly Verdict[] = ['pass', 'ask', 'stop']

function judgementOf(
  lotId: string,
  atMs: number,
  found: readonly Reason[],
  more: Pick<Judgement, 'clock' | 'jars' | 'wantsForesight'>,
): Judgement {
  const reasons = byWeight(found)
  const makeBecause = reasons.reduce<Reason | null>((decides, reason) => {
    const weight = VERDICT_WEIGHT.indexOf(RULES[reason.code].make)
    return weight > (decides ? VERDICT_WEIGHT.indexOf(RULES[decides.code].make) : 0) ? reason : decides
  }, null)
  return {
    ...{ lotId, atMs, reasons, makeBecause, ...more },
    state: worst(reasons),
    make: makeBecause ? RULES[makeBecause.code].make : 'pass',
  }
}

/** The moment a flow left its lot: when the entry was, that made or added to the other. */
const takenMs = (lot: Lot, flow: Flow): number =>
  Math.max(
    Date.parse(lot.made.at),
    ...lot.added
      .filter(({ rows }) => rows.some((row) => row.lotId === flow.lotId) && !madeOf(lot, flow.lotId))
      .map(({ at }) => Date.parse(at)),
  )

const madeOf = (lot: Lot, sourceId: string): boolean => {
  const { made } = lot
  switch (made.kind) {
    case 'press':
    case 'bottle':
      return made.fromLotId === sourceId
    case 'blend':
      return made.parts.some((part) => part.lotId === sourceId)
    case 'plan':
      return (lot.weighed ?? made).rows.some((row) => row.lotId === sourceId)
    case 'stock':
      return false
  }
}

const crossingOf = (foresight: Foresight | undefined, of: 'liquid' | 'blended', startMs: number): Crossing | null => {
  const crossing = foresight?.crossing?.[of]
  return crossing
    ? { likelyMs: startMs + crossing.likelyH * HOUR_MS, lateMs: startMs + crossing.lateH * HOUR_MS }
    : null
}

/** Jars of a lot in several vessels, and which of them a pH was read in. */
function jarsOf({ lot, acidity }: History, atMs: number): Judgement['jars'] {
  if (lot.vessels.length < 2) return []
  const read = new Set(acidity.filter((fact) => fact.atMs <= atMs).flatMap(({ marks }) => marks))
  return lot.vessels.map(({ mark }) => ({ mark, read: read.has(mark) }))
}

/** Share that was spent when something was taken: to the late end of its passing, or until then. */
const spentBy = ({ columns, spentAt }: Standing, ms: number): number =>
  columns?.blended.passed ? columns.blended.lateSpent : columns ? spentAt(ms) : 0

/** Makes a judge of a book. @param foresee what is known of the forecast of a ferment. */
export function judgeOf(book: Book, foresee: (lotId: string) => Foresight | undefined = () => undefined): Judge {
  const known = new Map<string, Standing | null>()

  /** What a lot brings along from what it was made of: reasons that go on, and how far its time had gone. */
  function inherited(lot: Lot, atMs: number, path: readonly string[]) {
    const reasons: Reason[] = []
    let worstSource: Standing | null = null
    let under = true
    for (const flow of lot.from) {
      const fromMs = takenMs(lot, flow)
      if (fromMs > atMs) continue
      const source = standing(flow.lotId, fromMs, path)
      const of = book.lots.get(flow.lotId)
      if (!source || !of) continue
      for (const reason of laterToo(book, of, fromMs, source.judgement.reasons))
        if (RULES[reason.code].goesOn) reasons.push({ code: 'made of', facts: { code: of.code, of: bottom(reason) } })
      const jars = unreadIn(lot, source.judgement)
      if (jars.length)
        reasons.push({
          code: 'made of',
          facts: { code: of.code, of: { code: 'jars not read', facts: { marks: jars } } },
        })
      const passed = source.columns ? source.columns.blended.passed !== null : true
      if (!passed) under = false
      if (!worstSource || spentBy(source, fromMs) > spentBy(worstSource, fromMs)) worstSource = source
    }
    return { reasons, worstSource: worstSource as Standing | null, under }
  }

  function standing(lotId: string, atMs: number, path: readonly string[] = []): Standing | null {
    const key = `${lotId} ${atMs}`
    const found = known.get(key)
    if (found !== undefined) return found
    if (known.size > 20_000) known.clear()
    const lot = path.includes(lotId) ? undefined : book.lots.get(lotId)
    const stands = lot ? judged(lot, atMs, [...path, lotId]) : null
    known.set(key, stands)
    return stands
  }

  function judged(lot: Lot, atMs: number, path: readonly string[]): Standing | null {
    const ferment = lot.made.kind === 'plan'
    if (ferment && !lot.packed) return null
    const history = historyOf(book, lot)
    const from = inherited(lot, atMs, path)
    const style = lot.made.kind === 'plan' ? styleById(lot.made.style) : null
    const byAcid = style ? style.judgedBy === 'acid' : true
    const times = ferment ? saltTimes(weakestSaltInWater(history, atMs)) : 1
    const own = (a: number, b: number) => spentBetween(history.temperature, a, b, times ?? 1)
    const source = ferment ? null : from.worstSource
    const begin: Begin = {
      atMs: history.startMs,
      spent: source ? spentBy(source, history.startMs) : 0,
      under: !ferment && startsUnder(lot, from.under),
    }
    const open = source?.columns && !source.columns.blended.passed
    const spentAt = (ms: number) =>
      open && ms <= history.startMs ? source.spentAt(ms) : begin.spent + own(history.startMs, ms)
    const origin = ferment ? lot : (source?.ferment ?? null)
    const alone = !ferment && lot.made.kind === 'press'
    const samples = samplesOf(history)
    const foresight = origin && (ferment || alone) ? foresee(origin.id) : undefined
    const raised = history.additions
      .filter(({ raises, upperPh }) => raises && (upperPh === null || upperPh > PH_LINE))
      .map((addition) => addition.atMs)
    const column = (of: 'liquid' | 'blended'): TimeAbove =>
      timeAbove(samples[of], {
        ...{ begin: earliest(begin, source, of), nowMs: atMs, spentAt, raised },
        limit: history.pieces && of === 'blended' ? PIECES_TIMES : 1,
        crossing: crossingOf(foresight, of, origin ? Date.parse(origin.packed?.at ?? origin.made.at) : 0),
      })
    const blended = column('blended')
    const columns: Columns = { blended, liquid: history.pieces ? column('liquid') : blended }
    const runs = byAcid && times !== null
    const tempC = temperatureAtMs(history.temperature, atMs) ?? 0
    const jars = ferment ? jarsOf(history, atMs) : []
    const due = (limit: number, spent: number) => dueAt(atMs, limit - spent, tempC, times ?? 1)
    const reasons = [
      ...signReasons(history, atMs),
      ...from.reasons,
      ...(lot.discarded && Date.parse(lot.discarded.at) <= atMs
        ? [{ code: 'thrown away' as const, facts: { atMs: Date.parse(lot.discarded.at) } }]
        : []),
      ...(byAcid
        ? fermentReasons({
            ...{ history, columns, atMs, times, tempC, due, foresight, ferment },
            elapsed: own(history.startMs, atMs),
            unread: jars.filter(({ read }) => !read).map(({ mark }) => mark),
          })
        : timeReasons(history, atMs)),
    ]
    const clock: Clock | null =
      runs && ferment
        ? {
            spent: columns.liquid.spent,
            dueMs: due(1, columns.liquid.spent),
            assumed: history.temperature.some(({ assumed, fromMs }) => assumed && fromMs < atMs),
            passed: columns.liquid.passed !== null,
            state: columns.liquid.spent >= 1 ? 'over' : columns.liquid.spent > PRESSING ? 'act' : 'running',
          }
        : null
    const late = [columns.liquid, columns.blended].some(
      ({ passed, guessed, lateSpent }) => passed !== null && guessed && lateSpent >= 1,
    )
    return {
      judgement: judgementOf(lot.id, atMs, reasons, {
        clock,
        jars,
        wantsForesight: runs && late,
      }),
      ...{ spentAt, history, ferment: origin },
      columns: byAcid && (times !== null || !ferment) ? columns : null,
    }
  }

  /** A base goes on where its ferment stood: not read there, its time is reckoned from there. */
  const earliest = (begin: Begin, source: Standing | null, of: 'liquid' | 'blended'): Begin => {
    const column = source?.columns?.[of]
    return !source || begin.under || !column || column.passed ? begin : { ...begin, atMs: source.history.startMs }
  }

  /** What is pressed or filled stands where it stood; a mixture, where it works out to, at its upper end. */
  function startsUnder({ made, id }: Lot, sourcesUnder: boolean): boolean {
    if (made.kind === 'stock') return true
    if (made.kind !== 'blend') return sourcesUnder
    const upper = made.predictedPh?.high ?? workedUpper(id, Date.parse(made.at))
    return upper !== null && upper <= PH_LINE
  }
  function workedUpper(lotId: string, atMs: number): number | null {
    const composition = compositionOf(book, lotId, atMs)
    return composition ? (phBand([composition])?.high ?? null) : null
  }

  return (lotId, atMs) => standing(lotId, atMs)?.judgement ?? null
}

/** Jars that were pressed although no pH was read in them. */
const unreadIn = ({ made }: Lot, { jars }: Judgement): string[] =>
  made.kind === 'press'
    ? jars.filter(({ mark, read }) => !read && (made.marks?.includes(mark) ?? true)).map(({ mark }) => mark)
    : []

/** The fact at the bottom of a chain of lots. */
const bottom = (reason: Reason): Reason => (reason.code === 'made of' ? bottom(reason.facts.of) : reason)

/** Reasons of a source as it was taken, and what ended it afterwards: mould that was seen a day later was there. */
function laterToo(book: Book, source: Lot, fromMs: number, reasons: readonly Reason[]): Reason[] {
  const later = signReasons(historyOf(book, source), Infinity).filter(({ code }) => code === 'bad sign')
  const gone: Reason[] = source.discarded
    ? [{ code: 'thrown away', facts: { atMs: Date.parse(source.discarded.at) } }]
    : []
  const had = new Set(reasons.map(({ code }) => code))
  return [...reasons, ...[...later, ...gone].filter(({ code }) => !had.has(code))]
}

/** How pressing a state is, on the scale of marks; what is on its way presses nobody. */
export const levelOfState = (state: State): (typeof LEVELS)[number] =>
  state === 'ready' || state === 'working' ? 'fine' : state
