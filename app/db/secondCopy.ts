import { FILE_VERSION, HOUR_MS, witnessLine, type Entry, type NewerEntry, type Witnessed } from '@lactofer/core'
import { fetchAll } from '~/rules/fetch'
import { hasPrivateFiles, witness } from '~/workers/witness'
import { allEntries, allNewer, JOURNAL, journal, keepPhotos, merge, ownPhotoIds } from './journal'

/* The second copy and the database, held together: what one has and the other lacks goes over. */

/** What was found when the two were laid beside each other. */
export interface Reconciled {
  /** Entries and pictures that only the files had; back in the log now. */
  brought: number
  pictures: number
  /** Entries the files hold; lines in them that could not be read. */
  witnessed: number
  damaged: number
}

const isOwn = ({ origin }: Entry) => origin === 'maker'

/** Their lines, the maker's own only: the demo is nobody's memory. */
export const linesOf = (entries: readonly Entry[], newer: readonly NewerEntry[] = []): string =>
  [
    ...entries.filter(isOwn).map((entry) => witnessLine(entry, FILE_VERSION)),
    ...newer.map(({ entry, version }) => witnessLine(entry, version)),
  ].join('')

/** Opens the second copy; `null` where this browser has no place for one. */
export const openCopy = async (): Promise<{ erasing: boolean } | null> =>
  hasPrivateFiles() ? witness().open(JOURNAL) : null

/** Appends lines to the second copy, in one flush. */
export async function copyLines(lines: string): Promise<void> {
  if (lines) await witness().append(lines)
}
/** Appends entries to the second copy, in one flush. */
export const copyEntries = (entries: readonly Entry[], newer: readonly NewerEntry[] = []): Promise<void> =>
  copyLines(linesOf(entries, newer))

/** Lets the files go: another tab is about to erase them. */
export async function releaseCopy(): Promise<void> {
  if (hasPrivateFiles()) await witness().release()
}

/** Keeps a picture in the second copy. */
export const copyPicture = (id: string, blob: Blob): Promise<void> => witness().keepPicture(id, blob)

/** Keeps pictures in the second copy that are in the database, one at a time: they are large. */
export async function copyPictures(ids: readonly string[]): Promise<void> {
  for (const id of ids) {
    const photo = await journal.photos.get(id)
    if (photo) await copyPicture(id, photo.blob)
  }
}

/** Takes in what only the files have: how many came back, and how many could not be read. */
async function bringBack(missing: readonly Witnessed[]) {
  const { receive } = await fetchAll()
  const found = missing.map(({ entry, version }) => receive(entry, version))
  const { added, newer } = await merge({
    version: FILE_VERSION,
    entries: found.flatMap((one) => ('entry' in one ? [one.entry] : [])),
    newer: found.flatMap((one) => ('newer' in one ? [one.newer] : [])),
  })
  return { brought: added.length + newer.length, damaged: found.filter((one) => 'problem' in one).length }
}

/** Brings back entries that only the files have, and writes down those that only the database has. */
export async function reconcileEntries(): Promise<Omit<Reconciled, 'pictures'>> {
  const [entries, newer] = await Promise.all([allEntries(), allNewer()])
  const own = entries.filter(isOwn)
  const ids = [...new Set([...own, ...newer].map(({ id }) => id))]
  const { missing, unwitnessed, damaged, entries: witnessed } = await witness().compare(ids)
  // On most days nothing is missing, and a long log is not walked through for it.
  const back = missing.length ? await bringBack(missing) : { brought: 0, damaged: 0 }
  const open = new Set(unwitnessed)
  await copyEntries(
    own.filter(({ id }) => open.has(id)),
    newer.filter(({ id }) => open.has(id)),
  )
  return {
    witnessed,
    brought: back.brought,
    damaged: damaged + back.damaged,
  }
}

/** The same for pictures, one at a time: they are large. Returns how many came back. */
export async function reconcilePictures(): Promise<number> {
  const [here, there] = await Promise.all([ownPhotoIds(), witness().pictures()])
  const [inBase, inFiles] = [new Set(here), new Set(there)]
  const lost = there.filter((id) => !inBase.has(id))
  for (const id of lost) {
    const blob = await witness().picture(id)
    if (blob) await keepPhotos([{ id, blob, origin: 'maker' }])
  }
  await copyPictures(here.filter((id) => !inFiles.has(id)))
  return lost.length
}

/** Folds closed files together; one tab at a time. */
export async function foldCopy(nowMs: number): Promise<void> {
  await navigator.locks.request('lactofer-fold', { ifAvailable: true }, async (lock) => {
    if (lock) await witness().fold(nowMs - HOUR_MS)
  })
}
