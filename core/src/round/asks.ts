import type { Judge, Judgement } from '../judge/judgement'
import { ruleFor, type Reason, type ReasonCode } from '../judge/reasons'
import type { Chore } from '../library/chores'
import { styleById } from '../library/styles'
import type { EntryOf } from '../log/entry'
import type { Book } from '../lots/fold'
import { isRefill } from '../plan/refill'
import type { Lot } from '../log/lot'
import { isCold, lastPouredMs } from '../lots/measured'
import { measuredPhs } from '../makeup/measuredPh'
import type { SenseQuestion } from '../ferment/senses'
import type { ForecastSummary } from './forecastSummary'
import { choreTimes } from './choreTimes'
import { lookAgainBy, quietRound } from './cold'
import { isMeter, USUAL_KIT, type Kit } from './kit'
import { dueLook, mayTaste } from './looks'
import { DAY_MS } from '../units/time'
import { LEVELS, type Level } from '../level'
import { plainTell, type Tell } from '../words/judgement'
import { taskWords, type TaskCode, type TaskFacts } from '../words/tasks'

/**
 * What a lot wants today: what it is by its code, and in words. `chore` is recorded with one tap; without it the
 * page named by `go` is opened.
 * `key` stays the same while it is asked for; `dueMs` when it fell due, where it is a matter of time.
 */
export interface Ask {
  key: string
  lotId: string
  level: Level
  code: TaskCode
  title: string
  why: string
  chore?: Chore
  /** What eyes and tongue are asked: answered with one tap each. */
  questions?: readonly SenseQuestion[]
  go: 'ferment' | 'press' | 'blend' | 'bottle' | 'cellar'
  dueMs: number | null
}

/** The same asks, the most pressing first; equals keep their order. */
export const worstFirst = (asks: readonly Ask[]): Ask[] =>
  [...asks].sort((a, b) => LEVELS.indexOf(b.level) - LEVELS.indexOf(a.level))

/**
 * The same asks in the order of one walk: place by place as the shelf stands, then code by code, the most pressing of
 * a lot first.
 */
export function alongTheShelf(asks: readonly Ask[], lots: readonly Lot[]): Ask[] {
  const places = [...new Set(lots.map((lot) => lot.place))]
  const seat = new Map(lots.map((lot) => [lot.id, { place: places.indexOf(lot.place), code: lot.code }]))
  const nowhere = { place: places.length, code: '' }
  return worstFirst(asks).sort((a, b) => {
    const [here, there] = [seat.get(a.lotId) ?? nowhere, seat.get(b.lotId) ?? nowhere]
    return here.place - there.place || (here.code < there.code ? -1 : here.code > there.code ? 1 : 0)
  })
}

/** Days since packing, the day of packing being day 0. */
export const dayOf = (lot: Lot, nowMs: number): number => Math.max(0, Math.floor((nowMs - lot.startedMs) / DAY_MS))

/** Whether something was done after a moment. */
const doneSince = (lot: Lot, chore: Chore, sinceMs: number) =>
  lot.chores.some((entry) => entry.chore === chore && !entry.skipped && Date.parse(entry.at) >= sinceMs)

/** Gathers what one lot asks for. */
export function asking(lotId: string, tell: Tell) {
  const asks: Ask[] = []
  function ask<Code extends TaskCode>(
    level: Level,
    code: Code,
    facts: TaskFacts[Code],
    { chore, questions, go = 'ferment', dueMs = null }: Partial<Pick<Ask, 'chore' | 'questions' | 'go' | 'dueMs'>> = {},
  ) {
    const { title, why } = taskWords(code, facts, tell)
    const more = { ...(chore && { chore }), ...(questions && { questions }) }
    asks.push({ key: `${lotId}:${chore ?? title}`, lotId, level, code, title, why, ...more, go, dueMs })
  }
  return { asks, ask }
}
type AskOf = ReturnType<typeof asking>['ask']

/** What a rule asks for; rules that are not here ask for nothing by themselves. */
const TASK_OF: Partial<Record<ReasonCode, Exclude<TaskCode, 'chore' | 'press'>>> = {
  'bad sign': 'discard',
  'above too long': 'discard',
  'passed too late': 'discard',
  'thrown away': 'discard',
  'time over, not read': 'read behind',
  'not read yet': 'read behind',
  behind: 'read behind',
  'above again': 'read behind',
  'behind the forecast': 'read behind',
  'does not fit': 'read again',
  'too warm': 'cool',
  'open sign': 'look again',
  'may have passed late': 'ask somebody',
  'mostly cooked': 'ask somebody',
  'salty and late': 'ask somebody',
  rose: 'read the pH',
  'may carry film': 'read the pH',
  'may be yeast': 'ask somebody',
  'put in since': 'read the pH',
  'pieces not read': 'read the pH',
  'nothing keeps it yet': 'read the pH',
  'too long under oil': 'discard',
  'too much histamine': 'discard',
  'bottle over the limit': 'stopped',
  'past its days in the cold': 'ask somebody',
  'slow to sour': 'read the pH',
  'jars not read': 'read the jars',
  'one jar decides': 'read the jar',
  'weak salt': 'mend the salt',
  'may be weak': 'check the salt',
  'nothing alive': 'start',
  'made of': 'stopped',
  'unlikely under': 'discard',
  'not told yet': 'strip',
  'likely under': 'call it',
}
/** Tasks that are one and the same reading: the most pressing of them stands for all. */
const READINGS: readonly TaskCode[] = [
  'read behind',
  'read again',
  'read the pH',
  'read the jars',
  'read the jar',
  'read after film',
]

/** What its standing asks for. Film is asked for by its own line. */
function askForReasons(ask: AskOf, { reasons }: Judgement, kit: Kit): void {
  let reading = false
  const one = reasons.find((reason) => reason.code === 'one jar decides')
  for (const reason of reasons) {
    const code = TASK_OF[reason.code]
    const { state } = ruleFor(reason)
    if (code === 'call it') ask('fine', code, { reason })
    if (!code || state === 'ready' || state === 'working') continue
    if (READINGS.includes(code)) {
      if (reading) continue
      reading = true
      if (kit.sour === 'nose and tongue') {
        // Who has no meter is not asked for a pH every day: they look, and are told when only a strip can tell.
        if (reason.code !== 'not read yet') ask(state, 'strip', { reason })
        continue
      }
      // Another jar stands better: it is this one that is to be read.
      if (one) {
        ask(state, 'read the jar', { mark: one.facts.mark, reason })
        continue
      }
    }
    ask(state, code, { reason })
    // What is thrown away wants nothing else.
    if (state === 'discard') return
  }
}

/** What signs ask for, until it was done: of each thing that was seen, the newest look. */
function askForSigns(ask: AskOf, lot: Lot, nowMs: number): void {
  const newest = new Map(lot.signs.filter(({ at }) => Date.parse(at) <= nowMs).map((sign) => [sign.sign, sign]))
  for (const sign of newest.values()) askForSign(ask, lot, sign)
}
function askForSign(ask: AskOf, lot: Lot, sign: EntryOf<'sign'>): void {
  const signMs = Date.parse(sign.at)
  const done = (chore: Chore) => doneSince(lot, chore, signMs)
  if (sign.sign === 'bag ballooned' && !done('vent')) ask('act', 'vent', {}, { chore: 'vent' })
  if (sign.sign === 'white film') {
    if (!done('skim')) ask('act', 'skim', {}, { chore: 'skim' })
    else if (!measuredPhs(lot).some(({ atMs }) => atMs > signMs)) ask('ask', 'read after film', {})
  }
  if (sign.sign === 'not covered' && !done('top up')) ask('act', 'cover', {}, { chore: 'top up' })
  if (sign.sign === 'floaters' && !done('press down')) ask('act', 'submerge', {}, { chore: 'press down' })
}

/** The look of a day, of somebody without a meter. */
function askForLook(ask: AskOf, book: Book, lot: Lot, judgement: Judgement | null, nowMs: number): void {
  const due = dueLook(book, lot, judgement, nowMs)
  if (!due) return
  const { questions, dueMs, first } = due
  const may = mayTaste(book, lot, judgement, nowMs)
  ask('ask', 'look', { first, taste: questions.includes('sour'), may }, { questions, dueMs })
}

/** The quiet round of a jar that is kept in the cold. */
function askForCold(ask: AskOf, book: Book, lot: Lot, judgement: Judgement | null, nowMs: number, kit: Kit): void {
  const round = quietRound(lot, nowMs)
  if (!round) return
  if (round.lookMs <= nowMs) ask('ask', 'look over', {}, { chore: 'look over', dueMs: round.lookMs })
  const bestMs = lookAgainBy(book, lot, judgement)
  if (bestMs !== null && bestMs <= nowMs) ask('ask', 'look again by', { dueMs: bestMs }, { dueMs: bestMs })
  if (round.readMs > nowMs || bestMs === null) return
  const meter = isMeter(kit)
  if (meter || mayTaste(book, lot, judgement, nowMs))
    ask('ask', 'taste or read', { meter }, { ...(!meter && { questions: ['sour'] as const }), dueMs: round.readMs })
}

/** Chores that are due and not asked for by something more pressing. */
function dueChores(
  book: Book,
  lot: Lot,
  nowMs: number,
  summary: ForecastSummary | undefined,
  asks: readonly Ask[],
  judgement: Judgement | null,
  kit: Kit,
) {
  const asked = new Set(asks.map(({ chore }) => chore))
  const looked = asks.some(({ code }) => code === 'look')
  const bared = lot.signs.at(-1)?.sign === 'not covered'
  const readingAsked = asks.some(({ code }) => READINGS.includes(code))
  return choreTimes(book, lot, nowMs, summary, judgement, kit).filter(({ chore, dueMs }) => {
    if (dueMs > nowMs || asked.has(chore)) return false
    if (chore === 'cover check' && bared) return false
    if (chore === 'read' && readingAsked) return false
    if (chore === 'taste' && looked) return false
    // What tells whether it is ready is not asked of what is.
    return !(judgement?.state === 'ready' && (chore === 'taste' || chore === 'squeeze test'))
  })
}

/**
 * What one fermenting lot asks for, worst first: what the judge says of it, what was seen, and the chores of its
 * style and closure. Common practice.
 */
export function asksOf(
  book: Book,
  judge: Judge,
  lot: Lot,
  nowMs: number,
  summary?: ForecastSummary,
  tell: Tell = plainTell,
  kit: Kit = USUAL_KIT,
): Ask[] {
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed || lot.state !== 'fermenting') return []
  const style = styleById(made.style)
  const { asks, ask } = asking(lot.id, tell)
  const judgement = judge(lot.id, nowMs)
  if (judgement) askForReasons(ask, judgement, kit)
  if (judgement?.state === 'discard') return asks
  askForSigns(ask, lot, nowMs)
  if (!isMeter(kit)) askForLook(ask, book, lot, judgement, nowMs)
  askForCold(ask, book, lot, judgement, nowMs, kit)
  for (const { chore, title, why, level, dueMs } of dueChores(book, lot, nowMs, summary, asks, judgement, kit))
    ask(level, 'chore', { title, why }, { ...(chore !== 'read' && chore !== 'weigh' && { chore }), dueMs })
  if (style.refills && !isRefill(book, lot) && dayOf(lot, nowMs) >= style.days.low) ask('ask', 'refill', {})
  const byTaste = judgement?.reasons.find(({ code }) => code === 'ready by taste')
  if (byTaste && judgement?.state === 'ready' && !isCold(lot)) ask('fine', 'keep it cold', { reason: byTaste })
  const press = judgement && !byTaste && pressReason(lot, judgement)
  if (press) ask('fine', 'press', { reason: press === 'called' ? null : press }, { go: 'press' })
  return worstFirst(asks)
}

/** Why a lot may be pressed now: ready and no more time was given, or its maker called it and nothing stops it. */
function pressReason({ decisions }: Lot, { state, make, reasons }: Judgement): Reason | 'called' | null {
  if (reasons.some(({ code }) => code === 'more time given')) return null
  if (state === 'ready') return reasons[0] ?? null
  return decisions.at(-1)?.decision === 'ready' && state === 'working' && make !== 'stop' ? 'called' : null
}

/** What a finished blend asks for before it may be bottled, and what stops a lot in stock. */
export function blendAsks(judge: Judge, lot: Lot, nowMs: number, tell: Tell = plainTell): Ask[] {
  if (lot.state !== 'in stock' || lot.made.kind === 'bottle') return []
  const { asks, ask } = asking(lot.id, tell)
  const stops = judge(lot.id, nowMs)
  const go = lot.kind === 'ferment' ? 'ferment' : 'blend'
  if (stops?.make === 'stop' && stops.makeBecause)
    ask(stops.state === 'discard' ? 'discard' : 'act', 'stopped', { reason: stops.makeBecause }, { go })
  if (lot.made.kind !== 'blend') return asks
  const dueMs = lastPouredMs(lot) + DAY_MS
  const evened = lot.readings.some((reading) => reading.ph !== undefined && Date.parse(reading.at) >= dueMs)
  if (!evened && nowMs >= dueMs) ask('ask', 'finished pH', {}, { go: 'blend', dueMs })
  return asks
}
