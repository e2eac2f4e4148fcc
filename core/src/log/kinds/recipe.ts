import { z } from '../../schema'
import { CUTS } from '../../library/cuts'
import { STYLE_IDS } from '../../library/styles'
import { content, RowSchema, salting } from '../contents'
import { base, IdSchema, massG, name, text } from '../entryParts'
import type { Kind } from '../kind'

/** A plan that can be started again: no lot, no grower, no kept brine. */
export const RecipePlanSchema = z.object({
  style: z.enum(STYLE_IDS),
  cut: z.enum(CUTS).optional(),
  rows: z
    .array(RowSchema.omit({ lotId: true, boughtG: true, grower: true, pricePerKg: true }))
    .min(1)
    .max(60),
  waterG: massG,
  waterSaid: content.waterSaid,
  waterBetweenG: content.waterBetweenG,
  saltSaid: content.saltSaid,
  ...salting,
})
export type RecipePlan = z.infer<typeof RecipePlanSchema>

/** A version of a recipe; the newest of a `recipeId` is the current one, older ones stay. */
export const RecipeEntry = z.object({
  ...base,
  kind: z.literal('recipe'),
  recipeId: IdSchema,
  name,
  note: text.optional(),
  plan: RecipePlanSchema,
  retired: z.boolean().optional(),
})

const kind: Kind<typeof RecipeEntry> = {
  schema: RecipeEntry,
  says: 'a version of a recipe; the newest of a `recipeId` is current',
  words: ({ name: title, note }) => `Recipe: ${title}${note ? `, ${note}` : ''}`,
  reversible: false,
}
export default kind
