import { z } from 'zod'
import { InvalidInput } from '../invalid'
import { EntrySchema, MomentSchema, type Entry } from '../log/entry'

/** Name and version of Lactofer's open file; see docs/file-format.md. */
export const FILE_FORMAT = 'lactofer-log'
export const FILE_VERSION = 1

const HeadSchema = z.object({ format: z.literal(FILE_FORMAT), version: z.number().int().min(1), writtenAt: MomentSchema, entries: z.array(z.unknown()) })

/** The whole log as text: indented JSON, entries in the order given. */
export function writeFile(entries: readonly Entry[], writtenAt: string): string {
  return JSON.stringify({ format: FILE_FORMAT, version: FILE_VERSION, writtenAt, entries }, null, 1)
}

/**
 * Reads a file. All or nothing: one bad entry refuses the whole file, so that nothing is half imported.
 * @throws InvalidInput with a plain sentence that says which entry is wrong and how.
 */
export function readFile(text: string): Entry[] {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new InvalidInput('This file is not JSON, or it was cut off. Nothing was changed.')
  }
  const head = HeadSchema.safeParse(json)
  if (!head.success) throw new InvalidInput('This is not a Lactofer log. Nothing was changed.')
  if (head.data.version > FILE_VERSION) {
    throw new InvalidInput(`This file was written by a newer Lactofer (format ${head.data.version}). Update first. Nothing was changed.`)
  }
  return head.data.entries.map((raw, index) => {
    const entry = EntrySchema.safeParse(raw)
    if (entry.success) return entry.data
    const issue = entry.error.issues[0]
    const where = issue?.path.length ? ` at "${issue.path.join('.')}"` : ''
    throw new InvalidInput(`Entry ${index + 1} of the file is not valid${where}: ${issue?.message ?? 'unknown shape'}. Nothing was changed.`)
  })
}
