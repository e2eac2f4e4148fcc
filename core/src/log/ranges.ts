import { z } from '../schema'

/* Figures known as a range. */

/** A low, typical and high value in their order. */
export const RangeSchema = z
  .object({ low: z.number().min(0), typical: z.number().min(0), high: z.number().min(0) })
  .refine(
    (range) => range.low <= range.typical && range.typical <= range.high,
    'Low, typical and high must stand in this order.',
  )

/** The same of a percentage. */
export const pctRange = RangeSchema.refine((range) => range.high <= 100, 'A percentage cannot be over 100.')
