import { z } from '../schema'
import { InvalidInput } from '../invalid'
import { parseFile } from './json'
import { RecipePlanSchema, type RecipePlan } from '../log/kinds/recipe'
import { MomentSchema, PlainNameSchema } from '../log/entryParts'
import type { Recipe } from '../lots/recipes'

/** Name and version of the recipe file; see docs/file-format.md. */
export const RECIPE_FORMAT = 'lactofer-recipe'
export const RECIPE_FILE_VERSION = 1

const VersionSchema = z.strictObject({
  note: z.string().max(500).optional(),
  plan: z.strictObject({
    ...RecipePlanSchema.shape,
    rows: z
      .array(z.strictObject({ ...RecipePlanSchema.shape.rows.element.shape, name: PlainNameSchema }))
      .min(1, 'It has no ingredients.')
      .max(60),
  }),
})
const FileSchema = z.strictObject({
  format: z.literal(RECIPE_FORMAT),
  version: z.number().int().min(1),
  writtenAt: MomentSchema,
  name: PlainNameSchema,
  versions: z.array(VersionSchema).min(1).max(200),
})

/** A recipe as it comes out of a file: to be saved as a new one. */
export interface ReadRecipe {
  name: string
  versions: { note?: string | undefined; plan: RecipePlan }[]
}

/** A recipe with all its versions as text. */
export function writeRecipe(recipe: Recipe, writtenAt: string): string {
  const versions = recipe.versions.map(({ note, plan }) => ({ ...(note !== undefined && { note }), plan }))
  return JSON.stringify(
    { format: RECIPE_FORMAT, version: RECIPE_FILE_VERSION, writtenAt, name: recipe.name, versions },
    null,
    1,
  )
}

/** Where in the file something is, in words: `versions.0.plan.rows.2.name` → version 1, ingredient 3, name. */
function placeOf(path: readonly PropertyKey[]): string {
  const words = path.map(String)
  return words
    .flatMap((word, index) =>
      word === 'versions'
        ? [`version ${Number(words[index + 1]) + 1}`]
        : word === 'rows' && index + 1 < words.length
          ? [`ingredient ${Number(words[index + 1]) + 1}`]
          : /^\d+$/.test(word) || word === 'plan'
            ? []
            : [`"${word}"`],
    )
    .join(', ')
}

/** Reads a recipe file. All or nothing. @throws InvalidInput with a sentence that says what and where. */
export function readRecipe(text: string): ReadRecipe {
  const json = parseFile(text)
  const format = (json as { format?: unknown } | null)?.format
  const version = (json as { version?: unknown } | null)?.version
  if (format !== RECIPE_FORMAT) throw new InvalidInput('This is not a Lactofer recipe. Nothing was changed.')
  if (typeof version === 'number' && version > RECIPE_FILE_VERSION)
    throw new InvalidInput('This recipe was written by a newer Lactofer. Update first. Nothing was changed.')
  const file = FileSchema.safeParse(json)
  if (file.success) return { name: file.data.name, versions: file.data.versions }
  const issue = file.error.issues[0]
  const place = issue ? placeOf(issue.path) : ''
  const what =
    issue?.code === 'unrecognized_keys'
      ? `it holds a field Lactofer does not know: "${issue.keys[0]}"`
      : (issue?.message ?? 'it has an unknown shape')
  throw new InvalidInput(
    `The recipe cannot be read${place ? ` at ${place}` : ''}: ${what.replace(/\.$/, '')}. Nothing was changed.`,
  )
}
