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
export function byTime(a: Pick<Entry, 'id' | 'at'>, b: Pick<Entry, 'id' | 'at'>): number {
  // Moments are mostly written alike, and then sort as text: ten times as fast as reading them.
  const moments =
    a.at.length === b.at.length ? (a.at < b.at ? -1 : a.at > b.at ? 1 : 0) : Date.parse(a.at) - Date.parse(b.at)
  return moments || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
}

/** Whether an entry says all that another one says, and more. */
export function isFuller(entry: unknown, than: unknown): boolean {
  return canonical(entry) !== canonical(than) && holds(entry, than)
}

/** Whether a value has everything another one has. */
function holds(value: unknown, other: unknown): boolean {
  if (Array.isArray(other))
    return (
      Array.isArray(value) && value.length === other.length && other.every((part, index) => holds(value[index], part))
    )
  if (typeof other !== 'object' || other === null) return value === other
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false
  const fields = value as Record<string, unknown>
  return Object.entries(other).every(([key, part]) => part === undefined || holds(fields[key], part))
}

/**
 * Union of two logs by entry id: which entries are new, and which say more of what is here already (an older version
 * that they went through had left out what it did not know). Safe to repeat; the order of arrival does not matter.
 */
export interface Merge {
  added: Entry[]
  fuller: Entry[]
  /** Said otherwise by a newer version: what is here stays. */
  otherwise: Entry[]
  known: number
}

/**
 * Merges what has come in into what is there.
 * @param fromNewer the incoming were written by a newer version, which may say a fact otherwise.
 * @throws InvalidInput when an id is used by two different entries: entries are facts and are never changed.
 */
export function mergeEntries(existing: readonly Entry[], incoming: readonly Entry[], fromNewer = false): Merge {
  const seen = new Map(existing.map((entry) => [entry.id, entry]))
  const added = new Map<string, Entry>()
  const fuller = new Map<string, Entry>()
  const otherwise: Entry[] = []
  for (const entry of incoming) {
    const there = seen.get(entry.id)
    if (there && (canonical(there) === canonical(entry) || isFuller(there, entry))) continue
    if (there && !isFuller(entry, there)) {
      if (!fromNewer)
        throw new InvalidInput(
          `Entry ${entry.id} is in your log with other content. Entries never change, so this file was edited or belongs to another log.`,
        )
      otherwise.push(entry)
      continue
    }
    seen.set(entry.id, entry)
    if (!there || added.has(entry.id)) added.set(entry.id, entry)
    else fuller.set(entry.id, entry)
  }
  return {
    added: [...added.values()],
    fuller: [...fuller.values()],
    otherwise,
    known: incoming.length - added.size - fuller.size - otherwise.length,
  }
}
