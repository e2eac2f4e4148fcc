import Dexie, { type Table } from 'dexie'
import { EntrySchema, mergeEntries, type Entry } from '@lactofer/core'

/** A form that was begun and not confirmed; kept so that closing the browser loses nothing. */
export interface FormDraft { key: string, value: unknown }

/** A choice of the reader: units, theme, who is at the bench. */
export interface Choice { key: string, value: unknown }

/** The maker's data in this browser. Migrations only ever add. */
class Journal extends Dexie {
  declare entries: Table<Entry, string>
  declare drafts: Table<FormDraft, string>
  declare choices: Table<Choice, string>

  constructor(name: string) {
    super(name)
    this.version(1).stores({ entries: 'id, at, kind, origin', drafts: 'key', choices: 'key' })
  }
}

export const journal = new Journal('lactofer')

/** All entries; what does not fit the schema any more is an error, never passed over. */
export const allEntries = (): Promise<Entry[]> => journal.entries.toArray()

/** Appends entries, all or none. @throws ZodError when one is not valid, Dexie's error when an id is taken. */
export async function append(entries: readonly Entry[]): Promise<void> {
  const parsed = entries.map(entry => EntrySchema.parse(entry))
  await journal.transaction('rw', journal.entries, () => journal.entries.bulkAdd(parsed))
}

/** Merges entries of a file; all or nothing. Returns how many were new and how many were known. */
export async function merge(incoming: readonly Entry[]): Promise<{ added: number, known: number }> {
  return journal.transaction('rw', journal.entries, async () => {
    const { added, known } = mergeEntries(await journal.entries.toArray(), incoming)
    await journal.entries.bulkAdd(added)
    return { added: added.length, known }
  })
}

/** Takes the demo's entries out and, if given, puts new ones in their place. The maker's own are never touched. */
export async function replaceDemo(entries: readonly Entry[]): Promise<void> {
  await journal.transaction('rw', journal.entries, async () => {
    await journal.entries.where('origin').equals('demo').delete()
    await journal.entries.bulkAdd([...entries])
  })
}
