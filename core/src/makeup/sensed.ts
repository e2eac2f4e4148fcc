import { lacticToReach, titratableOf } from '../acid/mixture'
import { MILLIEQUIVALENT_G } from '../acid/titration'
import {
  ANY_OFFSET,
  offsetFrom,
  sourFigure,
  SENSE_QUESTIONS,
  type Offset,
  type Sensed,
  type SenseQuestion,
} from '../ferment/senses'
import type { Book, LeftBehind } from '../lots/fold'
import type { Lot } from '../log/lot'
import { HOUR_MS } from '../units/time'
import { packedComposition } from './lotComposition'
import { measuredPhs } from './measuredPh'
import { ofAllLots } from './temperature'

/** One answer of somebody to one question, by eye or tongue. */
export interface Look {
  atMs: number
  by: string
  question: SenseQuestion
  step: number
  /** Jars it is of; none named: all of them. */
  marks: readonly string[]
}

/** What was seen and tasted of a lot, in order: answers, and how sour a reading's taste was. */
export function looksOf(lot: Pick<Lot, 'senses' | 'readings'>): Look[] {
  const seen = lot.senses.flatMap(({ at, by, seen: steps, marks = [] }) =>
    SENSE_QUESTIONS.flatMap((question): Look[] => {
      const step = steps[question]
      return step === undefined ? [] : [{ atMs: Date.parse(at), by, question, step, marks }]
    }),
  )
  const tasted = lot.readings.flatMap(({ at, by, taste, marks = [] }): Look[] =>
    taste?.sour === undefined ? [] : [{ atMs: Date.parse(at), by, question: 'sour', step: taste.sour, marks }],
  )
  return [...seen, ...tasted].sort((a, b) => a.atMs - b.atMs)
}

/** A taste and a pH nearer than this are of one moment, h. Judgement. */
const TOGETHER_H = 12

/** Pairs of taste and pH of a lot. Its acid is that of its mixture, and lactic down to the pH. */
export function tastesBesidePh(book: Book, lot: Lot): LeftBehind['tastes'] {
  // Most lots were never tasted: that is seen at a glance.
  if (lot.senses.length === 0 && !lot.readings.some(({ taste }) => taste)) return []
  const phs = measuredPhs(lot)
  if (phs.length === 0) return []
  const tastes = looksOf(lot).filter(({ question }) => question === 'sour')
  const packed = tastes.length ? packedComposition(book, lot) : null
  const atFirst = packed && titratableOf(packed)
  if (!packed || !atFirst) return []
  return tastes.flatMap(({ atMs, by, step }) => {
    const read = phs.find((one) => Math.abs(one.atMs - atMs) <= TOGETHER_H * HOUR_MS)
    if (!read) return []
    const acidPct = ((atFirst.mmol + lacticToReach(read.ph, packed)) * MILLIEQUIVALENT_G.lactic * 100) / packed.massG
    return [[by, sourFigure(acidPct), step] as const]
  })
}

/** Pairs of every lot of a book, worked out once. */
const kept = new WeakMap<Book, readonly (readonly [string, LeftBehind['tastes']])[]>()
function allPairs(book: Book) {
  let all = kept.get(book)
  if (!all) {
    all = ofAllLots(
      book,
      (lot) => tastesBesidePh(book, lot),
      ({ tastes }) => tastes,
    )
    kept.set(book, all)
  }
  return all
}

/**
 * How much higher than the scale somebody says sour is, learned from lots where a pH was read with the taste.
 * @param except a lot that is left out: what is read of it weighs by itself.
 */
export function tongueOf(book: Book, by: string, except?: string): { offset: Offset; pairs: number } {
  const known = allPairs(book).flatMap(([lotId, tastes]) =>
    lotId === except ? [] : tastes.flatMap(([who, figure, step]) => (who === by ? [{ figure, step }] : [])),
  )
  return { offset: offsetFrom('sour', known), pairs: known.length }
}

/**
 * The jar of a lot in several whose looks are followed: of those looked at by their mark the one that tasted least
 * sour last, else bubbled least. `null` where all that was seen is of one thing.
 */
function mildestJar({ vessels }: Lot, looks: readonly Look[]): string | null {
  if (vessels.length < 2) return null
  for (const asked of ['sour', 'bubbles'] as const) {
    const newest = vessels.flatMap(({ mark }) => {
      const last = looks.findLast(({ question, marks }) => question === asked && marks.includes(mark))
      return last ? [{ mark, step: last.step }] : []
    })
    const least = Math.min(...newest.map(({ step }) => step))
    const mildest = newest.find(({ step }) => step === least)
    if (mildest) return mildest.mark
  }
  return null
}

/** What was sensed of a lot as the forecast weighs it: one person's answers to one question together. */
export function sensedOf(book: Book, lot: Lot, packedMs: number): Sensed[] {
  const all = looksOf(lot)
  const jar = mildestJar(lot, all)
  const looks = all.filter(({ marks }) => jar === null || marks.length === 0 || marks.includes(jar))
  const people = [...new Set(looks.map(({ by }) => by))]
  return people.flatMap((by) =>
    SENSE_QUESTIONS.flatMap((question): Sensed[] => {
      const seen = looks
        .filter((look) => look.by === by && look.question === question)
        .map(({ atMs, step }) => ({ hour: (atMs - packedMs) / HOUR_MS, step }))
      if (seen.length === 0) return []
      return [{ question, seen, offset: question === 'sour' ? tongueOf(book, by, lot.id).offset : ANY_OFFSET }]
    }),
  )
}
