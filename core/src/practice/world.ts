import type { Batch } from '../ferment/batch'
import type { Sampled } from '../ferment/readings'
import { temperatureAt, type TemperaturePlan } from '../ferment/temperature'
import { fold, type Book } from '../lots/fold'
import { styleById } from '../library/styles'
import type { Entry, EntryOf } from '../log/entry'
import type { Lot } from '../log/lot'
import { batchOf } from '../makeup/fermentCase'
import { structureOfLot } from '../makeup/structure'
import type { HiddenKind } from '../truth/kinds'
import { HOUR_MS, DAY_MS, momentOf } from '../units/time'
import { courseOf, type Course, type Stage } from './course'
import type { Exercise, Hidden } from './exercise'
import { luckOf, type Luck } from './luck'
import { vesselTemperature, type Stood } from './places'
import { STEP_H, vesselStates, type Act, type VesselState } from './vessel'

/*
 * The world behind an exercise. Nothing of it is kept: it follows, the same each time, from the exercise, its luck,
 * and what was written into the log.
 */

/** One go at an exercise; `beginRun` begins one. */
export interface PracticeRun {
  exercise: Exercise
  seed: number
  /** The first morning, ms. */
  startMs: number
  /** What was in the log then, and what was written since. */
  entries: readonly Entry[]
}

/** One jar as it truly is. Hours since it was packed. */
export interface TrueJar {
  lotId: string
  mark: string
  kind: HiddenKind
  packedMs: number
  course: Course
  temperature: TemperaturePlan
  states: readonly VesselState[]
  /** Salt that truly went into its lot, g. */
  saltG: number
}

/** The true jars of all ferments that were ever packed, as the log stands. */
export interface World {
  run: PracticeRun
  nowMs: number
  book: Book
  jars: readonly TrueJar[]
  luck: Luck
}

/** What is not named is as the model has it, and clean. */
const USUAL: Omit<Hidden, 'of'> = { kinds: ['model'], saltTimes: 1, film: -6, mould: -8 }

/** How a lot truly is: by its code, jar by jar, else for all. */
function hiddenOf({ hidden }: Exercise, code: string, mark: string, luck: Luck): Omit<Hidden, 'of'> {
  const fits = ({ of, mark: only }: Hidden) =>
    (of.includes('|') ? luck.pick(`which ${of}`, of.split('|')) : of) === code && (only ?? mark) === mark
  return (
    hidden.find((one) => fits(one) && one.mark !== undefined) ??
    hidden.find(fits) ??
    hidden.find(({ of }) => of === '*') ??
    USUAL
  )
}

/** Weaker than this, percent of everything, what should not grow may; salted in time, it does not. Judgement. */
const WEAK = { fromPct: 1.6, certainPct: 0.4, withinH: 48 } as const

/** Weak salt lets in what stands in the way of the acid: the weaker, the likelier. */
function weakened(kind: HiddenKind, stages: readonly Stage[], draw: number): HiddenKind {
  const { medium } = (stages.findLast(({ fromHour }) => fromHour <= WEAK.withinH) ?? stages[0])!.batch
  const chance = (WEAK.fromPct - medium.saltPct) / (WEAK.fromPct - WEAK.certainPct)
  return draw < chance ? 'stalled at 4.8' : kind
}

/** Where a lot stood since it was packed. */
function placesOf(lot: Lot): Stood[] {
  const first: Stood[] = [{ fromMs: 0, place: lot.packed?.place ?? '', cold: false }]
  const moves = lot.decisions.flatMap(({ at, decision, place, tempC }): Stood[] =>
    decision === 'cold' || decision === 'warm'
      ? [{ fromMs: Date.parse(at), place: place ?? '', cold: decision === 'cold', tempC }]
      : [],
  )
  const carried = lot.moves.map(({ at, place }): Stood => ({ fromMs: Date.parse(at), place, cold: false }))
  return [...first, ...moves, ...carried].sort((a, b) => a.fromMs - b.fromMs)
}

const isOf = (marks: readonly string[] | undefined, mark: string) => !marks?.length || marks.includes(mark)

/** What was done to a jar; a sample or a taste opens it too. */
function actsOf(lot: Lot, mark: string, packedMs: number): Act[] {
  const hour = (at: string) => (Date.parse(at) - packedMs) / HOUR_MS
  const chores = lot.chores
    .filter(({ skipped }) => !skipped)
    .map(({ at, chore }): Act => ({ hour: hour(at), act: chore }))
  const reads = lot.readings
    .filter((reading) => isOf(reading.marks, mark) && (reading.ph !== undefined || reading.taste))
    .map(({ at }): Act => ({ hour: hour(at), act: 'open' }))
  const tastes = lot.senses
    .filter(({ marks, seen }) => isOf(marks, mark) && seen.sour !== undefined)
    .map(({ at }): Act => ({ hour: hour(at), act: 'open' }))
  const poured = lot.added
    .filter(({ marks, waterG }) => isOf(marks, mark) && waterG > 0)
    .map(({ at }): Act => ({ hour: hour(at), act: 'cover' }))
  return [...chores, ...reads, ...tastes, ...poured].sort((a, b) => a.hour - b.hour)
}

/** Salt that truly went in, g: as weighed, or so many times what was meant, whatever is written of it later. */
const trueSaltOf = ({ made, weighed }: Lot, times: number): number => {
  if (made.kind !== 'plan') return 0
  return times === 1 ? (weighed ?? made).saltG : made.saltG * times
}

/** A jar on its way through a lot: the one it was shared from, its mark, and its share of the lot. */
interface Part {
  mark: string
  from: string
  share: number
}

/** Things put into a jar, each as much for the whole lot as it was for the jars it went into. */
function putInto(lot: Lot, { mark }: Part, parts: readonly Part[]) {
  return lot.added
    .filter(({ marks }) => isOf(marks, mark))
    .map(({ at, rows, waterG, saltG, marks }) => {
      const into = parts.filter((part) => isOf(marks, part.mark)).reduce((sum, { share }) => sum + share, 0)
      const times = into > 0 ? 1 / into : 1
      const scaled = rows.map((row) => ({ ...row, massG: row.massG * times }))
      return { at, rows: scaled, waterG: waterG * times, saltG: saltG * times }
    })
}
type Put = ReturnType<typeof putInto>

/** What is truly in a jar, for a whole lot of it: when it was packed, and after each thing put in. */
function stagesOf(book: Book, lot: Lot, trueSaltG: number, put: Put, packedMs: number): Stage[] {
  if (lot.made.kind !== 'plan') return []
  const content = lot.weighed ?? lot.made
  const structure = structureOfLot(book, lot)
  let [rows, waterG, saltG] = [content.rows, content.waterG, trueSaltG]
  const massOf = () => rows.reduce((sum, { massG }) => sum + massG, 0) + waterG + saltG
  const stages: Stage[] = []
  const stage = (fromHour: number, beforeG: number) => {
    const batch: Batch | null = batchOf(book, { rows, waterG, saltG }, structure)
    if (batch) stages.push({ fromHour, batch, share: massOf() > 0 ? beforeG / massOf() : 1 })
  }
  stage(0, massOf())
  for (const added of put) {
    const beforeG = massOf()
    rows = [...rows, ...added.rows]
    waterG += added.waterG
    saltG += added.saltG
    stage((Date.parse(added.at) - packedMs) / HOUR_MS, beforeG)
  }
  return stages
}

/** What was put into a jar, g. */
const changesOf = (put: Put, share: number, packedMs: number): { hour: number; massG: number }[] =>
  put.map(({ at, rows, waterG, saltG }) => ({
    hour: (Date.parse(at) - packedMs) / HOUR_MS,
    massG: share * (rows.reduce((sum, { massG }) => sum + massG, 0) + waterG + saltG),
  }))

/** The jar a mark comes from: what was shared over has the bacteria, and the luck, of the jar it was poured from. */
function packedMark(lot: Lot, mark: string): string {
  const from = lot.shares.find((share) => share.mark === mark)?.from
  if (from !== undefined) return packedMark(lot, from)
  const entry = lot.entries.find((one): one is EntryOf<'pack'> => one.kind === 'pack' && one.id === lot.packed?.id)
  return entry?.vessels.some((vessel) => vessel.mark === mark) ? mark : ''
}

/** The true jars of one ferment. */
function jarsOf(run: PracticeRun, book: Book, lot: Lot, untilMs: number, luck: Luck): TrueJar[] {
  const { packed, made } = lot
  if (!packed || made.kind !== 'plan' || styleById(made.style).judgedBy !== 'acid') return []
  const packedMs = Date.parse(packed.at)
  const hours = Math.max(0, Math.ceil((untilMs - packedMs) / HOUR_MS))
  const days = hours / 24 + 1
  // As the fold has them: a jar that was shared stands as two from the start, in the ratio of what went over.
  const { vessels } = packed
  const allG = vessels.reduce((sum, { massG }) => sum + massG, 0) || 1
  const parts = vessels.map(({ mark, massG }): Part => ({ mark, from: packedMark(lot, mark), share: massG / allG }))
  const { lie } = styleById(made.style)
  return vessels.flatMap(({ vesselId, mark, massG }, index): TrueJar[] => {
    const part = parts[index]!
    const { kinds, saltTimes, film, mould } = hiddenOf(run.exercise, lot.code, part.from, luck)
    const saltG = trueSaltOf(lot, saltTimes)
    const put = putInto(lot, part, parts)
    const stages = stagesOf(book, lot, saltG, put, packedMs)
    if (stages.length === 0) return []
    const name = `${lot.code} ${part.from || (lot.shares.length ? 0 : index)}`
    const kind = weakened(luck.pick(`${name} kind`, kinds), stages, luck.share(`${name} weak`))
    const temperature = vesselTemperature(
      run.exercise.places,
      placesOf(lot),
      massG / 1000,
      packedMs,
      untilMs + DAY_MS,
      run.startMs,
    )
    const course = courseOf(stages, temperature, kind, luck.seed(name), days)
    const states = vesselStates(
      {
        ...{ course, temperature, closure: packed.closure, contentG: massG },
        capacityMl: book.library.vessel(vesselId)?.capacityMl ?? massG * 1.3,
        pieces: structureOfLot(book, lot).liquid < 1 && lie !== 'in a bag',
        held: packed.weight !== undefined,
        acts: actsOf(lot, mark, packedMs),
        film: film + 0.5 * luck.normal(`${name} film`),
        mould: mould + 0.5 * luck.normal(`${name} mould`),
        changes: changesOf(put, part.share, packedMs),
      },
      hours,
    )
    return [{ lotId: lot.id, mark, kind, packedMs, course, temperature, states, saltG }]
  })
}

/**
 * The world of a run at a moment. Nothing is looked at that was written later.
 * @param nowMs on or after its first morning.
 */
export function worldOf(run: PracticeRun, nowMs: number): World {
  const until = momentOf(nowMs)
  const book = fold(run.entries.filter(({ at }) => at <= until))
  const luck = luckOf(run.seed)
  const jars = [...book.lots.values()].flatMap((lot) => jarsOf(run, book, lot, nowMs, luck))
  return { run, nowMs, book, jars, luck }
}

/** How a jar stands at a moment. */
export function stateOf({ states, packedMs }: TrueJar, ms: number): VesselState {
  const step = Math.max(0, Math.floor((ms - packedMs) / HOUR_MS / STEP_H))
  return states[Math.min(step, states.length - 1)]!
}
/** When a lot ended, ms: pressed, thrown away, eaten; now where it did not. */
export function endedMs({ book, nowMs }: Pick<World, 'book' | 'nowMs'>, lot: Lot): number {
  if (lot.state === 'fermenting' || lot.state === 'planned') return nowMs
  const ends = [
    ...lot.entries.filter(({ kind }) => kind === 'discard' || kind === 'use').map(({ at }) => Date.parse(at)),
    ...lot.to.map(({ lotId }) => Date.parse(book.lots.get(lotId)?.made.at ?? '')),
  ].filter(Number.isFinite)
  return ends.length ? Math.min(nowMs, Math.max(...ends)) : nowMs
}
/** True pH of a jar at a moment: what its bacteria made, less what film ate. */
export function truePh(jar: TrueJar, ms: number, of: Sampled): number {
  const hour = Math.max(0, (ms - jar.packedMs) / HOUR_MS)
  return jar.course.ph(hour, of) + stateOf(jar, ms).eaten
}
/** Its temperature, °C. */
export const trueC = ({ temperature, packedMs }: TrueJar, ms: number): number =>
  temperatureAt(temperature, Math.max(0, (ms - packedMs) / HOUR_MS))

/** The jar of a lot that a mark names; the first where none does. */
export const jarOf = ({ jars }: World, lotId: string, mark = ''): TrueJar | undefined =>
  jars.find((jar) => jar.lotId === lotId && jar.mark === mark) ?? jars.find((jar) => jar.lotId === lotId)
