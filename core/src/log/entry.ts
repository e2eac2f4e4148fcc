import { z } from '../schema'
import type { UnitWorld } from '../units/quantity'
import type { Kind } from './kind'
import { KINDS, SCHEMAS } from './kinds/index'

/*
 * An entry is a fact: never edited, never deleted. A correction is an entry of its own that names the one it replaces.
 * What there is to know of a kind of entry stands in its file in `kinds/`; this is what follows for all of them.
 */

/** Every stored or received entry. Masses in g, volumes in mL, temperatures in °C, percent of weight. */
export const EntrySchema = z.discriminatedUnion('kind', SCHEMAS)
export type Entry = z.infer<typeof EntrySchema>
export type EntryKind = Entry['kind']
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** What a page hands over: an entry without what the log itself adds. */
export type Draft = Entry extends infer E ? (E extends Entry ? Omit<E, 'id' | 'by' | 'origin'> : never) : never

/** A kind's schema without what the log itself adds; its refinements stay. */
function draftOf<S extends (typeof SCHEMAS)[number]>(schema: S): S {
  const { id: _id, by: _by, origin: _origin, ...shape } = schema.shape
  return z.core.clone(schema, { ...schema._zod.def, shape } as S['_zod']['def']) as S
}

// Zod infers a union of the clones; that each lacks just the log's own fields is what `draftOf` does.
/** Holds a form to what its entry must be, before the log adds id, author and origin. */
export const DraftSchema = z.discriminatedUnion(
  'kind',
  SCHEMAS.map(draftOf) as unknown as typeof SCHEMAS,
) as unknown as z.ZodType<Draft>

/** All that is known of an entry's kind. */
// The table gives for each kind what takes entries of that kind; that they belong together is what `entry.kind` says.
export const kindOf = (entry: Entry): Kind<typeof EntrySchema> =>
  KINDS[entry.kind] as unknown as Kind<typeof EntrySchema>

/** An entry as a line of the log. */
export const entryWords = (entry: Entry, world: UnitWorld): string => kindOf(entry).words(entry, world)

/** Ids of the lots an entry is about. */
export const lotsIn = (entry: Entry): readonly string[] => kindOf(entry).lots?.(entry) ?? []

/** Whether a maker may take an entry back by hand. */
export const isReversible = (entry: Entry): boolean => kindOf(entry).reversible

/** Pictures kept with an entry. */
export const photosOf = (entry: Entry): readonly string[] => ('photos' in entry ? (entry.photos ?? []) : [])

/** What an entry says, without what the log itself added: to be said again, or corrected. */
export function factsOf<E extends Entry>({
  id: _id,
  by: _by,
  origin: _origin,
  replaces: _replaces,
  ...facts
}: E): Omit<E, 'id' | 'by' | 'origin' | 'replaces'> {
  return facts
}
