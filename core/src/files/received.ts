import { z } from '../schema'
import { InvalidInput } from '../invalid'
import { EntrySchema, type Entry } from '../log/entry'
import { toldOnce } from '../log/toldOnce'
import { base, IdSchema } from '../log/entryParts'
import { KINDS } from '../log/kinds/index'
import type { NewerEntry } from '../log/newer'
import { FILE_VERSION } from './version'

/** What came in: an entry that is understood, one of a newer version that is kept as it is, or what is wrong. */
export type Received = { entry: Entry } | { newer: NewerEntry } | { problem: string }

/** All that must be readable of an entry that is kept without being understood: its id. */
const NamedSchema = z.looseObject({
  id: z
    .string()
    .min(1)
    .max(64)
    .regex(/^[\w.:-]+$/),
})
/** An entry of a kind that is not known here, in a file that is no newer than this version. */
const StrangeSchema = z.looseObject({ ...base, id: IdSchema, kind: z.string().min(1).max(40) })

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** A value without what a schema did not know in it, where that is all it found wrong; else `null`. */
function withoutStrange(raw: unknown, issues: readonly z.core.$ZodIssue[]): unknown {
  if (!issues.every((issue) => issue.code === 'unrecognized_keys')) return null
  const copy: unknown = JSON.parse(JSON.stringify(raw))
  for (const { path, keys } of issues) {
    const place = path.reduce<unknown>((value, key) => (value as Record<PropertyKey, unknown>)[key], copy)
    for (const key of keys) Reflect.deleteProperty(place as object, key)
  }
  return copy
}

/** What of an entry is understood, what is strange in it left out. */
function understand(raw: unknown): ReturnType<typeof EntrySchema.safeParse> {
  const whole = EntrySchema.safeParse(raw)
  const known = whole.success ? null : withoutStrange(raw, whole.error.issues)
  return known === null ? whole : EntrySchema.safeParse(known)
}

/** An entry as it was understood, with the fields beside it that are not known here, at any depth. */
function withUnknown(raw: unknown, understood: unknown): unknown {
  if (Array.isArray(understood))
    return understood.map((value: unknown, index) => withUnknown(Array.isArray(raw) ? raw[index] : undefined, value))
  if (!isObject(understood) || !isObject(raw)) return understood
  const known = Object.entries(understood).map(([key, value]) => [key, withUnknown(raw[key], value)] as const)
  const unknown = Object.entries(raw).filter(([key]) => !Object.hasOwn(understood, key))
  return Object.fromEntries([...known, ...unknown])
}

/** Whether an entry carries fields that this version does not know. */
export const hasUnknown = toldOnce((entry: Entry): boolean => {
  const understood = understand(entry)
  const missing = (raw: unknown, known: unknown): boolean => {
    if (Array.isArray(raw)) return raw.some((value, index) => missing(value, (known as unknown[])[index]))
    if (!isObject(raw) || !isObject(known)) return false
    return Object.entries(raw).some(([key, value]) => !Object.hasOwn(known, key) || missing(value, known[key]))
  }
  return understood.success && missing(entry, understood.data)
})

/** What is wrong with an entry or a picture, in words. */
export function faultOf({ issues: [issue] }: z.ZodError): string {
  const where = issue?.path.length ? ` at "${issue.path.join('.')}"` : ''
  return `is not valid${where}: ${issue?.message ?? 'unknown shape'}`
}

/**
 * Takes an entry in that came from a file, another device or an earlier visit. What is not known here is kept: fields
 * with the entry, kinds whole. In a file of a newer version nothing that has an id is refused.
 * @param version of the file format it came in.
 */
export function receive(raw: unknown, version: number): Received {
  const understood = understand(raw)
  if (understood.success) return { entry: withUnknown(raw, understood.data) as Entry }
  const named = NamedSchema.safeParse(raw)
  const newer = named.success && { id: named.data.id, version, entry: named.data }
  if (newer && version > FILE_VERSION) return { newer }
  const strange = StrangeSchema.safeParse(raw)
  if (newer && strange.success && !Object.hasOwn(KINDS, strange.data.kind)) return { newer }
  return { problem: faultOf(understood.error) }
}

/**
 * An entry of ours, as it is to be written.
 * @throws InvalidInput when it is not valid.
 */
export function ownEntry(raw: unknown): Entry {
  const received = receive(raw, FILE_VERSION)
  if ('entry' in received) return received.entry
  throw new InvalidInput(`This entry ${'problem' in received ? received.problem : 'is of a newer version'}.`)
}
