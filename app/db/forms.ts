import { inTime } from '~/clock/inTime'
import { hasPrivateFiles, witness } from '~/workers/witness'
import { drafts } from './drafts'

/** What one of two places answers; `undefined` where it cannot. That nothing can be kept is said by the frame. */
async function quietly<Answer>(ask: () => PromiseLike<Answer>): Promise<Answer | undefined> {
  try {
    return await ask()
  } catch {
    return undefined
  }
}

/** A form waits no longer than this for the second copy, ms. */
const RESTORE_MS = 3000

/** The keys of what the database has count; what it lacks is brought back. */
async function bringBack(): Promise<void> {
  if ((await drafts.count()) > 0) return
  const kept = await witness().drafts()
  await drafts.db.transaction('rw', drafts, async () => {
    const here = new Set(await drafts.toCollection().primaryKeys())
    const lost = kept.filter(({ key }) => !here.has(key))
    await drafts.bulkPut(lost.map(({ key, text }) => ({ key, value: JSON.parse(text) as unknown })))
  })
}
let restored: Promise<void> | undefined
/** Brings begun forms back from the second copy, once, where the database has none at all: it may have been lost. */
export function restoreDrafts(): Promise<void> {
  restored ??= bringBack().catch((error: unknown) => {
    restored = undefined
    throw error
  })
  return restored
}

/**
 * A form as it was left; `undefined` where it was not begun. One that the database lacks may be on its way back from
 * the second copy: whoever began anew on top of it would write over it.
 */
export async function readDraft(key: string): Promise<unknown> {
  const found = await quietly(() => drafts.get(key))
  if (found || !hasPrivateFiles()) return found?.value
  await quietly(() => inTime(restoreDrafts(), RESTORE_MS))
  return (await quietly(() => drafts.get(key)))?.value
}

/** Keeps a form as it stands, in both places; `false` where neither would take it. */
export async function writeDraft(key: string, text: string): Promise<boolean> {
  const inBase = quietly(() => drafts.put({ key, value: JSON.parse(text) }))
  const inFile = hasPrivateFiles()
    ? quietly(() =>
        witness()
          .keepDraft(key, text)
          .then(() => key),
      )
    : undefined
  return (await Promise.all([inBase, inFile])).some((kept) => kept !== undefined)
}
