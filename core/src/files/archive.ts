import { z } from '../schema'
import { InvalidInput } from '../invalid'
import { IdSchema, MomentSchema } from '../log/entryParts'
import { parseJson } from './json'
import { PICTURE_ENDINGS, type PictureType } from './witness'

/*
 * The archive: a zip with everything in it. `entries.jsonl` has one entry a line, `photos/` the pictures, `index.html`
 * shows every lot without Lactofer, and `manifest.json`, written last, counts and seals the rest.
 */

export const ARCHIVE_FORMAT = 'lactofer-archive'
export const ARCHIVE_VERSION = 1
export const IN_ARCHIVE = {
  manifest: 'manifest.json',
  entries: 'entries.jsonl',
  page: 'index.html',
} as const

/** Largest picture in an archive, bytes, and longest line: what is longer is no entry. */
export const LARGEST_PICTURE = 7_000_000
export const LONGEST_LINE = 2_000_000

/** More entries than these are no maker's log. */
const MOST_ENTRIES = 2_000_000

const Sha256Schema = z.string().regex(/^[0-9a-f]{64}$/, 'This is not a checksum.')

export const PictureTypeSchema = z.enum(Object.keys(PICTURE_ENDINGS) as [PictureType, ...PictureType[]])

const ArchivedPictureSchema = z.object({
  id: IdSchema,
  type: PictureTypeSchema,
  size: z.number().int().min(0).max(LARGEST_PICTURE),
  sha256: Sha256Schema,
})
/** A picture of an archive: its id, type, bytes and their checksum (SHA-256, hexadecimal). */
export type ArchivedPicture = z.infer<typeof ArchivedPictureSchema>

/** What an archive says of itself. `logVersion` is the version of the open file that its newest entry needs. */
export const ManifestSchema = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.number().int().min(1),
  logVersion: z.number().int().min(1),
  writtenAt: MomentSchema,
  entries: z.object({ count: z.number().int().min(0).max(MOST_ENTRIES), sha256: Sha256Schema }),
  photos: z.array(ArchivedPictureSchema).max(1_000_000),
})
export type Manifest = z.infer<typeof ManifestSchema>

/** Where a picture lies in an archive. */
export const pictureName = ({ id, type }: { id: string; type: PictureType }): string =>
  `photos/${id}.${PICTURE_ENDINGS[type]}`

/** Reads a manifest. @throws InvalidInput when it is none. */
export function readManifest(text: string): Manifest {
  const manifest = ManifestSchema.safeParse(parseJson(text))
  if (!manifest.success) throw new InvalidInput('This is not an archive of Lactofer. Nothing was changed.')
  return manifest.data
}

/** The name of an archive: it sorts by the moment it was written, and thinning reads it back. */
export const archiveName = (writtenAt: string): string =>
  `lactofer-${writtenAt.slice(0, 10)}-${writtenAt.slice(11, 19).replaceAll(':', '')}.zip`
