import { z } from 'zod'
import { InvalidInput } from '../invalid'
import { EntrySchema, type Entry } from '../log/entry'
import { IdSchema, MomentSchema } from '../log/entryParts'

/** Name and version of Lactofer's open file; see docs/file-format.md. */
export const FILE_FORMAT = 'lactofer-log'
export const FILE_VERSION = 3

/** A picture in a file: its id, as entries name it, its type and its bytes in base 64. At most about 5 MB each. */
export const FilePhotoSchema = z.object({
  id: IdSchema,
  type: z.enum(['image/jpeg', 'image/png', 'image/webp', 'image/svg+xml']),
  data: z
    .string()
    .max(7_000_000)
    .regex(/^[A-Za-z0-9+/]*={0,2}$/, 'This is not a picture.'),
})
export type FilePhoto = z.infer<typeof FilePhotoSchema>

/** What a file holds. */
export interface LogFile {
  entries: Entry[]
  photos: FilePhoto[]
}

const HeadSchema = z.object({
  format: z.literal(FILE_FORMAT),
  version: z.number().int().min(1),
  writtenAt: MomentSchema,
  entries: z.array(z.unknown()),
  photos: z.array(z.unknown()).optional(),
})

/** The whole log as text: indented JSON, entries in the order given, pictures after them. */
export function writeFile(entries: readonly Entry[], writtenAt: string, photos: readonly FilePhoto[] = []): string {
  return JSON.stringify(
    { format: FILE_FORMAT, version: FILE_VERSION, writtenAt, entries, ...(photos.length && { photos }) },
    null,
    1,
  )
}

/**
 * Reads a file. All or nothing: one bad entry refuses the whole file, so that nothing is half imported.
 * @throws InvalidInput with a plain sentence that says which entry is wrong and how.
 */
export function readFile(text: string): LogFile {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new InvalidInput('This file is not JSON, or it was cut off. Nothing was changed.')
  }
  const head = HeadSchema.safeParse(json)
  if (!head.success) throw new InvalidInput('This is not a Lactofer log. Nothing was changed.')
  if (head.data.version > FILE_VERSION) {
    throw new InvalidInput(
      `This file was written by a newer Lactofer (format ${head.data.version}). Update first. Nothing was changed.`,
    )
  }
  const parsed =
    <T>(schema: z.ZodType<T>, what: string) =>
    (raw: unknown, index: number): T => {
      const found = schema.safeParse(raw)
      if (found.success) return found.data
      const issue = found.error.issues[0]
      const where = issue?.path.length ? ` at "${issue.path.join('.')}"` : ''
      throw new InvalidInput(
        `${what} ${index + 1} of the file is not valid${where}: ${issue?.message ?? 'unknown shape'}. Nothing was changed.`,
      )
    }
  return {
    entries: head.data.entries.map(parsed(EntrySchema, 'Entry')),
    photos: (head.data.photos ?? []).map(parsed(FilePhotoSchema, 'Picture')),
  }
}
