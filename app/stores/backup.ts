import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { archivedMs, archiveName, DAY_MS, momentOf, thinned, type Entry } from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { askToWrite, canChooseFolder, chooseFolder, mayWrite } from '~/db/chosenFolder'
import { backupFolder, keepFolder, keepLastBackup, lastBackup } from '~/db/backupFolder'
import { ownPhotoIds } from '~/db/journal'
import { toldAtRest } from '~/composables/toldAtRest'
import { useLiveQuery } from '~/composables/useLiveQuery'
import { makeArchive } from '~/composables/useLogFile'
import { saveFile } from '~/composables/saveFile'
import { writeArchive, type Written } from '~/workers/archiver'
import { useBook } from './book'
import { usePreferences } from './preferences'

/** Reminded so long after the last archive, ms, or at once from so many entries on without any. Judgement. */
const REMIND_MS = DAY_MS
const REMIND_ENTRIES = 5

/** Files of a folder whose name says that they are archives of ours, and a way to remove them. */
async function thin(folder: FileSystemDirectoryHandle): Promise<void> {
  const names: string[] = []
  for await (const [name, file] of folder.entries()) {
    // Begun and never finished: it would stand for a day that it does not hold.
    const empty = archivedMs(name) !== null && file.kind === 'file' && (await file.getFile()).size === 0
    if (empty) await folder.removeEntry(name)
    else names.push(name)
  }
  for (const name of thinned(names, nowMs())) await folder.removeEntry(name)
}

/** The day of a moment where the maker is. */
const dayOf = (ms: number): string => new Date(ms).toDateString()

/** What of a log is the maker's own. */
function ownOf(log: readonly Entry[] = []) {
  const own = log.filter(({ origin }) => origin === 'maker')
  return { entries: own.length, releases: own.filter(({ kind }) => kind === 'release').length }
}

/** What this browser alone holds, and whether an archive is due or somebody should be reminded of one. */
function useChanges() {
  const book = useBook()
  const { value: last } = useLiveQuery(lastBackup)
  const { value: pictures } = useLiveQuery(async () => (await ownPhotoIds()).length)
  const own = toldAtRest(() => book.entries, ownOf, { entries: 0, releases: 0 })
  const since = computed(() => ({
    entries: Math.max(0, own.value.entries - (last.value?.entries ?? 0)),
    pictures: Math.max(0, (pictures.value ?? 0) - (last.value?.pictures ?? 0)),
    atMs: last.value?.atMs ?? null,
  }))
  const changed = computed(() => since.value.entries + since.value.pictures > 0)
  /** None today and something changed, or a release since. */
  const due = computed(
    () =>
      changed.value &&
      (!last.value || dayOf(last.value.atMs) !== dayOf(book.nowMs) || own.value.releases > last.value.releases),
  )
  const late = computed(() => {
    if (last.value === undefined || !changed.value) return false
    return last.value ? book.nowMs - last.value.atMs > REMIND_MS : own.value.entries >= REMIND_ENTRIES
  })
  // Counted is what went into the archive: more may have come while it was written.
  const wrote = (atMs: number, written: Written) => keepLastBackup({ atMs, ...written.own })
  return { last, since, changed, due, late, wrote }
}

/** Archives into a chosen folder. @param wrote is told when one was written. */
function useFolder(wrote: (atMs: number, written: Written) => Promise<unknown>) {
  const preferences = usePreferences()
  const { value: folder } = useLiveQuery(backupFolder)
  const problem = shallowRef('')
  /** The browser wants a yes before it writes to the folder again. */
  const asks = shallowRef(false)
  const busy = shallowRef(false)

  /** Writes an archive into the folder and thins the old ones. Says in words when it cannot. */
  async function writeToFolder(): Promise<void> {
    const to = folder.value
    if (!to || busy.value) return
    busy.value = true
    try {
      asks.value = !(await mayWrite(to))
      if (asks.value) return
      const atMs = nowMs()
      const file = await to.getFileHandle(archiveName(momentOf(atMs)), { create: true })
      await wrote(atMs, await writeArchive(momentOf(atMs), preferences.world, file))
      await thin(to)
      problem.value = ''
    } catch {
      problem.value = `The archive could not be written to "${to.name}". Choose the folder again, or save one by hand.`
    } finally {
      busy.value = false
    }
  }
  /** Lets the maker choose a folder, and writes the first archive into it. */
  async function choose(): Promise<void> {
    const chosen = await chooseFolder('lactofer')
    if (!chosen) return
    problem.value = ''
    await keepFolder(chosen)
    folder.value = chosen
    await writeToFolder()
  }
  async function allow(): Promise<void> {
    asks.value = !folder.value || !(await askToWrite(folder.value))
    if (!asks.value) await writeToFolder()
  }
  return { folder, problem, asks, busy, writeToFolder, choose, allow }
}

/** Archives: what changed since the last one, and making them, by themselves where a folder was chosen. */
export const useBackup = defineStore('backup', () => {
  const preferences = usePreferences()
  const { last, since, changed, due, late, wrote } = useChanges()
  const { folder, problem, asks, busy, writeToFolder, choose, allow } = useFolder(wrote)

  /** Writes one where it is due; of several tabs one does. */
  async function runWhereDue(): Promise<void> {
    if (!due.value || !folder.value || asks.value || problem.value) return
    await navigator.locks.request('lactofer-backup', { ifAvailable: true }, async (lock) => {
      if (lock) await writeToFolder()
    })
  }
  /** Saves an archive to the downloads, or hands it to another application. */
  async function save(share = false): Promise<Written> {
    const atMs = nowMs()
    const written = await makeArchive(atMs, preferences.world)
    if (share) await navigator.share({ files: [written.file], title: written.file.name })
    else saveFile(written.file, written.file.name)
    await wrote(atMs, written)
    return written
  }
  const canShare = () =>
    'canShare' in navigator && navigator.canShare({ files: [new File([''], 'log.zip', { type: 'application/zip' })] })

  return {
    ...{ last, folder, since, changed, due, problem, asks, busy },
    reminds: computed(() => late.value && !folder.value),
    ...{ runWhereDue, choose, allow, save, canShare },
    forget: () => keepFolder(null),
    canChoose: canChooseFolder,
  }
})
