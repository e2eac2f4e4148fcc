import { EXERCISE_FORMAT, EXERCISE_VERSION, type ExerciseText } from '../exercise'

/* What a shipped exercise is written with: the same plain steps that stand in an exercise file. */

type Step = ExerciseText['before'][number]
/** What goes in: material, its name, g, and how it was prepared. */
export type Put = readonly [materialId: string, name: string, massG: number, preparation?: string]

const row = ([materialId, name, massG, preparation = 'raw']: Put) => ({
  ...{ materialId, name, massG, preparation, seedsOut: false },
})

/** A jar that was packed before the first morning. */
export interface Packed {
  code: string
  name: string
  color: string
  day: number
  rows: readonly Put[]
  saltPct: number
  style?: string
  waterG?: number
  /** Salt that is meant, g; worked out from the percent where it is not said. */
  saltG?: number
  place?: string
  closure?: string
  weight?: string
  vesselId?: string
  marks?: readonly string[]
  targetPh?: number
  more?: object
}

/** Plan and packing of a lot; its id is `$` and its code. */
export function packed(jar: Packed): Step[] {
  const { code, name, color, day, rows, saltPct, style = 'mash', waterG = 0, marks = [''] } = jar
  const produceG = rows.reduce((sum, [, , massG]) => sum + massG, 0)
  const saltG = jar.saltG ?? Math.round((saltPct / 100) * (produceG + waterG))
  const lotId = `$${code}`
  const massG = Math.round((produceG + waterG + saltG) / marks.length)
  const vessels = marks.map((mark) => ({ vesselId: jar.vesselId ?? 'jar-3000', mark, massG, hot: false }))
  return [
    {
      day,
      entry: {
        ...{ kind: 'plan', lotId, code, name, color, style, waterG, saltG, saltPct, saltId: 'fine-sea' },
        ...{ saltBasis: waterG ? 'everything' : 'ingredients', targetPh: jar.targetPh ?? 3.8, rows: rows.map(row) },
        ...jar.more,
      },
    },
    {
      day,
      entry: {
        ...{ kind: 'pack', lotId, place: jar.place ?? 'Bench', closure: jar.closure ?? 'airlock', vessels },
        ...(jar.weight && { weight: jar.weight }),
      },
    },
    { day, entry: { kind: 'reading', lotId, tempC: 21 } },
  ]
}

/** A pH that was read then, as the instrument of the exercise showed it. */
export const read = (code: string, day: number, sample: 'liquid' | 'blended' = 'blended', mark?: string): Step => ({
  day,
  read: { of: code, sample, ...(mark !== undefined && { mark }) },
})

/** A base pressed out of a lot: nothing but pulp and a little loss beside it; its id is `$` and its code. */
export const pressed = (of: string, code: string, name: string, color: string, day: number, inG: number): Step => ({
  day,
  entry: {
    ...{ kind: 'press', lotId: `$${code}`, code, name, color, fromLotId: `$${of}`, method: 'sieve' },
    ...{ inG, baseG: Math.round(0.84 * inG), pulpG: Math.round(0.15 * inG), seedsG: 0 },
  },
})

/** A ferment that went as it should, read and pressed. */
export const pressedBase = (jar: Packed, baseCode: string, inG: number): Step[] => [
  ...packed(jar),
  read(jar.code, jar.day + 1),
  read(jar.code, jar.day + 2),
  read(jar.code, jar.day + 3),
  read(jar.code, jar.day + 11),
  read(jar.code, jar.day + 13),
  pressed(jar.code, baseCode, `${jar.name} base`, jar.color, jar.day + 13.1, inG),
]

/** An exercise with what all of them say. */
export const exercise = (text: Omit<ExerciseText, 'format' | 'version'>): ExerciseText => ({
  format: EXERCISE_FORMAT,
  version: EXERCISE_VERSION,
  ...text,
})

/** Where things stand in the loft; what is cold stands in the fridge. */
export const BENCH = { name: 'Bench', tempC: 21, swingC: 1.5 }
export const COLD_CORNER = { name: 'Cold corner', tempC: 13, swingC: 0.5 }
export const WARM_SHELF = { name: 'Warm shelf', tempC: 23, swingC: 1 }
export const FRIDGE = { name: 'Fridge', tempC: 4, swingC: 0 }
export const PLACES = [BENCH, COLD_CORNER, WARM_SHELF, FRIDGE]

export const POCKET = { sour: 'pocket meter', scale: true } as const
