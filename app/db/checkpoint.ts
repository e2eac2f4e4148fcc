import { checkpointOf } from '@lactofer/core'
import { allNewer, journal, together } from './journal'
import { checkpointKey } from './logStart'

/** Makes the checkpoint of a log that has volumes, in the place of the one before. Reads all of it. */
export async function keepCheckpoint(untilMs: number): Promise<void> {
  const [entries, newer, volumes, loose] = await journal.transaction(
    'r',
    [journal.entries, journal.newer, journal.volumes],
    () =>
      Promise.all([
        together(),
        allNewer(),
        journal.volumes.toCollection().primaryKeys(),
        journal.entries.toCollection().primaryKeys(),
      ]),
  )
  if (!volumes.length) return
  const text = JSON.stringify(checkpointOf(entries, new Set(loose), { untilMs, newer }))
  await journal.transaction('rw', journal.volumes, journal.checkpoints, async () => {
    // What changed meanwhile is what it does not stand for.
    if (String(await journal.volumes.toCollection().primaryKeys()) !== String(volumes)) return
    await journal.checkpoints.clear()
    await journal.checkpoints.put({ key: checkpointKey(volumes), text })
  })
}
