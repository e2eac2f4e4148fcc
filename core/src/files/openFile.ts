import { z } from '../schema'
import { InvalidInput } from '../invalid'
import type { Entry } from '../log/entry'
import { IdSchema, MomentSchema } from '../log/entryParts'
import type { NewerEntry } from '../log/newer'
import { PictureTypeSchema } from './archive'
import { parseFile } from './json'
import { faultOf, receive } from './received'
import { FILE_FORMAT, FILE_VERSION } from './version'

/** A picture in a file: its id, as entries name it, its type and its bytes in base 64. At most about 5 MB each. */
export const FilePhotoSchema = z.object({
  id: IdSchema,
  type: PictureTypeSchema,
  data: z
    .string()
    .max(7_000_000)
    .regex(/^[A-Za-z0-9+/]*={0,2}$/, 'This is not a picture.'),
})
export type FilePhoto = z.infer<typeof FilePhotoSchema>

/**
 * What a file holds. `newer` are entries of a newer version, kept as they are; of a newer file, pictures that cannot be
 * read are left out and counted.
 */
export interface LogFile {
  version: number
  entries: Entry[]
  newer: NewerEntry[]
  photos: FilePhoto[]
  leftOut: number
}

const HeadSchema = z.object({
  format: z.literal(FILE_FORMAT),
  version: z.number().int().min(1),
  entries: z.array(z.unknown()),
  photos: z.array(z.unknown()).optional(),
})
const WrittenSchema = z.object({ writtenAt: MomentSchema })

/** The version a file has to say: what its newest entry needs. */
export const versionOf = (newer: readonly NewerEntry[]): number =>
  newer.reduce((version, one) => Math.max(version, one.version), FILE_VERSION)

/** The log as text, in parts, so that none is too long: JSON, an entry a line in the order given, pictures last. */
export function* fileParts(
  { entries, newer }: { entries: readonly Entry[]; newer: readonly NewerEntry[] },
  writtenAt: string,
  photos: readonly FilePhoto[] = [],
): Generator<string> {
  const list = function* (name: string, items: readonly unknown[]) {
    yield ` "${name}": [`
    for (const [index, item] of items.entries()) yield `${index ? ',' : ''}\n  ${JSON.stringify(item)}`
    yield items.length ? '\n ]' : ']'
  }
  yield `{\n "format": "${FILE_FORMAT}",\n "version": ${versionOf(newer)},\n "writtenAt": "${writtenAt}",\n`
  yield* list('entries', [...entries, ...newer.map(({ entry }) => entry)])
  if (photos.length) {
    yield ',\n'
    yield* list('photos', photos)
  }
  yield '\n}\n'
}

/** The whole log as one text. */
export const writeFile = (
  entries: readonly Entry[],
  writtenAt: string,
  photos: readonly FilePhoto[] = [],
  newer: readonly NewerEntry[] = [],
): string => [...fileParts({ entries, newer }, writtenAt, photos)].join('')

/**
 * Sorts what comes in, one by one, into what is understood and what is kept for a newer version.
 * @throws InvalidInput (`take`) at the first entry that is neither.
 */
export function receiver(version: number): Pick<LogFile, 'entries' | 'newer'> & { take: (raw: unknown) => void } {
  const entries: Entry[] = []
  const newer: NewerEntry[] = []
  function take(raw: unknown) {
    const received = receive(raw, version)
    if ('entry' in received) entries.push(received.entry)
    else if ('newer' in received) newer.push(received.newer)
    else {
      const place = entries.length + newer.length + 1
      throw new InvalidInput(`Entry ${place} of the file ${received.problem}. Nothing was changed.`)
    }
  }
  return { entries, newer, take }
}

function picturesOf(raws: readonly unknown[], version: number): Pick<LogFile, 'photos' | 'leftOut'> {
  const read = raws.map((raw) => FilePhotoSchema.safeParse(raw))
  const bad = read.findIndex(({ success }) => !success)
  if (bad >= 0 && version <= FILE_VERSION)
    throw new InvalidInput(
      `Picture ${bad + 1} of the file ${read[bad]?.error ? faultOf(read[bad].error) : ''}. Nothing was changed.`,
    )
  const photos = read.flatMap(({ data }) => (data ? [data] : []))
  return { photos, leftOut: raws.length - photos.length }
}

/**
 * Reads a file. All or nothing: one bad entry refuses the whole file, so that nothing is half imported. What a newer
 * version wrote is kept whether it is understood or not.
 * @throws InvalidInput with a plain sentence that says which entry is wrong and how.
 */
export function readFile(text: string): LogFile {
  const json = parseFile(text)
  const head = HeadSchema.safeParse(json)
  const { version = 0, entries = [], photos = [] } = head.data ?? {}
  if (!head.success || (version <= FILE_VERSION && !WrittenSchema.safeParse(json).success))
    throw new InvalidInput('This is not a Lactofer log. Nothing was changed.')
  const received = receiver(version)
  entries.forEach(received.take)
  return { version, entries: received.entries, newer: received.newer, ...picturesOf(photos, version) }
}
