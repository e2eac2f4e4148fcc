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

/** A form as it was left; `undefined` where it was not begun. */
export const readDraft = async (key: string): Promise<unknown> => (await quietly(() => drafts.get(key)))?.value

/** Brings begun forms back from the second copy, where the database has none at all: it may have been lost. */
export async function restoreDrafts(): Promise<void> {
  if ((await drafts.count()) > 0) return
  const kept = await witness().drafts()
  await drafts.bulkPut(kept.map(({ key, text }) => ({ key, value: JSON.parse(text) as unknown })))
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
