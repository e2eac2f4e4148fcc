import {
  compositionOf,
  fold,
  FORMATS,
  ingredientsOf,
  labelBasis,
  ofMass,
  propertiesOf,
  suppliesFor,
  wayOf,
  withCheck,
  type Entry,
  type EntryOf,
} from '@lactofer/core'
import type { Diary } from './diary'

/** A run of bottles in the diary; everything else follows from it and from core. */
export interface DiaryRun {
  code: string
  name: string
  color: string
  daysAgo: number
  bottleMl: number
  count: number
  treatment: EntryOf<'bottle'>['treatment']
  retained: number
  place: string
  netG?: number[]
}

/** The loft's bottles and what it has of everything that goes with them. Few bands are left. */
export function packaging(diary: Diary): void {
  for (const { id, ...format } of FORMATS.filter(({ id }) => id === 'b150' || id === 'b250'))
    diary.write({
      kind: 'format',
      at: diary.at(120),
      formatId: id,
      ...format,
      name: id === 'b150' ? '150 mL round' : '250 mL tall',
    })
  const there: [item: EntryOf<'supply'>['item'], fits: string, count: number][] = [
    ['bottle', 'b150', 240],
    ['bottle', 'b250', 48],
    ['insert', '24 mm', 300],
    ['cap', '24 mm', 310],
    ['cap', '31 mm', 60],
    ['band', 'b150', 75],
    ['band', 'b250', 40],
    ['label', 'b150', 120],
    ['label', 'b250', 60],
  ]
  for (const [item, fits, count] of there)
    diary.write({ kind: 'supply', at: diary.at(70), item, fits, what: 'counted', count }, 'Cellar')
}

/** The pot came up, simmered and was filled: one reading a minute, then the last bottle. */
export function cooked(diary: Diary, lotId: string, daysAgo: number): void {
  const points = Array.from({ length: 34 }, (_, minute): [number, number] => [
    minute,
    Math.round(
      (minute < 14 ? 22 + 5.2 * minute : minute < 28 ? 93.4 + Math.sin(minute) * 0.7 : 93.4 - 0.8 * (minute - 27)) * 10,
    ) / 10,
  ])
  diary.write({ kind: 'heat', at: diary.at(daysAgo), lotId, where: 'pot', name: 'thermometer', points })
  diary.write({
    kind: 'heat',
    at: diary.at(daysAgo - 0.03),
    lotId,
    where: 'last bottle',
    name: 'thermometer',
    points: [
      [0, 86.2],
      [1, 85.6],
      [2, 84.9],
    ],
  })
}

/** Fills a run from a blend; the mass follows from the blend's density. Returns the bottled lot. */
export function bottle(diary: Diary, fromLotId: string, run: DiaryRun): string {
  const composition = compositionOf(fold(diary.entries), fromLotId)
  const density = composition ? propertiesOf(ofMass(composition, 1000)).densityGPerMl : 1
  const { daysAgo, ...rest } = run
  const format = FORMATS.find(({ fillMl }) => fillMl === run.bottleMl)
  const lotId = diary.lotId(daysAgo)
  diary.write(
    {
      kind: 'bottle',
      at: diary.at(daysAgo),
      lotId,
      fromLotId,
      ...rest,
      code: withCheck(run.code),
      usedG: Math.round(rest.count * rest.bottleMl * density),
      store: wayOf(run.treatment).store,
      bestBefore: diary.at(daysAgo - (rest.treatment === 'live-cold' ? 180 : 365)).slice(0, 10),
      ...(format && { formatId: format.id, supplies: suppliesFor(format, rest.count) }),
      ...(run.treatment === 'live-cold' && { testBottle: true }),
    },
    'Cellar',
  )
  return lotId
}

/** Labels as they were printed, resting on what was in the log then. */
export function printed(diary: Diary, lotId: string, daysAgo: number, count: number): void {
  const book = fold(diary.entries)
  const basis = labelBasis(ingredientsOf(book, lotId))
  const bottled = diary.entries.find((entry: Entry) => entry.kind === 'bottle' && entry.lotId === lotId)
  diary.write({
    kind: 'printed',
    at: diary.at(daysAgo),
    lotId,
    count,
    size: 'A4, 10 of 99 × 57 mm',
    text: `${bottled?.kind === 'bottle' ? bottled.name : ''}\nIngredients: ${basis}`,
    basis,
  })
}
