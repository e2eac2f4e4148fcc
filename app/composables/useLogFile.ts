import { FilePhotoSchema, momentOf, readFile, writeFile, type FilePhoto } from '@lactofer/core'
import { allEntries, journal, merge } from '~/db/journal'
import { saveFile } from './saveFile'

/** The bytes of a picture in base 64. */
const base64Of = (blob: Blob) =>
  new Promise<string>((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result).split(',')[1] ?? '')
    reader.onerror = () => reject(reader.error ?? new Error('A picture could not be read.'))
    reader.readAsDataURL(blob)
  })

/** Writes the whole log to a file in the downloads; returns how many entries it holds. */
export async function exportLog(nowMs: number): Promise<number> {
  const entries = await allEntries()
  const photos = await Promise.all(
    (await journal.photos.toArray()).map(async ({ id, blob }): Promise<FilePhoto> =>
      FilePhotoSchema.parse({ id, type: blob.type, data: await base64Of(blob) }),
    ),
  )
  const at = momentOf(nowMs)
  saveFile(new Blob([writeFile(entries, at, photos)], { type: 'application/json' }), `lactofer-${at.slice(0, 10)}.json`)
  return entries.length
}

/**
 * Merges a file into the log, all or nothing.
 * @throws InvalidInput when the file is refused; then nothing has changed.
 */
export const importLog = async (text: string): Promise<{ added: number; known: number }> => merge(readFile(text))
