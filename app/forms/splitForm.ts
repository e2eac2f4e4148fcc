import { z } from '@lactofer/core'
import {
  between,
  BetweenSchema,
  CLOSURE_NAMES,
  exactly,
  InvalidInput,
  NOT_BY_EYE,
  planFigures,
  readSalt,
  RowSchema,
  saltOfDose,
  styleById,
  type Book,
  type Draft,
  type EntryOf,
  type Closure,
  type Lot,
  type PlanFigures,
  type Range,
  type Row,
  type StyleId,
  type VesselKind,
} from '@lactofer/core'
import { nowMs } from '~/clock/clock'

/** A jar of a split: what it takes of the bowl, what it gets besides, how salt it shall be, and its vessel. */
export const JarSchema = z.object({
  key: z.string(),
  name: z.string(),
  code: z.string(),
  bowlG: z.number().nullable(),
  rows: z.array(RowSchema.extend({ key: z.string(), massG: z.number().nullable(), typed: z.string().optional() })),
  waterG: z.number().nullable().default(0),
  waterSaid: z.string().optional(),
  waterBetweenG: BetweenSchema.optional(),
  saltPct: z.number().nullable(),
  /** Salt of its own, otherwise than by percent, in the maker's words. */
  saltSaid: z.string().default(''),
  closure: z.enum(CLOSURE_NAMES).nullable().default(null),
  called: z.string().default(''),
  vesselId: z.string(),
  hot: z.boolean(),
})
export type Jar = z.infer<typeof JarSchema>
/** What becomes of what is left in the bowl. */
export const LEFT_OVER = ['packed later', 'eaten fresh', 'kept unfermented', 'thrown away'] as const
export const SplitSchema = z.object({
  jars: z.array(JarSchema).max(20),
  place: z.string(),
  left: z.enum(LEFT_OVER).default('packed later'),
})
export type SplitForm = z.infer<typeof SplitSchema>

let keys = 0
/** A jar that is still empty. */
export const freshJar = (name: string, code: string, bowlG: number | null, vesselId: string): Jar => ({
  key: `j${nowMs().toString(36)}${keys++}`,
  name,
  code,
  bowlG,
  rows: [],
  waterG: 0,
  saltPct: null,
  saltSaid: '',
  closure: null,
  called: '',
  vesselId,
  hot: false,
})

/** Rows of a jar as the log keeps them: its share of the bowl first. */
export function jarRows(jar: Jar, bowl: Lot): Row[] {
  return [
    { materialId: 'lot', lotId: bowl.id, name: bowl.name, massG: jar.bowlG ?? 0, preparation: 'raw', seedsOut: false },
    ...jar.rows.flatMap(({ key: _key, typed: _typed, ...row }) => (row.massG ? [{ ...row, massG: row.massG }] : [])),
  ]
}

/** The closure of a jar where none was chosen: the vessel's own where the style takes it, else the usual one. */
export function jarClosure(style: StyleId, vessel: VesselKind | undefined): Closure {
  const { closures } = styleById(style)
  return vessel && closures.includes(vessel.closure) ? vessel.closure : (closures[0] ?? 'loose lid')
}

/** Under so much salt a bowl is unsalted, percent: what is there is the produce's own. */
const UNSALTED_PCT = 0.3
export const isUnsalted = (bowlSaltPct: number): boolean => bowlSaltPct < UNSALTED_PCT

/** Salt a jar gets by itself, g; `undefined` where it was said as a percentage. @throws InvalidInput */
function ownSalt(jar: Jar, book: Book, saltId: string): Range | undefined {
  if (!jar.saltSaid) return undefined
  const said = readSalt(jar.saltSaid, book.library.salts, saltId)
  if (said.kind === 'by eye') throw new InvalidInput(NOT_BY_EYE)
  return said.kind === 'percent'
    ? undefined
    : saltOfDose(said, { jars: 1, waterG: between(jar.waterG ?? 0, jar.waterBetweenG), produceCups: exactly(0) })
}

/** What a jar comes to; `null` while it has no weight, a sentence when it cannot be. */
export function jarResults(
  jar: Jar,
  bowl: Lot,
  book: Book,
  bowlSaltPct: number,
): { figures: PlanFigures; salted: Range | undefined; problem: null } | { figures: null; problem: string } | null {
  if (bowl.made.kind !== 'plan' || !jar.bowlG || jar.bowlG <= 0 || jar.waterG === null) return null
  if (isUnsalted(bowlSaltPct) && jar.saltPct === null && !jar.saltSaid && styleById(bowl.made.style).saltPct)
    return { figures: null, problem: 'The bowl is unsalted. Say how much salt this jar gets.' }
  const untouched = jar.rows.length === 0 && jar.saltPct === null && jar.waterG === 0
  try {
    const salted = ownSalt(jar, book, bowl.made.saltId)
    // A jar that gets nothing besides keeps the bowl's salt to the last digit.
    const figures = planFigures(book, {
      style: bowl.made.style,
      rows: jarRows(jar, bowl),
      waterG: jar.waterG,
      waterBetweenG: jar.waterG > 0 ? jar.waterBetweenG : undefined,
      saltPct: untouched ? 0 : (jar.saltPct ?? bowlSaltPct),
      saltBasis: 'everything',
      salted,
    })
    return figures
      ? { figures, salted, problem: null }
      : { figures: null, problem: 'The bowl is no longer in the log.' }
  } catch (error) {
    if (error instanceof InvalidInput) return { figures: null, problem: error.message }
    throw error
  }
}

/** A jar as it goes into the log: a lot of its own, packed at once. */
export function jarDrafts(
  jar: Jar,
  { figures, salted }: { figures: PlanFigures; salted: Range | undefined },
  of: {
    at: string
    lotId: string
    from: Lot
    base: EntryOf<'plan'>
    vessel: VesselKind | undefined
    place: string
  },
): Draft[] {
  const { at, lotId, from, base, vessel } = of
  const watered = (jar.waterG ?? 0) > 0
  return [
    {
      kind: 'plan',
      ...{ at, lotId, code: jar.code.trim(), name: jar.name.trim(), color: from.color, style: base.style },
      rows: jarRows(jar, from),
      waterG: jar.waterG ?? 0,
      ...(watered && jar.waterSaid && { waterSaid: jar.waterSaid }),
      ...(watered && jar.waterBetweenG && { waterBetweenG: jar.waterBetweenG }),
      saltG: Math.round(figures.dose.saltG * 10) / 10,
      ...(salted && { saltSaid: jar.saltSaid }),
      ...(salted && salted.low < salted.high && { saltBetweenG: { low: salted.low, high: salted.high } }),
      saltId: base.saltId,
      saltBasis: 'everything',
      saltPct: Math.round(figures.dose.ofEverythingPct * 100) / 100,
      targetPh: base.targetPh,
    },
    {
      ...{ kind: 'pack', at, lotId, place: of.place.trim(), closure: jar.closure ?? jarClosure(base.style, vessel) },
      ...(jar.called.trim() && { called: jar.called.trim() }),
      vessels: [
        {
          ...{ vesselId: jar.vesselId, mark: '', massG: figures.composition.massG, hot: jar.hot },
          ...(vessel?.tareG !== undefined && { tareG: vessel.tareG }),
        },
      ],
    },
  ]
}

/** What becomes of what is in no jar: it ends there, unless it is packed later. */
export function leftDraft(left: SplitForm['left'], leftG: number, lotId: string, at: string): Draft | null {
  const massG = Math.round(leftG * 10) / 10
  return massG < 1 || left === 'packed later' ? null : { kind: 'use', at, lotId, massG, how: 'used', to: left }
}
