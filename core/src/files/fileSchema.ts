import { z } from '../schema'
import { EntrySchema } from '../log/entry'
import { MomentSchema } from '../log/entryParts'
import { KINDS } from '../log/kinds/index'
import { FilePhotoSchema } from './openFile'
import { FILE_FORMAT, FILE_VERSION } from './version'

/* The open file as its documentation tells it, made from the kinds of entry themselves. */

/** A JSON Schema, as far as it is read here. */
interface JsonSchema {
  type?: string
  properties?: Record<string, JsonSchema>
  required?: string[]
  items?: JsonSchema
  enum?: unknown[]
}

const toJson = (schema: z.ZodType): JsonSchema => z.toJSONSchema(schema, { io: 'input' }) as JsonSchema

/** The open file as JSON Schema (2020-12). Refinements that span fields are not in it; Lactofer itself is stricter. */
export const openFileSchema = (): object =>
  z.toJSONSchema(
    z.object({
      format: z.literal(FILE_FORMAT),
      version: z.number().int().min(1).max(FILE_VERSION),
      writtenAt: MomentSchema,
      entries: z.array(EntrySchema),
      photos: z.array(FilePhotoSchema).optional(),
    }),
    { io: 'input', reused: 'ref' },
  )

/** What every entry has beside what its kind says. */
const COMMON = ['id', 'at', 'by', 'origin', 'kind']
/** More choices than these stand in the schema only. */
const TELLABLE = 9

/**
 * Fields as the tables write them: `name`, `name?` where it may be absent, `name[]` for a list, choices and parts in
 * brackets. A shape is told once.
 */
function fieldsOf(
  { properties = {}, required = [] }: JsonSchema,
  told: Set<string>,
  hidden: readonly string[],
): string {
  return Object.entries(properties)
    .filter(([name]) => !hidden.includes(name))
    .map(([name, schema]) => {
      const item = schema.items && !Array.isArray(schema.items) ? schema.items : schema
      const sign = `\`${name}${required.includes(name) ? '' : '?'}${schema.type === 'array' ? '[]' : ''}\``
      const shape = JSON.stringify(item)
      if (told.has(shape)) return sign
      const choices = item.enum?.length ? item.enum.map((choice) => `\`${choice}\``) : []
      if (choices.length > TELLABLE) return `${sign} (one of ${choices.length})`
      const parts = item.properties ? fieldsOf(item, told, []) : choices.join(', ')
      if (item.properties) told.add(shape)
      return parts ? `${sign} (${parts})` : sign
    })
    .join(', ')
}

/** The table of all kinds for docs/file-format.md. */
export function kindTable(): string {
  const told = new Set<string>()
  const rows = Object.entries(KINDS).map(([name, { schema, says }]) => {
    const hidden = name === 'retract' ? COMMON : [...COMMON, 'replaces']
    return `| \`${name}\` | ${says} | ${fieldsOf(toJson(schema), told, hidden)} |`
  })
  return ['| kind | says | fields beside the common ones |', '| --- | --- | --- |', ...rows].join('\n')
}
