import { EntrySchema, type Entry } from '../log/entry'
import { idMaker } from '../log/ids'
import { InvalidInput } from '../invalid'
import { DAY_MS, momentOf } from '../units/time'
import type { Exercise } from './exercise'
import { luckOf } from './luck'

/** Who wrote down what there is on the first morning. */
const BY = 'Bench'
/** Ids begin so long before the first morning: all that is written later is later. */
const ID_LEAD_MS = 400 * DAY_MS

/** Puts ids in the place of names: every text that begins with `$`, at any depth. */
function named(value: unknown, idOf: (name: string) => string): unknown {
  if (typeof value === 'string') return value.startsWith('$') ? idOf(value) : value
  if (Array.isArray(value)) return value.map((one) => named(one, idOf))
  if (value instanceof Object)
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, named(one, idOf)]))
  return value
}

/** What a pH of a lot reads at a moment, and with what. */
export type Reader = (
  entries: readonly Entry[],
  step: { code: string; sample: 'liquid' | 'blended'; mark?: string | undefined; atMs: number },
) => Pick<Extract<Entry, { kind: 'reading' }>, 'ph' | 'of' | 'marks' | 'instrument'>

/**
 * What stands in the log on the first morning. The same for an exercise, its luck and its day.
 * @param read what a reading of the exercise shows.
 * @throws InvalidInput what is written in the exercise and is no entry.
 */
export function beginning(exercise: Exercise, seed: number, startMs: number, read: Reader): Entry[] {
  const luck = luckOf(seed)
  let made = 0
  const makeId = idMaker(() => luck.share(`id ${made++}`))
  const ids = new Map<string, string>()
  const nextId = () => makeId(startMs - ID_LEAD_MS)
  const idOf = (name: string) => {
    const known = ids.get(name) ?? nextId()
    ids.set(name, known)
    return known
  }
  const entries: Entry[] = []
  for (const step of exercise.before) {
    const atMs = startMs + step.day * DAY_MS
    const own = { id: nextId(), at: momentOf(atMs), by: BY, origin: 'maker' }
    let draft: unknown
    if ('entry' in step) draft = named(step.entry, idOf)
    else {
      const { of, sample, mark } = step.read
      const lot = entries.find((entry) => 'code' in entry && entry.code === of)
      if (!lot || !('lotId' in lot)) throw new InvalidInput(`There is no lot ${of} to read on day ${step.day}.`)
      draft = { kind: 'reading', lotId: lot.lotId, ...read(entries, { code: of, sample, mark, atMs }) }
    }
    const entry = EntrySchema.safeParse({ ...(draft as object), ...own })
    if (!entry.success)
      throw new InvalidInput(
        `Day ${step.day}: ${entry.error.issues[0]?.path.join('.')} ${entry.error.issues[0]?.message}`,
      )
    entries.push(entry.data)
  }
  return entries
}
