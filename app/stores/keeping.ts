import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { Entry } from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { inTime } from '~/clock/inTime'
import { adoptNewer, append, JOURNAL, journal, keepPhotos, type Photo } from '~/db/journal'
import { eraseAll } from '~/db/erase'
import { restoreDrafts } from '~/db/forms'
import { inLoft } from '~/db/loft'
import { onLoss, problemOf, type StorageProblem } from '~/db/opening'
import { writing } from '~/db/writing'
import {
  copyEntries,
  copyLines,
  copyPicture,
  copyPictures,
  foldCopy,
  openCopy,
  reconcileEntries,
  reconcilePictures,
  releaseCopy,
  type Reconciled,
} from '~/db/secondCopy'
import { saveForms } from '~/composables/useDraft'

export type { StorageProblem }

/** An opening that takes longer than this is told, ms. */
const SLOW_MS = 4000
/** Nobody waits longer than this for the second copy, ms. */
const COPY_MS = 8000
/** Laying a long log beside its second copy takes its time, ms. */
const COMPARE_MS = 60_000
/** Files are folded and pictures compared once the page has stood so long, ms. */
const QUIET_MS = 6000

/** Where the second copy stands: not asked yet, kept, not possible in this browser, or failing. */
export type CopyState = 'asked' | 'kept' | 'none' | 'failing'

/** The second copy: what it holds, what it brought back, and how to write to it. */
function useSecondCopy() {
  const state = shallowRef<CopyState>('asked')
  const found = shallowRef<Reconciled | null>(null)
  async function open(): Promise<{ erasing: boolean }> {
    try {
      const opened = await inTime(openCopy(), COPY_MS)
      state.value = opened ? 'kept' : 'none'
      return opened ?? { erasing: false }
    } catch {
      state.value = 'failing'
      return { erasing: false }
    }
  }
  /** Lays both beside each other. That it fails is told by its state; nothing in the database hangs on it. */
  async function compare(): Promise<void> {
    if (state.value !== 'kept') return
    try {
      found.value = { ...(await inTime(reconcileEntries(), COMPARE_MS)), pictures: 0 }
      await inTime(restoreDrafts(), COPY_MS)
      setTimeout(() => void tidy(), QUIET_MS)
    } catch {
      state.value = 'failing'
    }
  }
  async function tidy() {
    try {
      const pictures = await reconcilePictures()
      if (found.value) found.value = { ...found.value, pictures }
      await foldCopy(nowMs())
    } catch {
      state.value = 'failing'
    }
  }
  /** Writes to it. That it fails is told by its state: what is in the database is recorded all the same. */
  async function write(work: () => Promise<void>): Promise<void> {
    if (state.value === 'none') return
    try {
      await inTime(work(), COPY_MS)
      state.value = 'kept'
    } catch {
      state.value = 'failing'
    }
  }
  return { state, found, open, compare, write }
}

/** Other tabs: one that erases all, and one that wants a newer schema. */
function useOtherTabs(aside: (why: 'aside' | 'erased') => void) {
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(inLoft('lactofer-keeping'))
  channel?.addEventListener('message', () => {
    aside('erased')
    void releaseCopy()
  })
  journal.on('versionchange', ({ newVersion }) => {
    // What was begun here must not outlive a log that was erased.
    if (newVersion) void saveForms()
    journal.close({ disableAutoOpen: true })
    aside(newVersion ? 'aside' : 'erased')
    return false
  })
  return { tellErased: () => channel?.postMessage('erased') }
}

/** The browser's promise not to clear the log away by itself. */
function usePersistence() {
  /** What the browser answered when it was asked; `null` before anybody asked. */
  const persisted = shallowRef<boolean | null>(null)
  let asked = false
  const ask = async (what: 'persist' | 'persisted') =>
    'storage' in navigator ? await navigator.storage[what]().catch(() => false) : false
  /** Asks the browser not to clear this away when space runs short; it may say no. */
  async function askToStay(): Promise<void> {
    if (persisted.value || asked) return
    asked = true
    persisted.value = await ask('persist')
  }
  async function lookWhetherItStays(): Promise<void> {
    persisted.value ??= await ask('persisted')
  }
  return { persisted, askToStay, lookWhetherItStays }
}

/** The database of the log: opened, or why it cannot be. */
function useOpening() {
  /** Why the store cannot be used; `erased` in another tab. */
  const problem = shallowRef<StorageProblem | 'erased' | null>(null)
  const slow = shallowRef(false)
  /** The browser gave up the database of the log: it said so when it was opened. */
  const lost = shallowRef(false)
  onLoss((database) => (lost.value ||= database === JOURNAL))
  async function openJournal(): Promise<void> {
    const waits = setTimeout(() => (slow.value = true), SLOW_MS)
    try {
      await journal.open()
      // Dexie opens a store of a newer version all the same; ours would not know what is in it.
      if (journal.backendDB().version > Math.round(journal.verno * 10)) {
        journal.close({ disableAutoOpen: true })
        problem.value = 'newer'
      } else await adoptNewer()
    } catch (error) {
      problem.value = problemOf(error)
    } finally {
      clearTimeout(waits)
      slow.value = false
    }
  }
  return { problem, slow, lost, openJournal }
}

/** How the maker's log is kept on this device: whether it can be, what was found at the start, the second copy. */
export const useKeeping = defineStore('keeping', () => {
  const { problem, slow, lost, openJournal } = useOpening()
  const { persisted, askToStay, lookWhetherItStays } = usePersistence()
  /** The second copy was asked, so that an empty log is known to be a new one. */
  const settled = shallowRef(false)
  const copy = useSecondCopy()
  const { tellErased } = useOtherTabs((why) => (problem.value = why))

  /** Opens both copies, and lays them beside each other. @param opened the log was read: it comes first. */
  async function start(opened: Promise<unknown>): Promise<void> {
    const [{ erasing }] = await Promise.all([copy.open(), openJournal()])
    if (erasing) await erase()
    else if (!problem.value) {
      await opened
      await copy.compare()
    }
    settled.value = true
  }

  /** Writes entries to the database and to the second copy; once this is kept they are recorded. */
  const record = (entries: readonly Entry[]): Promise<void> =>
    writing(async () => {
      if (problem.value) throw new Error('The log cannot be written.')
      await append(entries)
      await copy.write(() => copyEntries(entries))
      void askToStay()
    })
  /** Writes down in the second copy what is said more fully now than it was. */
  const copyFuller = (entries: readonly Entry[]) => copy.write(() => copyEntries(entries))
  /** Writes to the second copy what a worker took in: lines of entries, pictures by their ids. */
  const copyTaken = ({ lines, pictures }: { lines: string; pictures: readonly string[] }) =>
    copy.write(async () => {
      await copyLines(lines)
      await copyPictures(pictures)
    })
  /** Keeps a picture, the maker's own in both places. */
  const keepPicture = (photo: Photo): Promise<void> =>
    writing(async () => {
      await keepPhotos([photo])
      if (photo.origin === 'maker') await copy.write(() => copyPicture(photo.id, photo.blob))
    })

  /** Erases the log, the second copy and every begun form on this device, and starts anew. */
  async function erase(): Promise<void> {
    tellErased()
    await writing(eraseAll, 'exclusive')
    location.reload()
  }

  return {
    ...{ problem, slow, lost, settled, persisted },
    ...{ copyState: copy.state, found: copy.found },
    codeOf: problemOf,
    ready: computed(() => problem.value !== null || settled.value),
    ...{ start, record, compare: copy.compare, copyFuller, copyTaken, keepPicture, lookWhetherItStays, erase },
  }
})
