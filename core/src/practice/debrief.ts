import { forecastFerment, type FermentCase, type FermentForecast } from '../ferment/forecast'
import { interpolate } from '../units/interpolate'
import type { EntryKind } from '../log/entry'
import { entryWords } from '../log/entry'
import { fold, type Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { judgeOf } from '../judge/judge'
import type { Judge, Judgement } from '../judge/judgement'
import { lotCaseOf } from '../judge/lotCase'
import type { State } from '../judge/reasons'
import { summaryOf } from '../round/forecastSummary'
import type { HiddenKind } from '../truth/kinds'
import { DAY_MS, HOUR_MS } from '../units/time'
import { plainTell, tellReason, type Tell } from '../words/judgement'
import { aboutOf, earlierOf } from './earlier'
import { scoreOf, type Danger, type Deed, type Score } from './score'
import { trulyKnown, type TrulyKnown } from './trueLog'
import { endedMs, truePh, type TrueJar, type World } from './world'

/* What was true, laid beside what could be known and what was decided. */

/** What a true batch was, said to somebody who did not know. */
const KIND_SAYS: Record<HiddenKind, string> = {
  model: 'a batch as batches go',
  'growth x0.7': 'slow bacteria',
  'growth x1.3': 'quick bacteria',
  'least pH +0.3': 'bacteria that stop early',
  'another curve': 'a batch that ran at a pace of its own',
  'room 3 °C colder': 'a place colder than it was thought to be',
  'room 3 °C warmer': 'a place warmer than it was thought to be',
  'buffer x1.8': 'produce that takes up much acid',
  'start +0.4': 'produce less sour than usual',
  'salt x0.6': 'too little salt',
  'salt x1.6': 'too much salt',
  'late start': 'a batch that began three days late',
  'stuck at 3.9': 'a batch that came to rest at 3.9',
  'stuck at 4.3': 'a batch that came to rest at 4.3',
  'stalled at 4.8': 'a batch that came to rest above 4.6',
  dead: 'a batch in which nothing lived',
  yeast: 'a batch that yeast took',
  film: 'film that ate its acid',
  'not covered': 'pieces in the air',
  'pieces x2': 'pieces that took twice as long inside',
  'pieces x3': 'pieces that took three times as long inside',
  'pieces x6': 'pieces that took six times as long inside',
}
export const kindSays = (kind: HiddenKind): string => KIND_SAYS[kind]

const DANGER_SAYS: Record<Danger, string> = {
  'above too long': 'it had stood above 4.6 for much longer than is allowed',
  'above now': 'it still stood above 4.6',
  mould: 'mould grew in it',
  rot: 'it had begun to rot',
  pressure: 'the bottles will burst or spurt',
  'not hot enough': 'it was not as hot as the shelf asks',
  'tasted in doubt': 'it was tasted while it was in doubt',
  'bottles missed': 'bottles were missed',
}
export const dangerSays = (danger: Danger): string => DANGER_SAYS[danger]

/** What was read or seen of a jar, and how far it narrowed what was possible the day after: width of the band, pH. */
export interface Observed {
  atMs: number
  what: string
  ph: number | null
  before: number | null
  after: number | null
}

/** A jar's truth and what could be known of it. pH of all of it; the band is the forecast's with all that was read. */
export interface JarStory {
  lotId: string
  code: string
  name: string
  mark: string
  said: string
  truth: { atMs: number; ph: number }[]
  band: { atMs: number; low: number; high: number }[]
  observed: Observed[]
}

/** A decision, and what the judges had to say just before it: the maker's, and that of one who knew all. */
export interface Decision {
  atMs: number
  lotId: string
  words: string
  told: { state: State; words: string } | null
  known: { state: State; words: string } | null
  dangers: readonly Danger[]
  wastedG: number
}

export interface Debrief {
  score: Score
  jars: JarStory[]
  decisions: Decision[]
  /** What would have told earlier, in one sentence. */
  earlier: string
}

/** What is decided; the rest is looking and keeping. */
const DECIDES: readonly EntryKind[] = [
  ...['plan', 'press', 'discard', 'decide', 'add', 'use', 'blend', 'bottle', 'release', 'send', 'recall'],
] as EntryKind[]

/** Enough to see what a reading was worth. */
const MEMBERS = 120
/** The truth is drawn every so many hours. */
const STEP_H = 6

const toldBy = (judgement: Judgement | null, tell: Tell): Decision['told'] => {
  const reason = judgement?.reasons[0]
  return judgement && reason ? { state: judgement.state, words: tellReason(reason, tell) } : null
}

/** What a case was at an hour: nothing that came later. */
const until = (of: FermentCase, hour: number): FermentCase => ({
  ...of,
  readings: of.readings.filter((reading) => reading.hour <= hour),
  ...(of.sensed && {
    sensed: of.sensed
      .map((one) => ({ ...one, seen: one.seen.filter((seen) => seen.hour <= hour) }))
      .filter(({ seen }) => seen.length > 0),
  }),
})

const widthAt = ({ hours, blended }: Pick<FermentForecast, 'hours' | 'blended'>, hour: number): number => {
  const at = (values: readonly number[]) =>
    interpolate(
      hours.length,
      (index) => hours[index] ?? 0,
      (index) => values[index] ?? 0,
      hour,
    )
  return at(blended.high) - at(blended.low)
}

/** What was observed of a lot, in order, and what each was worth. */
function observedOf(lot: Lot, jar: TrueJar, of: FermentCase, days: number): Observed[] {
  const looks = lot.entries.flatMap((entry): { atMs: number; what: string; ph: number | null }[] => {
    const atMs = Date.parse(entry.at)
    if (entry.kind === 'reading' && entry.ph !== undefined)
      return isOfJar(entry.marks, jar)
        ? [{ atMs, what: entry.of === 'liquid' ? 'liquid read' : 'read', ph: entry.ph }]
        : []
    if (entry.kind === 'sense') return isOfJar(entry.marks, jar) ? [{ atMs, what: 'looked and tasted', ph: null }] : []
    return entry.kind === 'sign' && isOfJar(entry.marks, jar) ? [{ atMs, what: entry.sign, ph: null }] : []
  })
  return looks.map((look): Observed => {
    const hour = (look.atMs - jar.packedMs) / HOUR_MS
    const ahead = hour + 24
    const width = (known: FermentCase) => widthAt(forecastFerment(known, { days, members: MEMBERS }), ahead)
    // A sign says what it is; it moves no band.
    if (look.what !== 'read' && look.what !== 'liquid read' && look.what !== 'looked and tasted')
      return { ...look, before: null, after: null }
    return { ...look, before: width(until(of, hour - 0.01)), after: width(until(of, hour)) }
  })
}
const isOfJar = (marks: readonly string[] | undefined, { mark }: TrueJar) => !marks?.length || marks.includes(mark)

function storyOf(world: World, jar: TrueJar): JarStory | null {
  const { book } = world
  const lot = book.lots.get(jar.lotId)
  if (!lot) return null
  const endMs = endedMs(world, lot)
  const hours = Math.max(24, (endMs - jar.packedMs) / HOUR_MS)
  const days = Math.max(2, Math.ceil(hours / 24) + 2)
  const truth: JarStory['truth'] = []
  for (let hour = 0; hour <= hours; hour += STEP_H) {
    const atMs = jar.packedMs + hour * HOUR_MS
    truth.push({ atMs, ph: truePh(jar, atMs, 'blended') })
  }
  const found = lotCaseOf(book, lot, endMs)
  const forecast = found && forecastFerment(found, { days, members: MEMBERS })
  const { hours: at = [], blended } = forecast ?? {}
  return {
    ...{ lotId: lot.id, code: lot.code, name: lot.name, mark: jar.mark, said: kindSays(jar.kind), truth },
    band: at
      .map((hour, index) => ({
        atMs: jar.packedMs + hour * HOUR_MS,
        low: blended?.low[index] ?? 0,
        high: blended?.high[index] ?? 0,
      }))
      .filter(({ atMs }) => atMs <= endMs),
    observed: found ? observedOf(lot, jar, found, days) : [],
  }
}

/** The maker's judge at a moment, with the forecast of then. */
function makersJudge(book: Book, lot: Lot, atMs: number): Judge {
  const found = lot.state === 'fermenting' ? lotCaseOf(book, lot, atMs) : null
  const days = Math.max(15, (atMs - lot.startedMs) / DAY_MS + 8)
  const forecast = found && forecastFerment(found, { days, members: MEMBERS })
  const ahead = forecast ? summaryOf(book, lot, forecast, atMs) : undefined
  return judgeOf(book, (id) => (id === lot.id ? ahead : undefined))
}

function decisionOf(world: World, known: TrulyKnown, { entry, atMs, dangers, wastedG }: Deed, tell: Tell): Decision {
  const book = fold(world.run.entries.filter(({ id }) => id < entry.id))
  const lot = book.lots.get(aboutOf(entry))
  const justBefore = atMs - 1
  return {
    ...{ atMs, lotId: aboutOf(entry), dangers, wastedG, words: entryWords(entry, 'metric') },
    told: lot ? toldBy(makersJudge(book, lot, justBefore)(lot.id, justBefore), tell) : null,
    known: lot ? toldBy(known.judge(lot.id, justBefore), tell) : null,
  }
}

/** The jars in the order in which they are worth telling: what was let go or wasted first, then what was decided. */
function told({ jars }: World, deeds: readonly Deed[]): TrueJar[] {
  const weight = ({ lotId }: TrueJar) => {
    const own = deeds.filter(({ entry }) => aboutOf(entry) === lotId)
    return own.some(({ dangers, wastedG }) => dangers.length > 0 || wastedG > 0) ? 2 : own.length > 0 ? 1 : 0
  }
  return [...jars].sort((a, b) => weight(b) - weight(a))
}

/**
 * Lays the truth of a run beside what was known. Forecasts are worked out anew for every observation and decision: it
 * belongs into a worker.
 */
export function debriefOf(world: World, tell: Tell = plainTell): Debrief {
  const known = trulyKnown(world)
  const score = scoreOf(world, known)
  const deeds = score.deeds.filter(({ entry }) => DECIDES.includes(entry.kind))
  return {
    score,
    jars: told(world, deeds).flatMap((jar) => storyOf(world, jar) ?? []),
    decisions: deeds.map((deed) => decisionOf(world, known, deed, tell)),
    earlier: earlierOf(world, known, score, tell),
  }
}
