import { PH_LINE, piecesTimes } from '../ferment/clock'
import { filledBottleC } from '../keep/hotFill'
import { THERMOMETER_ERROR_C } from '../keep/lethality'
import { pressureVerdict, STORE_C } from '../keep/ways'
import { bottlePressure } from '../ferment/pressure'
import { volumeOf } from '../composition/composition'
import type { Entry, EntryKind, EntryOf } from '../log/entry'
import { writtenAt } from '../log/ids'
import type { Lot } from '../log/lot'
import { ancestors } from '../lots/lineage'
import { lastBottleC, wasKept } from '../makeup/heated'
import { compositionOf } from '../makeup/lotComposition'
import { phOf } from '../makeup/lotPh'
import { historyOf } from '../judge/history'
import { recallOf } from '../trace/recall'
import { reliefOf } from '../judge/releaseCase'
import type { Sampled } from '../ferment/readings'
import { DAY_MS, HOUR_MS } from '../units/time'
import { headspaceOf } from '../bottle/run'
import { trulyKnown, type TrulyKnown } from './trueLog'
import { SEEN } from './vessel'
import { stateOf, truePh, worldOf, type TrueJar, type World } from './world'

/* What became of it: three scores, never one. */

/** Why something that was let go was not safe. */
export const DANGERS = [
  'above too long',
  'above now',
  'mould',
  'rot',
  'pressure',
  'not hot enough',
  'tasted in doubt',
  'bottles missed',
] as const
export type Danger = (typeof DANGERS)[number]

/** One thing that was done, and what it truly was. */
export interface Deed {
  entry: Entry
  atMs: number
  /** The lot it was about. */
  lotId: string
  dangers: readonly Danger[]
  /** Good food that was thrown away, g. */
  wastedG: number
}

export interface Score {
  /** All that counts as a decision, in order. */
  deeds: readonly Deed[]
  /** How often something unsafe was let go. */
  unsafe: number
  /** Good food thrown away, and all of it that was good, g. */
  wastedG: number
  soundG: number
  /** Work of hands, minutes; and days from the first morning. */
  minutes: number
  days: number
}

/** Past so many times what is allowed it is unsafe; nearer to the line nobody can tell which side it was. */
const SURELY_OVER = 1.5
/** And with a tenth of its time to spare it was sound. */
const SURELY_IN_TIME = 0.9
/** A batch that nobody touched is followed so long to say what would have become of it, days. */
const WOULD_BE_DAYS = 40
/** Over the line by less than this a pH is not told apart. */
const CLOSE_PH = 0.05
/** Bottles stand in water this hot at the most before they are filled, °C; they weigh so much; a pot is no hotter. */
const WARMED_C = 75
const GLASS_G = 150
const HOTTEST_POT_C = 100

/** Minutes of work that an entry stands for. Judgement. */
const MINUTES: Partial<Record<EntryKind, number>> = {
  plan: 15,
  weigh: 15,
  pack: 20,
  chore: 2,
  reading: 3,
  sense: 1,
  sign: 2,
  decide: 3,
  add: 8,
  share: 10,
  calibrate: 5,
  press: 40,
  trial: 15,
  blend: 30,
  heat: 5,
  bottle: 45,
  release: 5,
  discard: 5,
  recall: 15,
}

/** How many times the time of their liquid its pieces have. */
const timesOf = ({ book }: World, { lotId }: TrueJar) => {
  const lot = book.lots.get(lotId)
  const history = lot && historyOf(book, lot)
  return history?.pieces ? piecesTimes(history.opened, history.salt[0]?.saltInWaterPct ?? 0) : 1
}
/** The share of its time that a jar has spent above 4.6 by a moment, the worse of liquid and all of it. */
export function spentOf(world: World, jar: TrueJar, ms: number): number {
  const { spentLiquid, spentBlended } = stateOf(jar, ms)
  return Math.max(spentLiquid, spentBlended / timesOf(world, jar))
}

/** The share that was spent when it passed, by what its bacteria did alone; more than all of it where it never does. */
function spentAtPassing(world: World, jar: TrueJar, untilMs: number): number {
  const times = timesOf(world, jar)
  const spent = (of: Sampled) => {
    const state = jar.states.find(({ hour }) => jar.course.ph(hour, of) <= PH_LINE)
    if (!state || jar.packedMs + state.hour * HOUR_MS > untilMs) return Infinity
    return of === 'liquid' ? state.spentLiquid : state.spentBlended / times
  }
  return Math.max(spent('liquid'), spent('blended'))
}

/** What is wrong with a jar at a moment. */
export function dangersOf(world: World, jar: TrueJar, ms: number): Danger[] {
  const state = stateOf(jar, ms)
  const found: Danger[] = []
  if (spentOf(world, jar, ms) > SURELY_OVER) found.push('above too long')
  if (state.mould > SEEN.mould) found.push('mould')
  if (state.rot > 0) found.push('rot')
  return found
}

/** The jars of a lot, and those it was made of, as they stood when they were taken; at a moment at the latest. */
function dangersBefore(world: World, lot: Lot, ms: number): Danger[] {
  const { book } = world
  const takenMs = (of: Lot) => {
    const made = of.to.map(({ lotId }) => Date.parse(book.lots.get(lotId)?.made.at ?? '')).filter(Number.isFinite)
    return Math.min(ms, ...made)
  }
  return [lot, ...ancestors(book, lot.id).map((kin) => kin.lot)].flatMap((of) =>
    world.jars.filter(({ lotId }) => lotId === of.id).flatMap((jar) => dangersOf(world, jar, takenMs(of))),
  )
}

/** Gas that will stand in the bottles of a run, and the heat they had. */
function dangersOfRun(world: World, known: TrulyKnown, lot: Lot): Danger[] {
  const { made } = lot
  if (made.kind !== 'bottle') return []
  const store = made.store ?? 'shelf'
  const pot = known.book.lots.get(made.fromLotId)
  const heated = pot !== undefined && wasKept(known.book, made, pot)
  const found: Danger[] = []
  const composition = compositionOf(known.book, made.fromLotId)
  if (!heated && composition?.live) {
    const format = known.book.library.format(made.formatId ?? `b${made.bottleMl}`)
    const sugarGPerL = composition.sugarG.typical / (volumeOf(composition) / 1000)
    const bar = bottlePressure(sugarGPerL, STORE_C[store], format ? headspaceOf(format) : 0.05)
    if (pressureVerdict(bar, reliefOf(made)) === 'stop') found.push('pressure')
  }
  if (store === 'shelf' && (!heated || !couldBe(world, made, lastBottleC(known.book, made, pot))))
    found.push('not hot enough')
  return found
}

/** Whether a last bottle of so many °C can have been: glass, warmed or as it stands, takes its share of the heat. */
function couldBe({ run }: World, { treatment, bottleMl }: EntryOf<'bottle'>, tempC: number): boolean {
  if (treatment !== 'cooked-hot-fill') return true
  const glassC = Math.max(run.exercise.glassC, WARMED_C)
  const possible = filledBottleC({ fillC: HOTTEST_POT_C, glassC, sauceG: bottleMl, glassG: GLASS_G })
  return tempC <= possible + THERMOMETER_ERROR_C
}

/** True pH of a lot at a moment: of a jar what it is, of a pot or a base what its mixture comes to. */
function phTruly(world: World, known: TrulyKnown, lot: Lot, ms: number): number | null {
  const jars = world.jars.filter(({ lotId }) => lotId === lot.id)
  if (jars.length) return Math.max(...jars.map((jar) => truePh(jar, ms, 'blended')))
  const from = lot.made.kind === 'bottle' ? lot.made.fromLotId : lot.id
  return phOf(known.book, from)?.ph ?? null
}

/** What is eaten, given or sold of a lot. */
function letGo(world: World, known: TrulyKnown, lot: Lot, ms: number): Danger[] {
  const ph = phTruly(world, known, lot, ms)
  const above: Danger[] = ph !== null && ph > PH_LINE + CLOSE_PH ? ['above now'] : []
  return [...above, ...dangersBefore(world, lot, ms), ...dangersOfRun(world, known, lot)]
}

/** Tasting what nobody should. */
function tasted(world: World, lotId: string, marks: readonly string[] | undefined, ms: number): Danger[] {
  const doubtful = world.jars.some(
    (jar) =>
      jar.lotId === lotId &&
      (!marks?.length || marks.includes(jar.mark)) &&
      (dangersOf(world, jar, ms).length > 0 || (spentOf(world, jar, ms) > 1 && truePh(jar, ms, 'blended') > PH_LINE)),
  )
  return doubtful ? ['tasted in doubt'] : []
}

/** Whether a recall began at the lot it is about, and found every bottle that holds some of it. */
function recalled({ book, run }: World, { lotId, made, here, out }: EntryOf<'recall'>): Danger[] {
  const recall = recallOf(book, lotId)
  const about = run.exercise.recall === undefined || book.lots.get(lotId)?.code === run.exercise.recall
  return about && recall?.made === made && recall.here === here && recall.out === out ? [] : ['bottles missed']
}

function dangersOfEntry(world: World, known: TrulyKnown, entry: Entry, ms: number): Danger[] {
  const lot = (id: string) => world.book.lots.get(id)
  switch (entry.kind) {
    case 'press': {
      const jars = world.jars.filter(
        ({ lotId, mark }) => lotId === entry.fromLotId && (!entry.marks?.length || entry.marks.includes(mark)),
      )
      return jars.flatMap((jar) => [
        ...dangersOf(world, jar, ms),
        ...(truePh(jar, ms, 'blended') > PH_LINE + CLOSE_PH ? (['above now'] as const) : []),
      ])
    }
    case 'use': {
      const of = lot(entry.lotId)
      return of && entry.how !== 'broken' ? letGo(world, known, of, ms) : []
    }
    case 'send': {
      const of = lot(entry.lotId)
      return of && entry.how !== 'broken' ? letGo(world, known, of, ms) : []
    }
    case 'release': {
      const of = lot(entry.lotId)
      return of && entry.decision === 'released' ? letGo(world, known, of, ms) : []
    }
    case 'reading':
      return entry.taste ? tasted(world, entry.lotId, entry.marks, ms) : []
    case 'sense':
      return entry.seen.sour === undefined ? [] : tasted(world, entry.lotId, entry.marks, ms)
    case 'recall':
      return recalled(world, entry)
    default:
      return []
  }
}

/**
 * Whether a jar was good, and would have stayed so: nothing grew, and it passes in time.
 * @param later the same world, later on.
 */
function isSound(world: World, later: World, jar: TrueJar, ms: number): boolean {
  const then = later.jars.find(({ lotId, mark }) => lotId === jar.lotId && mark === jar.mark) ?? jar
  const endMs = jar.packedMs + WOULD_BE_DAYS * DAY_MS
  return (
    dangersOf(world, jar, ms).length === 0 &&
    jar.kind !== 'yeast' &&
    stateOf(jar, ms).film < SEEN.islands &&
    spentAtPassing(later, then, endMs) < SURELY_IN_TIME
  )
}

/** Good food in what was thrown away, g. Past its time, or with a sign that ends it, nothing is lost. */
function wasted(world: World, later: World, entry: EntryOf<'discard'>, ms: number): number {
  return world.jars
    .filter(({ lotId, mark }) => lotId === entry.lotId && (!entry.marks?.length || entry.marks.includes(mark)))
    .filter((jar) => isSound(world, later, jar, ms))
    .reduce((sum, jar) => sum + stateOf(jar, ms).contentG, 0)
}

/** Reckons a run up to a moment. Only what was written since its first morning counts. */
export function scoreOf(world: World, known: TrulyKnown = trulyKnown(world)): Score {
  const { run, nowMs } = world
  const later = worldOf(run, nowMs + WOULD_BE_DAYS * DAY_MS)
  const own = world.book.effective.filter((entry) => isOwn(world, entry))
  const deeds = own.map((entry): Deed => {
    const atMs = Date.parse(entry.at)
    return {
      ...{ entry, atMs, lotId: 'lotId' in entry ? entry.lotId : '' },
      dangers: [...new Set(dangersOfEntry(world, known, entry, atMs))],
      wastedG: entry.kind === 'discard' ? wasted(world, later, entry, atMs) : 0,
    }
  })
  const sound = world.jars.filter((jar) => isSound(world, later, jar, Math.max(jar.packedMs, run.startMs)))
  const missed = run.exercise.recall !== undefined && !own.some(({ kind }) => kind === 'recall')
  return {
    deeds,
    unsafe: deeds.filter(({ dangers }) => dangers.length > 0).length + (missed ? 1 : 0),
    wastedG: deeds.reduce((sum, deed) => sum + deed.wastedG, 0),
    soundG: sound.reduce((sum, jar) => sum + (jar.states[0]?.contentG ?? 0), 0),
    minutes: own.reduce((sum, { kind }) => sum + (MINUTES[kind] ?? 1), 0),
    days: (nowMs - run.startMs) / DAY_MS,
  }
}

/** What stood in the log on the first morning is no deed of the one who practises: it was written long before. */
const isOwn = ({ run }: World, { id }: Entry): boolean => writtenAt(id) >= run.startMs
