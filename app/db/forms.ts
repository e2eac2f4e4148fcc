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

/**
 * A form as it was left; `undefined` where it was not begun. Where the database has nothing (it may have been lost),
 * the second copy is asked.
 */
export async function readDraft(key: string): Promise<unknown> {
  const kept = await quietly(() => drafts.get(key))
  if (kept) return kept.value
  const text = hasPrivateFiles() ? await quietly(() => witness().draft(key)) : null
  return text ? JSON.parse(text) : undefined
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
