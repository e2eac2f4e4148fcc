import Dexie, { type Table } from 'dexie'
import { EntrySchema, mergeEntries, type Entry, type LogFile } from '@lactofer/core'

/** A form that was begun and not confirmed; kept so that closing the browser loses nothing. */
export interface FormDraft {
  key: string
  value: unknown
}

/** A choice of the reader: units, theme, who is at the bench. */
export interface Choice {
  key: string
  value: unknown
}

/** A picture that entries name by its id, reduced in size. */
export interface Photo {
  id: string
  blob: Blob
  origin: 'maker' | 'demo'
}

/** A forecast worked out before, with the case it belongs to: work saved, never a truth. */
export interface KeptForecast {
  lotId: string
  key: string
  answer: unknown
}

/**
 * Old entries of the maker's, bound into one text: read at a seventh of the cost of as many records. Never changed
 * once bound.
 */
export interface Volume {
  number: number
  text: string
}

/** The maker's data in this browser. Migrations only ever add. */
class Journal extends Dexie {
  declare entries: Table<Entry, string>
  declare drafts: Table<FormDraft, string>
  declare choices: Table<Choice, string>
  declare photos: Table<Photo, string>
  declare forecasts: Table<KeptForecast, string>
  declare volumes: Table<Volume, number, Omit<Volume, 'number'>>

  constructor(name: string) {
    super(name)
    this.version(1).stores({ entries: 'id, at, kind, origin', drafts: 'key', choices: 'key' })
    this.version(2).stores({ photos: 'id, origin', forecasts: 'lotId' })
    this.version(3).stores({ volumes: '++number' })
  }
}

export const journal = new Journal('lactofer')

/** What was read of bound volumes: they never change. */
const opened = new Map<number, Entry[]>()

/** Bound and loose as they stand together at one moment. */
const together = (): Promise<Entry[]> =>
  journal.transaction('r', journal.entries, journal.volumes, async () => {
    const numbers = await journal.volumes.toCollection().primaryKeys()
    const unread = numbers.filter((number) => !opened.has(number))
    // One by one: while a volume is read out, the next is on its way.
    await Promise.all(
      unread.map(async (number) => {
        const volume = await journal.volumes.get(number)
        if (volume) opened.set(number, JSON.parse(volume.text) as Entry[])
      }),
    )
    return [...numbers.flatMap((number) => opened.get(number) ?? []), ...(await journal.entries.toArray())]
  })

let ahead: Promise<unknown> = Promise.resolve()
/**
 * Reads the volumes while the application is still being put together; what goes wrong is told when the log is asked
 * for.
 */
export function readAhead(): void {
  ahead = together().catch(() => undefined)
}

/** All entries, bound and loose. */
export async function allEntries(): Promise<Entry[]> {
  // What is being read already is not read twice.
  await ahead
  return together()
}

/**
 * So many entries of the maker's stay loose, and so many go into a volume. The demo's are never bound: they come and
 * go.
 */
const LOOSE = 500
const VOLUME = 1000

/** Writes entries as volumes, so many at a time. */
async function bind(entries: readonly Entry[]): Promise<void> {
  for (let from = 0; from < entries.length; from += VOLUME)
    await journal.volumes.add({ text: JSON.stringify(entries.slice(from, from + VOLUME)) })
}

/**
 * Binds the oldest loose entries into volumes, once there are many: a long log opens several times faster. Nothing is
 * lost on the way: it is one transaction.
 */
export const bindOld = (): Promise<void> =>
  journal.transaction('rw', journal.entries, journal.volumes, async () => {
    const own = journal.entries.where('origin').equals('maker')
    const volumes = Math.floor(((await own.count()) - LOOSE) / VOLUME)
    if (volumes < 1) return
    const old = await own.limit(volumes * VOLUME).toArray()
    await bind(old)
    await journal.entries.bulkDelete(old.map(({ id }) => id))
  })

/** Appends entries, all or none. @throws ZodError when one is not valid, Dexie's error when an id is taken. */
export async function append(entries: readonly Entry[]): Promise<void> {
  const parsed = entries.map((entry) => EntrySchema.parse(entry))
  await journal.transaction('rw', journal.entries, () => journal.entries.bulkAdd(parsed))
}

/** Merges entries and pictures of a file; all or nothing. Returns how many entries were new and how many were known. */
export async function merge({ entries, photos }: LogFile): Promise<{ added: number; known: number }> {
  return journal.transaction('rw', journal.entries, journal.volumes, journal.photos, async () => {
    const { added, known } = mergeEntries(await together(), entries)
    // A long file is bound at once: its entries would be loose for a moment only.
    const own = added.filter(({ origin }) => origin === 'maker')
    const old = new Set(own.length > LOOSE + VOLUME ? own.slice(0, own.length - LOOSE) : [])
    await bind([...old])
    await journal.entries.bulkAdd(added.filter((entry) => !old.has(entry)))
    // A picture never changes: one whose id is here already is the same.
    const there = new Set(await journal.photos.toCollection().primaryKeys())
    await journal.photos.bulkAdd(
      photos
        .filter(({ id }) => !there.has(id))
        .map(({ id, type, data }) => ({
          id,
          origin: 'maker',
          blob: new Blob([Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0))], { type }),
        })),
    )
    return { added: added.length, known }
  })
}

/** Takes the demo's entries out and, if given, puts new ones in their place. The maker's own are never touched. */
export async function replaceDemo(entries: readonly Entry[], photos: readonly Photo[] = []): Promise<void> {
  await journal.transaction('rw', journal.entries, journal.photos, async () => {
    await journal.photos.where('origin').equals('demo').delete()
    await journal.photos.bulkPut([...photos])
    await journal.entries.where('origin').equals('demo').delete()
    await journal.entries.bulkAdd([...entries])
  })
}
