import Dexie, { type Table } from 'dexie'
import { FILE_VERSION, type Entry, type LogFile, type NewerEntry } from '@lactofer/core'
import { fetchAll } from '~/rules/fetch'
import { drafts, type FormDraft } from './drafts'
import { gate } from './gate'
import { inLoft } from './loft'
import { watched } from './opening'

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

/**
 * Old entries of the maker's, bound into one text: read at a seventh of the cost of as many records. Never changed
 * once bound.
 */
export interface Volume {
  number: number
  text: string
}

/**
 * Where the log begins while the rest of it is read: what its open lots rest on. A cache: it names the volumes it was
 * made from, and goes with the first that changes.
 */
export interface KeptCheckpoint {
  /** The volumes it stands for, and the rules by which it was made. */
  key: string
  /** A checkpoint of core (`makeup/checkpoint`) as text: read at a seventh of the cost of as many records. */
  text: string
}
/** The name of the maker's log in this browser; the second copy names it too. */
export const JOURNAL = inLoft('lactofer')

/**
 * The maker's data in this browser. Migrations only ever add; what was begun in forms and what was forecast moved to
 * databases of their own with version 4.
 */
export class Journal extends Dexie {
  declare entries: Table<Entry, string>
  declare newer: Table<NewerEntry, string>
  declare choices: Table<Choice, string>
  declare photos: Table<Photo, string>
  declare volumes: Table<Volume, number, Omit<Volume, 'number'>>
  declare checkpoints: Table<KeptCheckpoint, string>

  constructor(name: string) {
    super(name, watched())
    this.version(1).stores({ entries: 'id, at, kind, origin', drafts: 'key', choices: 'key' })
    this.version(2).stores({ photos: 'id, origin', forecasts: 'lotId' })
    this.version(3).stores({ volumes: '++number' })
    this.version(4)
      .stores({ newer: 'id' })
      .upgrade(async (old) => {
        const begun = await old.table<FormDraft, string>('drafts').toArray()
        await Dexie.waitFor(drafts.bulkPut(begun))
      })
    this.version(5).stores({ drafts: null, forecasts: null })
    this.version(6).stores({ checkpoints: 'key' })
    gate(this, 'choices')
  }
}

export const journal = new Journal(JOURNAL)

/** What was read of bound volumes: they never change. */
const opened = new Map<number, Entry[]>()
/** What some volumes hold, one after the other, as it was put together last. */
let bound: { numbers: string; entries: readonly Entry[] } = { numbers: '', entries: [] }
function boundIn(volumes: readonly number[]): readonly Entry[] {
  const numbers = volumes.join()
  if (bound.numbers !== numbers) bound = { numbers, entries: volumes.flatMap((number) => opened.get(number) ?? []) }
  return bound.entries
}

/** Loose entries as they were read last, and their text: what says the same is the same again, and known at sight. */
let loose = new Map<string, { entry: Entry; text: string }>()
function recognised(read: readonly Entry[]): Entry[] {
  loose = new Map(
    read.map((entry) => {
      const [text, before] = [JSON.stringify(entry), loose.get(entry.id)]
      return [entry.id, before?.text === text ? before : { entry, text }]
    }),
  )
  return Array.from(loose.values(), ({ entry }) => entry)
}

/** Bound and loose as they stand together at one moment. */
// No async function: one more step before Dexie is asked, and its live queries do not see what they depend on.
export const together = (): Promise<Entry[]> =>
  journal.transaction('r', journal.entries, journal.volumes, async () => {
    const [numbers, read] = await Promise.all([journal.volumes.toCollection().primaryKeys(), journal.entries.toArray()])
    const unread = numbers.filter((number) => !opened.has(number))
    // One by one: while a volume is read out, the next is on its way.
    await Promise.all(
      unread.map(async (number) => {
        const volume = await journal.volumes.get(number)
        if (volume) opened.set(number, JSON.parse(volume.text) as Entry[])
      }),
    )
    return boundIn(numbers).concat(recognised(read))
  })

let ahead: Promise<unknown> = Promise.resolve()
/** Begins to read while the application is still being put together; what goes wrong is told when it is asked for. */
export function begin(reading: () => Promise<unknown>): void {
  try {
    ahead = reading().catch(() => undefined)
  } catch {
    // Without a database in the browser Dexie throws at once.
  }
}
/** What is being read already is not read twice. */
export const begun = (): Promise<unknown> => ahead

/** All entries, bound and loose. */
export async function allEntries(): Promise<Entry[]> {
  await begun()
  return together()
}

/** All entries of newer versions. */
export const allNewer = (): Promise<NewerEntry[]> => journal.newer.toArray()

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
 * lost on the way: it is one transaction. Tells whether some were.
 */
export const bindOld = (): Promise<boolean> =>
  journal.transaction('rw', journal.entries, journal.volumes, async () => {
    const own = journal.entries.where('origin').equals('maker')
    const volumes = Math.floor(((await own.count()) - LOOSE) / VOLUME)
    if (volumes < 1) return false
    const old = await own.limit(volumes * VOLUME).toArray()
    await bind(old)
    await journal.entries.bulkDelete(old.map(({ id }) => id))
    return true
  })

const hearing = new Set<(entries: readonly Entry[]) => void>()
/** Tells of what this page appended, once it is kept: before it is read back. Returns how to let it be. */
export function onAppend(tell: (entries: readonly Entry[]) => void): () => void {
  hearing.add(tell)
  return () => void hearing.delete(tell)
}

/** Appends entries, all or none. @throws InvalidInput when one is not valid, Dexie's error when an id is taken. */
export async function append(entries: readonly Entry[]): Promise<void> {
  const { ownEntry } = await fetchAll()
  const parsed = entries.map(ownEntry)
  await journal.transaction('rw', journal.entries, () => journal.entries.bulkAdd(parsed))
  for (const tell of hearing) tell(parsed)
}

/** Puts what says more in the place of what it says more than; a volume it stood in is bound anew. */
async function fillIn(fuller: readonly Entry[]): Promise<void> {
  if (!fuller.length) return
  const byId = new Map(fuller.map((entry) => [entry.id, entry]))
  const loose = await journal.entries
    .where('id')
    .anyOf([...byId.keys()])
    .primaryKeys()
  await journal.entries.bulkPut(loose.map((id) => byId.get(id)).filter((entry) => entry !== undefined))
  for (const number of await journal.volumes.toCollection().primaryKeys()) {
    const old = opened.get(number) ?? []
    if (!old.some(({ id }) => byId.has(id))) continue
    await journal.volumes.delete(number)
    await bind(old.map((entry) => byId.get(entry.id) ?? entry))
  }
}

/** What a merge brought. */
export interface Merged {
  added: Entry[]
  /** Here already, and said more fully now. */
  fuller: Entry[]
  newer: NewerEntry[]
  known: number
}

/** What a file is merged from: entries understood and not, of a file of a certain version. */
export type Incoming = Pick<LogFile, 'version' | 'entries' | 'newer'>

/**
 * Merges entries into the log; all or nothing.
 * @throws InvalidInput when an entry was changed under its id.
 */
export async function merge({ version, entries, newer }: Incoming): Promise<Merged> {
  // Before the transaction: it waits for nothing but Dexie.
  const { mergeEntries, mergeNewer } = await fetchAll()
  return journal.transaction('rw', journal.entries, journal.volumes, journal.newer, async () => {
    const { added, fuller, otherwise, known } = mergeEntries(await together(), entries, version > FILE_VERSION)
    // A long file is bound at once: its entries would be loose for a moment only.
    const own = added.filter(({ origin }) => origin === 'maker')
    const old = new Set(own.length > LOOSE + VOLUME ? own.slice(0, own.length - LOOSE) : [])
    await bind([...old])
    await journal.entries.bulkAdd(added.filter((entry) => !old.has(entry)))
    await fillIn(fuller)
    const said = otherwise.map((entry): NewerEntry => ({ id: entry.id, version, entry: { ...entry } }))
    const brought = mergeNewer(await journal.newer.toArray(), [...newer, ...said])
    await journal.newer.bulkPut(brought)
    return { added, fuller, newer: brought, known: known + newer.length + said.length - brought.length }
  })
}

/**
 * What a newer version wrote and this one understands goes to the other entries: it was updated since. Returns how
 * many.
 */
export async function adoptNewer(): Promise<number> {
  return (await journal.newer.count()) > 0 ? adopt() : 0
}

async function adopt(): Promise<number> {
  const { receive } = await fetchAll()
  return journal.transaction('rw', journal.entries, journal.volumes, journal.newer, async () => {
    const here = new Set((await together()).map(({ id }) => id))
    const adopted = (await journal.newer.toArray()).flatMap(({ id, version, entry }) => {
      const received = version <= FILE_VERSION && !here.has(id) ? receive(entry, version) : null
      return received && 'entry' in received ? [received.entry] : []
    })
    await journal.entries.bulkAdd(adopted)
    await journal.newer.bulkDelete(adopted.map(({ id }) => id))
    return adopted.length
  })
}

/** Keeps pictures; one whose id is here already is the same, and stays. */
export const keepPhotos = (photos: readonly Photo[]): Promise<void> =>
  journal.transaction('rw', journal.photos, async () => {
    const there = new Set(
      await journal.photos
        .where('id')
        .anyOf(photos.map(({ id }) => id))
        .primaryKeys(),
    )
    await journal.photos.bulkAdd(photos.filter(({ id }) => !there.has(id)))
  })

/** Ids of all pictures, the demo's too. */
export const photoIds = (): Promise<string[]> => journal.photos.toCollection().primaryKeys()

/** Ids of the maker's own pictures. */
export const ownPhotoIds = (): Promise<string[]> => journal.photos.where('origin').equals('maker').primaryKeys()

/** Takes the demo's entries out and, if given, puts new ones in their place. The maker's own are never touched. */
export async function replaceDemo(entries: readonly Entry[], photos: readonly Photo[] = []): Promise<void> {
  await journal.transaction('rw', journal.entries, journal.photos, async () => {
    await journal.photos.where('origin').equals('demo').delete()
    await journal.photos.bulkPut([...photos])
    await journal.entries.where('origin').equals('demo').delete()
    await journal.entries.bulkAdd([...entries])
  })
}
