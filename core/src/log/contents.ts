import { z } from '../schema'
import { exactly, type Range } from '../working'
import { PREPARATIONS } from '../composition/ingredient'
import { CLOSURE_NAMES, WEIGHT_NAMES } from '../library/vessels'
import { IdSchema, massG, MomentSchema, name, PhSchema } from './entryParts'

/* What goes into a vessel, a bowl or a pot, and what it is put in. */

/** What the maker knows of one amount of a material, over what the library says. */
export const known = {
  ph: PhSchema.optional(),
  /** Salt of an old brine or a whey, percent. */
  saltPct: z.number().min(0).max(26).optional(),
  /** Of a vinegar, percent acetic acid. */
  strengthPct: z.number().min(1).max(80).optional(),
  /** Of water, mmol/L: what its carbonates take of an acid. */
  alkalinity: z.number().min(0).max(20).optional(),
}

/** Between what an amount lies that was not weighed, g. */
export const BetweenSchema = z
  .object({ low: massG, high: massG })
  .refine(({ low, high }) => low <= high, 'A range goes from the smaller to the larger.')

export type Between = z.infer<typeof BetweenSchema>

/** How an amount was said ("2 cups") and between what it lies, where it was not weighed. */
const said = z.string().trim().max(40)

/**
 * A weighed row of a plan: a material, or part of a lot in stock (`lotId`: a kept brine, a bowl that is split).
 * `massG` is what goes in the vessel; `boughtG` what it was before trimming; `said` how the maker put it ("2 cups")
 * and `betweenG` what it lies between then.
 */
export const RowSchema = z.object({
  materialId: z.string().min(1).max(60),
  name,
  massG: massG.positive('Weigh it in, or take the row out.'),
  preparation: z.enum(PREPARATIONS),
  seedsOut: z.boolean(),
  lotId: IdSchema.optional(),
  /** Jars of that lot that ended with it. */
  ended: z.array(z.string().max(4)).max(40).optional(),
  boughtG: massG.optional(),
  grower: z.string().trim().max(80).optional(),
  said: said.optional(),
  betweenG: BetweenSchema.optional(),
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

/** What a closure or a weight of the maker's own is called. */
export const called = z.string().trim().max(40)

/** How a plan is meant to be packed: asked once, carried on to the scale, the split and the jar. */
export const IntendedSchema = z.object({
  place: name.optional(),
  closure: z.enum(CLOSURE_NAMES).optional(),
  called: called.optional(),
  weight: z.enum(WEIGHT_NAMES).optional(),
  hot: z.boolean().optional(),
  /** The day it is to begin, and by when it is surely pressed. */
  startAt: MomentSchema.optional(),
  pressAt: MomentSchema.optional(),
  vessels: z
    .array(z.object({ vesselId: z.string().min(1).max(60), count: z.number().int().min(1).max(40) }))
    .max(40)
    .optional(),
})
export type Intended = z.infer<typeof IntendedSchema>

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
  waterSaid: said.optional(),
  waterBetweenG: BetweenSchema.optional(),
  saltSaid: z.string().trim().max(80).optional(),
  saltBetweenG: BetweenSchema.optional(),
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

/** An amount, with what it lies between where it was not weighed. */
export const between = (typical: number, range?: { low: number; high: number }): Range =>
  range ? { low: Math.min(range.low, typical), typical, high: Math.max(range.high, typical) } : exactly(typical)

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
