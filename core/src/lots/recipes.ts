import type { Entry, EntryOf } from '../log/entry'

/** A recipe with all its versions, the first one first. */
export interface Recipe {
  id: string
  name: string
  versions: readonly EntryOf<'recipe'>[]
}

/** The recipes of a log, by name. One whose newest version is retired is gone from the list; its entries stay. */
export function recipesOf(entries: readonly Entry[]): Recipe[] {
  const byId = new Map<string, EntryOf<'recipe'>[]>()
  for (const entry of entries)
    if (entry.kind === 'recipe') byId.set(entry.recipeId, [...(byId.get(entry.recipeId) ?? []), entry])
  return [...byId]
    .flatMap(([id, versions]) => {
      const newest = versions.at(-1)
      return newest && !newest.retired ? [{ id, name: newest.name, versions }] : []
    })
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0))
}
