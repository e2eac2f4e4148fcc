import { z } from 'zod'
import { PREPARATIONS } from '../composition/ingredient'
import { IdSchema, massG, name, PhSchema } from './entryParts'

/* What goes into a vessel, a bowl or a pot, and what it is put in. */

/** What the maker knows of one amount of a material, over what the library says. */
export const known = {
  ph: PhSchema.optional(),
  /** Of a vinegar, percent acetic acid. */
  strengthPct: z.number().min(1).max(80).optional(),
  /** Of water, mmol/L: what its carbonates take of an acid. */
  alkalinity: z.number().min(0).max(20).optional(),
}

/**
 * A weighed row of a plan: a material, or part of a lot in stock (`lotId`: a kept brine, a bowl that is split).
 * `massG` is what goes in the vessel; `boughtG` what it was before trimming; `said` how the maker put it ("2 cups").
 */
export const RowSchema = z.object({
  materialId: z.string().min(1).max(60),
  name,
  massG: massG.positive('Weigh it in, or take the row out.'),
  preparation: z.enum(PREPARATIONS),
  seedsOut: z.boolean(),
  lotId: IdSchema.optional(),
  boughtG: massG.optional(),
  grower: z.string().trim().max(80).optional(),
  said: z.string().trim().max(40).optional(),
  pricePerKg: z.number().min(0).max(100_000).optional(),
  ...known,
})
export type Row = z.infer<typeof RowSchema>

/** A vessel in use: what it is, what is in it, what it weighs empty, and its mark on the tape ("a", "b"). */
export const VesselUseSchema = z.object({
  vesselId: z.string().min(1).max(60),
  mark: z.string().max(4),
  massG,
  hot: z.boolean(),
  tareG: massG.optional(),
})

export const salting = {
  saltId: z.string().max(60),
  saltBasis: z.enum(['ingredients', 'water', 'brine', 'everything']),
  saltPct: z.number().min(0).max(60),
  targetPh: z.number().min(2.5).max(4.2),
}

/** What goes into a vessel, or into a bowl. */
export const content = {
  rows: z.array(RowSchema).min(1, 'Weigh in at least one ingredient.').max(60),
  waterG: massG,
  saltG: massG,
}

/** One part of a blend: a lot from stock, or a material off the shelf with what is known of it. */
export const PartSchema = z
  .object({
    lotId: IdSchema.optional(),
    materialId: z.string().max(60).optional(),
    name,
    massG: massG.positive(),
    preparation: z.enum(PREPARATIONS).optional(),
    ...known,
  })
  .refine((part) => (part.lotId === undefined) !== (part.materialId === undefined), 'A part is a lot or a material.')

/** Grams of a content. */
export const contentG = ({ rows, waterG, saltG }: { rows: readonly Row[]; waterG: number; saltG: number }): number =>
  rows.reduce((sum, row) => sum + row.massG, waterG + saltG)

/** A row of something poured or packed: a material, or part of a lot. */
export interface PouredRow {
  lotId?: string | undefined
  materialId?: string | undefined
  name: string
  massG: number
}
