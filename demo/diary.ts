import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import {
  DAY_MS,
  EntrySchema,
  idMaker,
  materialById,
  momentOf,
  saltDose,
  styleById,
  type Draft,
  type Entry,
  type Instrument,
  type Preparation,
  type SaltBasis,
  type StyleId,
} from '@lactofer/core'

/** A row as the diary writes it: material, grams, how it was prepared. */
export type DiaryRow = readonly [materialId: string, massG: number, preparation?: Preparation]

/** Three growers bring what goes into the jars. */
const GROWERS = ['Upper Terrace', 'Glasshouse by the lock', 'Strand allotments'] as const

/** What starts a ferment in the diary. Salt is worked out by core from the strength. */
export interface Start {
  code: string
  name: string
  color: string
  style: StyleId
  day: number
  rows: readonly DiaryRow[]
  saltPct: number
  basis?: SaltBasis
  waterG?: number
  place: string
  vesselId: string
  marks?: readonly string[]
  hot?: readonly string[]
  targetPh?: number
  recipeId?: string
}

/**
 * Writes the invented makers' log: every entry goes through the same schema as the maker's own.
 * Seeded, so the same day gives the same log.
 */
export class Diary {
  readonly entries: Entry[] = []
  private readonly makeId: (atMs: number) => string

  constructor(private readonly todayMs: number) {
    const generator = xoroshiro128plus(1704)
    this.makeId = idMaker(() => uniformFloat64(generator))
  }

  /** A moment `daysAgo` before the demo's today (fractions are hours). */
  at(daysAgo: number): string {
    return momentOf(this.todayMs - Math.round(daysAgo * DAY_MS))
  }

  /** Marks of the jars of lots in several. */
  private readonly jars = new Map<string, readonly string[]>()

  /** A fresh id for a lot that starts `daysAgo`. */
  lotId(daysAgo: number): string {
    return this.makeId(this.todayMs - daysAgo * DAY_MS)
  }

  /** Writes one entry and returns its id. */
  write(draft: Draft, by: 'Bench' | 'Cellar' = 'Bench'): string {
    const id = this.makeId(Date.parse(draft.at))
    this.entries.push(EntrySchema.parse({ ...draft, id, by, origin: 'demo' }))
    return id
  }

  /** The loft's meter, calibrated some hours before. */
  meter(daysAgo: number, hoursBefore = 6): Instrument {
    return { name: 'pH meter', steady: true, calibratedAt: this.at(daysAgo + hoursBefore / 24), slopePct: 97 }
  }

  /** Plans and packs a ferment; returns its lot id. */
  start({
    code,
    name,
    color,
    style: styleId,
    day,
    rows,
    saltPct,
    basis,
    waterG = 0,
    place,
    vesselId,
    marks = [''],
    hot = [],
    targetPh = 3.8,
    recipeId,
  }: Start): string {
    const style = styleById(styleId)
    const lotId = this.lotId(day)
    if (marks.length > 1) this.jars.set(lotId, marks)
    const ingredientG = rows.reduce((sum, [, massG]) => sum + massG, 0)
    const saltBasis = basis ?? style.basis
    const { saltG } = saltDose(saltBasis, saltPct, { ingredientG, waterG })
    this.write({
      kind: 'plan',
      at: this.at(day + 0.05),
      lotId,
      code,
      name,
      color,
      style: styleId,
      waterG,
      saltG: Math.round(saltG * 10) / 10,
      saltId: 'fine-sea',
      saltBasis,
      saltPct,
      targetPh,
      ...(recipeId && { recipeId }),
      rows: rows.map(([materialId, massG, preparation = 'raw']) => ({
        materialId,
        name: materialById(materialId)?.name ?? materialId,
        massG,
        preparation,
        seedsOut: false,
        grower: GROWERS[(rows.findIndex(([id]) => id === materialId) + Math.round(day)) % GROWERS.length],
      })),
    })
    const each = (ingredientG + waterG + saltG) / marks.length
    // A quarter of an hour on top, so that "day 12" is day 12 all day.
    this.write({
      kind: 'pack',
      at: this.at(day + 0.01),
      lotId,
      place,
      closure: style.closures[0] ?? 'airlock',
      vessels: marks.map((mark) => ({ vesselId, mark, massG: Math.round(each), hot: hot.includes(mark) })),
    })
    return lotId
  }

  /** Readings as [days ago, pH, °C]; a missing pH is a temperature alone. */
  read(lotId: string, readings: readonly (readonly [daysAgo: number, ph: number | null, tempC: number])[]): void {
    for (const [daysAgo, ph, tempC] of readings) {
      this.write({
        kind: 'reading',
        at: this.at(daysAgo),
        lotId,
        tempC,
        // Of several jars a sample is mixed of all of them.
        ...(ph !== null && { ph, instrument: this.meter(daysAgo), marks: [...(this.jars.get(lotId) ?? [])] }),
      })
    }
  }
}
