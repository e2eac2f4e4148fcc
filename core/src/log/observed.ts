import { z } from '../schema'
import { DILUTIONS } from '../pungency/tasting'
import { IdSchema } from './entryParts'

/* What was seen, tasted, titrated or expected of a lot. */

/** Pictures kept beside the log, by their ids. */
export const photos = z.array(IdSchema).max(12, 'Keep it to twelve pictures.').optional()

/** Short scales of taste, 0 (none) to 4 (all there is). */
export const TASTES = ['sour', 'salty', 'fizzy', 'raw onion', 'heat', 'roundness'] as const
export type Taste = (typeof TASTES)[number]
export const TasteSchema = z.partialRecord(z.enum(TASTES), z.number().int().min(0).max(4))
/** What was tasted: each scale where it was said. */
export type Tasted = z.infer<typeof TasteSchema>

/** A dilution tasting: grams of sugared water over one of the sample, and whether heat was felt. */
export const TastingSchema = z
  .array(z.object({ dilution: z.number().min(DILUTIONS.low).max(DILUTIONS.high), felt: z.boolean() }))
  .min(1)
  .max(30)

/** A titration: sample in g, lye in mL, its strength in mol/L. */
export const TitrationSchema = z.object({
  sampleG: z.number().min(0.1).max(1000),
  lyeMl: z.number().min(0).max(1000),
  lyeMolar: z.number().min(0.001).max(5),
})

/** A pH as it was forecast. */
export const predicted = z.object({ low: z.number(), typical: z.number(), high: z.number() })
