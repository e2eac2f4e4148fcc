import { mixturePh } from '../acid/mixture'
import { phBand } from '../blend/forecast'
import { mix } from '../composition/composition'
import { rawShare, startCountLog10 } from '../ferment/rawShare'
import { momentOf } from '../flow'
import type { Row } from '../log/contents'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import type { PhFact } from '../makeup/acidity'
import { livingRows } from '../makeup/livingRows'
import { contentParts, portionComposition } from '../makeup/lotComposition'

/** Something that was put in: when, whether it could raise the pH, what the mixture works out to, at most. */
export interface Addition {
  atMs: number
  raises: boolean
  /** It brings something alive along; share of all produce until then that is raw, percent. */
  lives: boolean
  rawPct: number | null
  upperPh: number | null
}

/** What is put in raises the pH where its own lies this far above: less is not told apart. Judgement. */
const SAME_PH = 0.02

/** Rows with the amounts of one thing added up. */
function sumSame(rows: readonly Row[]): Row[] {
  const found = new Map<string, Row>()
  for (const { massG, ...thing } of rows) {
    const key = JSON.stringify(thing)
    found.set(key, { ...thing, massG: massG + (found.get(key)?.massG ?? 0) })
  }
  return [...found.values()]
}

/** Additions with those of one moment as one. */
function sumMoments(added: Lot['added']): Lot['added'] {
  const byTime = new Map<string, Lot['added'][number]>()
  for (const entry of added) {
    const there = byTime.get(entry.at)
    byTime.set(entry.at, {
      ...(there ?? entry),
      rows: sumSame([...(there?.rows ?? []), ...entry.rows]),
      waterG: (there?.waterG ?? 0) + entry.waterG,
      saltG: (there?.saltG ?? 0) + entry.saltG,
    })
  }
  return [...byTime.values()]
}

/** Everything that was put into a lot, or into some jars of it, in order. @param acidity its pH readings. */
export function additionsOf(book: Book, lot: Lot, acidity: readonly PhFact[]): Addition[] {
  const rows = lot.made.kind === 'plan' ? [...livingRows(book, (lot.weighed ?? lot.made).rows)] : []
  return sumMoments(lot.added).map((added) => {
    const atMs = Date.parse(added.at)
    const more = livingRows(book, added.rows)
    rows.push(...more)
    const raw = rawShare(rows)
    const living = { lives: startCountLog10(more, 1000) !== null, rawPct: raw === null ? null : 100 * raw }
    const parts = contentParts(book, added, momentOf(added))
    const before = portionComposition(book, lot, momentOf(added))
    if (!parts || !before) return { atMs, raises: true, ...living, upperPh: null }
    const ownPh = mixturePh(mix(parts.map(({ composition }) => composition)))
    const lotPh = acidity.findLast((fact) => fact.atMs < atMs)?.ph ?? mixturePh(before)
    const onlySalt = added.rows.length === 0 && added.waterG === 0
    const raises = !onlySalt && (ownPh === null || lotPh === null || ownPh > lotPh + SAME_PH)
    const band = phBand([before, ...parts.map(({ composition }) => composition)])
    return { atMs, raises, ...living, upperPh: band?.high ?? null }
  })
}
