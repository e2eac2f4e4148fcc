import { InvalidInput } from '../invalid'
import type { Entry } from './entry'

/** Text that is the same for the same entry, whatever the order of its fields. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`
  if (value === null || typeof value !== 'object') return JSON.stringify(value)
  const fields = Object.entries(value)
    .filter(([, field]) => field !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
  return `{${fields.map(([key, field]) => `${JSON.stringify(key)}:${canonical(field)}`).join(',')}}`
}

/** Order of entries: by the moment they speak of, then by id. */
export function byTime(a: Entry, b: Entry): number {
  // Moments are mostly written alike, and then sort as text: ten times as fast as reading them.
  const moments =
    a.at.length === b.at.length ? (a.at < b.at ? -1 : a.at > b.at ? 1 : 0) : Date.parse(a.at) - Date.parse(b.at)
  return moments || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
}

/** Union of two logs by entry id: which entries are new. Safe to repeat; the order of arrival does not matter. */
export interface Merge {
  added: Entry[]
  known: number
}

/**
 * Merges what has come in into what is there.
 * @throws InvalidInput when an id is used by two different entries: entries are facts and are never changed.
 */
export function mergeEntries(existing: readonly Entry[], incoming: readonly Entry[]): Merge {
  const seen = new Map(existing.map((entry) => [entry.id, entry]))
  const added: Entry[] = []
  for (const entry of incoming) {
    const there = seen.get(entry.id)
    if (!there) {
      seen.set(entry.id, entry)
      added.push(entry)
    } else if (canonical(there) !== canonical(entry)) {
      throw new InvalidInput(
        `Entry ${entry.id} is in your log with other content. Entries never change, so this file was edited or belongs to another log.`,
      )
    }
  }
  return { added, known: incoming.length - added.length }
}
