import type { SenseQuestion } from '../ferment/senses'
import { photosOf, type Entry } from '../log/entry'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'

import { DAY_MS } from '../units/time'
import { phsOf, type PhFact } from '../makeup/acidity'
import { looksOf } from '../makeup/sensed'
import { readTemperatures } from '../makeup/temperature'

/** What one day of a lot holds, from packing on: read, seen, tasted, pictured, done. */
export interface LotDay {
  acidity: PhFact[]
  /** Mean of what was read, °C; `null` where nobody did. */
  tempC: number | null
  /** The newest answer to each question. */
  seen: Partial<Record<SenseQuestion, number>>
  photos: string[]
  /** Signs, chores, what was put in and decided. */
  done: Entry[]
  /** Readings with a taste in words. */
  tasted: Entry[]
}

const DONE: readonly Entry['kind'][] = ['sign', 'chore', 'add', 'overflow', 'share', 'decide', 'discard', 'use']

/** A day of a lot, counted from packing. @param day 0 is the day it was packed. */
export function dayOfLot(book: Book, lot: Lot, day: number): LotDay {
  const fromMs = lot.startedMs + day * DAY_MS
  const within = (atMs: number) => atMs >= fromMs && atMs < fromMs + DAY_MS
  const entries = lot.entries.filter(({ at }) => within(Date.parse(at)))
  const temps = readTemperatures(lot).filter(({ atMs }) => within(atMs))
  const looks = looksOf(lot).filter(({ atMs }) => within(atMs))
  return {
    acidity: phsOf(book, lot).filter(({ atMs }) => within(atMs)),
    tempC: temps.length ? temps.reduce((sum, { tempC }) => sum + tempC, 0) / temps.length : null,
    seen: Object.fromEntries(looks.map(({ question, step }) => [question, step])),
    photos: entries.flatMap(photosOf),
    done: entries.filter(({ kind }) => DONE.includes(kind)),
    tasted: entries.filter((entry) => entry.kind === 'reading' && entry.taste !== undefined),
  }
}

const isEmpty = ({ acidity, tempC, seen, photos, done, tasted }: LotDay) =>
  acidity.length + photos.length + done.length + tasted.length + Object.keys(seen).length === 0 && tempC === null

/** No comparison is longer. */
const MOST_DAYS = 400

/** The days on which anything is known of any of these lots, side by side. */
export function daysOf(book: Book, lots: readonly Lot[]): { day: number; of: LotDay[] }[] {
  const lastOf = ({ entries, startedMs }: Lot) =>
    Math.max(0, ...entries.map(({ at }) => Math.floor((Date.parse(at) - startedMs) / DAY_MS)))
  const last = Math.min(MOST_DAYS, Math.max(0, ...lots.map(lastOf)))
  return Array.from({ length: last + 1 }, (_, day) => ({
    day,
    of: lots.map((lot) => dayOfLot(book, lot, day)),
  })).filter(({ of }) => !of.every(isEmpty))
}

/** Something that showed in both lots, or in one, and the day it first did; `null` where it never did. */
export interface FirstSeen {
  what: 'bubbles' | 'milky' | 'sour' | 'very sour' | 'calm' | 'film'
  days: readonly [number | null, number | null]
}

/** Sourness from which it tastes sour, and very sour; cloud from which the liquid is milky. */
const SOUR = 2
const VERY_SOUR = 3
const MILKY = 2

/** What differs by eye and tongue: the day each thing first showed, where the days are not the same. */
export function firstSeen(a: Lot, b: Lot): FirstSeen[] {
  const dayAt = (lot: Lot, atMs: number) => Math.max(0, Math.floor((atMs - lot.startedMs) / DAY_MS))
  const look = (lot: Lot, of: SenseQuestion, least: number) => {
    const first = looksOf(lot).find(({ question, step }) => question === of && step >= least)
    return first ? dayAt(lot, first.atMs) : null
  }
  const sign = (lot: Lot, of: string) => {
    const first = lot.signs.find((one) => one.sign === of)
    return first ? dayAt(lot, Date.parse(first.at)) : null
  }
  const either = (one: number | null, other: number | null) =>
    one === null ? other : other === null ? one : Math.min(one, other)
  const both = (what: FirstSeen['what'], dayOf: (lot: Lot) => number | null): FirstSeen => ({
    what,
    days: [dayOf(a), dayOf(b)],
  })
  return [
    both('bubbles', (lot) => either(look(lot, 'bubbles', 1), sign(lot, 'bubbles'))),
    both('milky', (lot) => look(lot, 'cloud', MILKY)),
    both('sour', (lot) => look(lot, 'sour', SOUR)),
    both('very sour', (lot) => look(lot, 'sour', VERY_SOUR)),
    both('calm', (lot) => sign(lot, 'calm')),
    both('film', (lot) => sign(lot, 'white film')),
  ].filter(({ days: [one, other] }) => one !== other)
}
