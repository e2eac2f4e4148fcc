import { z } from 'zod'
import { InvalidInput, planFigures, RowSchema, type Book, type Lot, type PlanFigures, type Row } from '@lactofer/core'
import { nowMs } from '~/clock/clock'

/** A jar of a split: what it takes of the bowl, what it gets besides, how salt it shall be, and its vessel. */
export const JarSchema = z.object({
  key: z.string(),
  name: z.string(),
  code: z.string(),
  bowlG: z.number().nullable(),
  rows: z.array(RowSchema.extend({ key: z.string(), massG: z.number().nullable() })),
  saltPct: z.number().nullable(),
  vesselId: z.string(),
  hot: z.boolean(),
})
export type Jar = z.infer<typeof JarSchema>
export const SplitSchema = z.object({ jars: z.array(JarSchema).max(20), place: z.string() })
export type SplitForm = z.infer<typeof SplitSchema>

let keys = 0
/** A jar that is still empty. */
export const freshJar = (name: string, code: string, bowlG: number | null, vesselId: string): Jar => ({
  key: `j${nowMs().toString(36)}${keys++}`,
  name,
  code,
  bowlG,
  rows: [],
  saltPct: null,
  vesselId,
  hot: false,
})

/** Rows of a jar as the log keeps them: its share of the bowl first. */
export function jarRows(jar: Jar, bowl: Lot): Row[] {
  return [
    { materialId: 'lot', lotId: bowl.id, name: bowl.name, massG: jar.bowlG ?? 0, preparation: 'raw', seedsOut: false },
    ...jar.rows.flatMap(({ key: _key, ...row }) => (row.massG ? [{ ...row, massG: row.massG }] : [])),
  ]
}

/** What a jar comes to; `null` while it has no weight, a sentence when it cannot be. */
export function jarResults(
  jar: Jar,
  bowl: Lot,
  book: Book,
  bowlSaltPct: number,
): { figures: PlanFigures; problem: null } | { figures: null; problem: string } | null {
  if (bowl.made.kind !== 'plan' || !jar.bowlG || jar.bowlG <= 0) return null
  const unsalted = jar.rows.length === 0 && jar.saltPct === null
  try {
    // A jar that gets nothing besides keeps the bowl's salt to the last digit.
    const figures = planFigures(book, {
      style: bowl.made.style,
      rows: jarRows(jar, bowl),
      waterG: 0,
      saltPct: unsalted ? 0 : (jar.saltPct ?? bowlSaltPct),
      saltBasis: 'everything',
    })
    return figures ? { figures, problem: null } : { figures: null, problem: 'The bowl is no longer in the log.' }
  } catch (error) {
    if (error instanceof InvalidInput) return { figures: null, problem: error.message }
    throw error
  }
}
