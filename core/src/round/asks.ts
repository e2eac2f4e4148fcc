import { levelOfSign } from '../ferment/signs'
import { standing, type Standing } from '../ferment/standing'
import type { Chore } from '../library/chores'
import { styleById } from '../library/styles'
import type { EntryOf } from '../log/entry'
import type { Lot } from '../log/lot'
import { lastPouredMs, phsOf, signsOf, structureOfPlan, temperaturesOf } from '../log/measured'
import type { Outlook } from './outlook'
import { choreTimes } from './choreTimes'
import { DAY_MS, HOUR_MS } from '../units/time'
import { LEVELS, type Level } from '../level'

/**
 * What a lot wants today. `chore` is recorded with one tap; without it the page named by `go` is opened.
 * `key` stays the same while it is asked for; `dueMs` when it fell due, where it is a matter of time.
 */
export interface Ask {
  key: string
  lotId: string
  level: Level
  title: string
  why: string
  chore?: Chore
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

/** Pieces count as evened out with their liquid after so many times their own time. Judgement: then 95 % are. */
const EVENED = 3

/** From this salt of everything on, percent, the deadline was not made for the batch. Judgement. */
const SALTY_PCT = 7

/** Why the deadline does not quite fit what was packed; undefined where it does. */
function unsureOf(lot: Lot): string | undefined {
  if (lot.made.kind !== 'plan') return undefined
  const { rows, waterG, saltG } = lot.weighed ?? lot.made
  const rowsG = rows.reduce((sum, row) => sum + row.massG, 0)
  if (saltG >= (SALTY_PCT / 100) * (rowsG + waterG + saltG))
    return 'With 7 % salt or more the deadline is not made for it.'
  const rawG = rows.filter((row) => row.preparation === 'raw').reduce((sum, row) => sum + row.massG, 0)
  return rowsG > 0 && rawG < rowsG / 2 && !rows.some((row) => row.lotId)
    ? 'More than half was cooked or frozen and nothing starts it.'
    : undefined
}

/** Standing of a ferment at a moment, or `null` for any other lot. @param tell how a moment is told. */
export function standingOf(lot: Lot, nowMs: number, outlook?: Outlook, tell?: (ms: number) => string): Standing | null {
  if (lot.made.kind !== 'plan' || !lot.packed) return null
  const packedMs = Date.parse(lot.packed.at)
  const style = styleById(lot.made.style)
  const structure = structureOfPlan(lot.made)
  const unsure = unsureOf(lot)
  const evenMs = packedMs + (structure.liquid < 1 ? EVENED * structure.tauH * HOUR_MS : 0)
  const stand = standing({
    packedMs,
    nowMs,
    targetPh: lot.made.targetPh,
    ...(style.judgedBy === 'time' && { readyAfterDays: style.days.low }),
    ph: phsOf(lot).map(({ atMs, ph, of }) => ({ atMs, ph, of, even: of === 'blended' || atMs >= evenMs })),
    temperatures: temperaturesOf(lot),
    signs: signsOf(lot),
    ...(outlook && { gasPerDay: outlook.gasPerDay }),
    ...(unsure && { unsure }),
    ...(tell && { tell }),
  })
  // What does not fit is not called ready anywhere until it was read again.
  return stand.state === 'ready' && outlook?.flag === 'distrust'
    ? {
        ...stand,
        state: 'ask',
        sentence: `${stand.sentence} But it does not fit: ${outlook.why} Calibrate the meter and read it again.`,
      }
    : stand
}

/** Whether something was done after a moment. */
const doneSince = (lot: Lot, chore: Chore, sinceMs: number) =>
  lot.chores.some((entry) => entry.chore === chore && !entry.skipped && Date.parse(entry.at) >= sinceMs)

/** Whether a lot that could be refilled is already the refill: its pods came out of an earlier one. */
export const isRefill = (lot: Lot): boolean =>
  lot.made.kind === 'plan' && styleById(lot.made.style).refills && lot.from.length > 0

/** Gathers what one lot asks for. */
function asking(lotId: string) {
  const asks: Ask[] = []
  const ask = (
    level: Level,
    title: string,
    why: string,
    { chore, go = 'ferment', dueMs = null }: Partial<Pick<Ask, 'chore' | 'go' | 'dueMs'>> = {},
  ) =>
    void asks.push({
      key: `${lotId}:${chore ?? title}`,
      lotId,
      level,
      title,
      why,
      ...(chore && { chore }),
      go,
      dueMs,
    })
  return { asks, ask }
}
type AskOf = ReturnType<typeof asking>['ask']

/** What its standing and its forecast ask for. A film that was seen is asked for by its own line. */
function askForPh(ask: AskOf, stand: Standing | null, outlook: Outlook | undefined, filmOnly: boolean): void {
  if (stand?.state === 'discard') ask('discard', 'Discard', stand.sentence)
  if (stand?.state === 'act') ask('act', 'Read pH: behind', stand.sentence)
  else if (outlook?.flag === 'behind') ask('act', 'Read pH: behind', outlook.why)
  else if (outlook?.flag === 'distrust') ask('act', 'Read pH again: it does not fit', outlook.why)
  else if (stand?.state === 'ask' && !filmOnly) ask('ask', 'Read pH', stand.sentence)
}

/** What the last sign asks for, until it was done. */
function askForSign(ask: AskOf, lot: Lot, sign: EntryOf<'sign'> | undefined): void {
  if (!sign) return
  const signMs = Date.parse(sign.at)
  const done = (chore: Chore) => doneSince(lot, chore, signMs)
  if (sign.sign === 'bag ballooned' && !done('vent'))
    ask('act', 'Vent the bag and reseal', 'It is full of gas; normal while the pH falls.', { chore: 'vent' })
  if (sign.sign === 'white film') {
    if (!done('skim')) ask('act', 'Skim the white film', 'Film lets air spoil it and eats acid.', { chore: 'skim' })
    else if (!lot.readings.some((reading) => reading.ph !== undefined && Date.parse(reading.at) > signMs))
      ask('ask', 'Read pH after the film', 'Film eats acid: the pH can rise.')
  }
  if (sign.sign === 'not covered' && !done('top up'))
    ask('act', 'Cover it: add juice or brine', 'What stands clear of its liquid moulds. Same strength as inside.', {
      chore: 'top up',
    })
  if (sign.sign === 'floaters' && !done('press down'))
    ask('act', 'Press the pieces under', 'What stands in the air moulds.', { chore: 'press down' })
}

/** Chores that are due and not asked for by something more pressing. */
function dueChores(lot: Lot, nowMs: number, outlook: Outlook | undefined, asks: readonly Ask[], ready: boolean) {
  const asked = new Set(asks.map(({ chore }) => chore))
  const bared = lot.signs.at(-1)?.sign === 'not covered'
  const readingAsked = asks.some((known) => known.title.startsWith('Read pH'))
  return choreTimes(lot, nowMs, outlook).filter(({ chore, dueMs }) => {
    if (dueMs > nowMs || asked.has(chore)) return false
    if (chore === 'cover check' && bared) return false
    if (chore === 'read' && readingAsked) return false
    // What tells whether it is ready is not asked of what is.
    return !(ready && (chore === 'taste' || chore === 'squeeze test'))
  })
}

/**
 * What one fermenting lot asks for, worst first. Chores come with the style and the closure; signs and pH go before
 * them. Common practice.
 */
export function asksOf(lot: Lot, nowMs: number, outlook?: Outlook, tell?: (ms: number) => string): Ask[] {
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed || lot.state !== 'fermenting') return []
  const style = styleById(made.style)
  const { asks, ask } = asking(lot.id)
  const bad = lot.signs.find((sign) => levelOfSign(sign) === 'discard')
  if (bad) {
    ask('discard', `Discard: ${bad.sign}`, 'Do not taste it, do not scoop it out and keep the rest.')
    return asks
  }
  const lastSign = lot.signs.at(-1)
  const stand = standingOf(lot, nowMs, outlook, tell)
  askForPh(ask, stand, outlook, lastSign?.sign === 'white film' && lastSign.level !== 'ask')
  askForSign(ask, lot, lastSign)
  for (const { chore, title, why, level, dueMs } of dueChores(lot, nowMs, outlook, asks, stand?.state === 'ready'))
    ask(level, title, why, { ...(chore !== 'read' && chore !== 'weigh' && { chore }), dueMs })
  if (style.refills && !isRefill(lot) && dayOf(lot, nowMs) >= style.days.low)
    ask('ask', 'Draw off and refill', 'The pods give a second vinegar; one refill, not two.')
  const wait = lot.decisions.at(-1)
  const waiting = wait?.decision === 'wait' && wait.until !== undefined && Date.parse(wait.until) > nowMs
  const called = wait?.decision === 'ready' && stand?.state === 'working'
  if (stand && (called || (stand.state === 'ready' && !waiting)))
    ask('fine', 'Ready to press', called ? 'You called it ready.' : stand.sentence, { go: 'press' })
  return worstFirst(asks)
}

/** What a finished blend asks for before it may be bottled. */
export function blendAsks(lot: Lot, nowMs: number): Ask[] {
  if (lot.made.kind !== 'blend' || lot.state !== 'in stock') return []
  const dueMs = lastPouredMs(lot) + DAY_MS
  const evened = lot.readings.some((reading) => reading.ph !== undefined && Date.parse(reading.at) >= dueMs)
  return evened || nowMs < dueMs
    ? []
    : [
        {
          key: `${lot.id}:finished`,
          lotId: lot.id,
          level: 'ask',
          title: 'Read the finished pH',
          why: 'A day has passed since blending: it has evened out.',
          go: 'blend',
          dueMs,
        },
      ]
}
