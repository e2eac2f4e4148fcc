import { hasPrivateFiles, witness } from '~/workers/witness'
import { drafts } from './drafts'

/**
 * A form as it was left; `undefined` where it was not begun. Where the database has nothing (it may have been lost),
 * the second copy is asked.
 */
export async function readDraft(key: string): Promise<unknown> {
  const kept = await drafts.get(key).catch(() => undefined)
  if (kept) return kept.value
  const text = hasPrivateFiles()
    ? await witness()
        .draft(key)
        .catch(() => null)
    : null
  return text === null ? undefined : JSON.parse(text)
}

/** Keeps a form as it stands, in both places; `false` where neither would take it. */
export async function writeDraft(key: string, text: string): Promise<boolean> {
  const places = [drafts.put({ key, value: JSON.parse(text) })] as Promise<unknown>[]
  if (hasPrivateFiles()) places.push(witness().keepDraft(key, text))
  const kept = await Promise.allSettled(places)
  return kept.some(({ status }) => status === 'fulfilled')
}
