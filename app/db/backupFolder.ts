import { z } from '@lactofer/core'
import { journal } from './journal'

/* The folder that was chosen for archives, and what the last one took along: kept beside the reader's choices. */

const FOLDER = 'backup-folder'
const LAST = 'backup-last'

const LastSchema = z.object({
  atMs: z.number(),
  /** How much there was: entries only ever become more. */
  entries: z.number(),
  pictures: z.number(),
  releases: z.number(),
})
/** The last archive: when, and how much it held. */
export type LastBackup = z.infer<typeof LastSchema>

/** The folder for archives, or `null`. */
export async function backupFolder(): Promise<FileSystemDirectoryHandle | null> {
  return ((await journal.choices.get(FOLDER))?.value as FileSystemDirectoryHandle | undefined) ?? null
}

/** Keeps the folder that was chosen, or forgets it. */
export async function keepFolder(folder: FileSystemDirectoryHandle | null): Promise<void> {
  if (folder) await journal.choices.put({ key: FOLDER, value: folder })
  else await journal.choices.delete(FOLDER)
}

/** What the last archive held, or `null` before the first. */
export async function lastBackup(): Promise<LastBackup | null> {
  return LastSchema.safeParse((await journal.choices.get(LAST))?.value).data ?? null
}

/** Writes down that an archive was made. */
export const keepLastBackup = (last: LastBackup): Promise<unknown> => journal.choices.put({ key: LAST, value: last })
