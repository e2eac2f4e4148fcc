import type { Checkpoint, Entry } from '@lactofer/core'
import { begin, begun, journal, together, type KeptCheckpoint } from './journal'

/* Where a long log begins while the rest of it is read. */

/** Raised when what a checkpoint holds is worked out otherwise: an older one is not read. */
const CHECKPOINT_VERSION = 1
/** The key of the checkpoint that stands for these volumes. */
export const checkpointKey = (volumes: readonly number[]) => `${CHECKPOINT_VERSION}: ${volumes.join()}`

/** Where a long log may begin: a checkpoint of its volumes as they are, and the entries that are not in one. */
interface Start {
  checkpoint: Checkpoint
  beside: Entry[]
}

/** The start of the log; `null` where it has none, and the whole is read. */
// No async function: one more step before Dexie is asked, and its live queries do not see what they depend on.
const start = (): Promise<Start | null> =>
  journal.transaction('r', journal.entries, journal.volumes, journal.checkpoints, async () => {
    const kept = await journal.checkpoints.get(checkpointKey(await journal.volumes.toCollection().primaryKeys()))
    const checkpoint = kept ? readable(kept) : null
    return checkpoint && { checkpoint, beside: await journal.entries.toArray() }
  })
/** A checkpoint as it was kept; `null` where it cannot be read: it is a cache, and the log itself is whole. */
function parsed(text: string): Checkpoint | null {
  try {
    return JSON.parse(text) as Checkpoint
  } catch {
    return null
  }
}
let last: { text: string; checkpoint: Checkpoint | null } | undefined
/** The same, read once: it is asked for anew with every entry. */
function readable({ text }: KeptCheckpoint): Checkpoint | null {
  if (last?.text !== text) last = { text, checkpoint: parsed(text) }
  return last.checkpoint
}

/** Reads the start of the log, or all of it, ahead. */
export const readAhead = (): void => begin(() => start().then((found): unknown => found ?? together()))

/** The start of the log, where it has one; what is being read already is not read twice. */
export async function logStart(): Promise<Start | null> {
  await begun()
  return start()
}

/** Whether some of the log is bound, and no checkpoint stands for it. */
export const lacksCheckpoint = (): Promise<boolean> =>
  journal.transaction('r', journal.volumes, journal.checkpoints, async () => {
    const volumes = await journal.volumes.toCollection().primaryKeys()
    const keys = await journal.checkpoints.toCollection().primaryKeys()
    return volumes.length > 0 && !keys.includes(checkpointKey(volumes))
  })
