import { factsOf } from '../log/entry'
import type { Entry } from '../log/entry'
import type { Lot } from '../log/lot'
import { readTemperatures } from '../makeup/temperature'
import type { Kit } from '../round/kit'
import { DAY_MS } from '../units/time'
import { EXERCISE_FORMAT, EXERCISE_VERSION, ExerciseSchema, type Exercise, type ExerciseText } from './exercise'

/** What is told again of a lot: how it was made and where it stood. What was seen of it is drawn anew. */
const TOLD: readonly Entry['kind'][] = ['plan', 'weigh', 'pack', 'decide', 'add', 'chore']
/** Warm enough for most, where nobody read a temperature, °C. */
const ROOM_C = 21
/** What its twin may truly be: as batches go, slow, late, or standing still. */
const MAY_BE: ExerciseText['hidden'][number]['kinds'] = ['model', 'growth x0.7', 'late start', 'stalled at 4.8']

/** An entry as an exercise writes it down: dated by its day, without what belongs to another log. */
function stepOf(entry: Entry, nowMs: number): ExerciseText['before'][number] | null {
  const { at, ...facts } = factsOf(entry)
  const day = (Date.parse(at) - nowMs) / DAY_MS
  if (entry.kind === 'reading')
    return entry.ph === undefined
      ? null
      : { day, read: { of: '', sample: entry.of ?? 'blended', ...(entry.marks?.[0] && { mark: entry.marks[0] }) } }
  if (!TOLD.includes(entry.kind)) return null
  const told: Record<string, unknown> = { ...facts, lotId: '$twin' }
  delete told.photos
  delete told.recipeId
  if (entry.kind === 'plan' || entry.kind === 'weigh' || entry.kind === 'add')
    told.rows = entry.rows.map(({ lotId: _lotId, ...row }) => ({
      ...row,
      // What came from another lot is not there: peppers stand for it.
      ...(!('materialId' in row && row.materialId) && { materialId: 'pepper-unlisted' }),
    }))
  return { day, entry: told as { kind: string } }
}

/**
 * An exercise with the twin of a lot that ferments: the same plan, the same place, the same days, another luck. `null`
 * for one that is not in its vessels.
 */
export function twinOf(lot: Lot, kit: Kit, nowMs: number): Exercise | null {
  if (lot.made.kind !== 'plan' || !lot.packed || lot.state !== 'fermenting') return null
  const tempC = readTemperatures(lot).at(-1)?.tempC ?? ROOM_C
  const before = lot.entries.flatMap((entry): ExerciseText['before'] => {
    const step = stepOf(entry, nowMs)
    if (!step) return []
    return 'read' in step ? [{ ...step, read: { ...step.read, of: lot.code } }] : [step]
  })
  return ExerciseSchema.parse({
    ...{ format: EXERCISE_FORMAT, version: EXERCISE_VERSION, id: 'twin', title: `The twin of ${lot.code}` },
    story: `A lot like ${lot.code}, ${lot.name}: planned, packed and kept as yours was until today. What it truly is, its luck decides; yours may be another.`,
    task: 'keep',
    todo: 'Keep it as you would keep yours, and see what comes of it.',
    ...{ minutes: 6, days: 24, kit },
    places: [
      { name: lot.place || 'Bench', tempC },
      { name: 'Warm shelf', tempC: 23 },
      { name: 'Fridge', tempC: 4 },
    ],
    hidden: [{ of: lot.code, kinds: MAY_BE }],
    before,
    about:
      'A lot that is behind can be any of these: slow, late, or standing still. Early readings tell them apart; a week of hoping does not.',
  } satisfies ExerciseText)
}
