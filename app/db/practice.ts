import Dexie from 'dexie'
import { ExerciseSchema, z, type Entry, type Exercise } from '@lactofer/core'
import { Journal, journal, JOURNAL, type Choice } from './journal'
import { chooseLoft, inPractice, practiceName } from './loft'

/*
 * The practice loft's own database, and which exercise is worked in it. The maker's log is read for nothing but the
 * reader's choices, and never written.
 */

/** The go at an exercise that is under way: the world behind it follows from this and from what is in its log. */
const RunSchema = z.object({
  /** When it was begun, by the device's clock: what tells one go from the next. */
  begunMs: z.number(),
  exercise: ExerciseSchema,
  seed: z.number().int().min(0),
  startMs: z.number(),
  /** What time it is there. */
  nowMs: z.number(),
  /** It is over: what was true was told. */
  ended: z.boolean().default(false),
})
export type KeptRun = z.infer<typeof RunSchema>

const RUN = practiceName('lactofer-run')
const FARED = practiceName('lactofer-fared')
const OWN = practiceName('lactofer-own')
const STANDINGS = practiceName('lactofer-questions')

function readKept(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null')
  } catch {
    return null
  }
}
/** Where the browser has no room it is not kept: practice goes on, and nothing of the maker's hangs on it. */
function keep(key: string, value: unknown): void {
  try {
    localStorage.setItem(key, JSON.stringify(value))
  } catch {
    return
  }
}

/** The go that is under way, or `null`. */
export const keptRun = (): KeptRun | null => RunSchema.safeParse(readKept(RUN)).data ?? null
export const keepRun = (run: KeptRun): void => keep(RUN, run)

/** How exercises went, by their ids: how often, and the best. */
const FaredSchema = z.record(z.string(), z.object({ times: z.number(), unsafe: z.number(), wastedG: z.number() }))
export type Fared = z.infer<typeof FaredSchema>
export const fared = (): Fared => FaredSchema.safeParse(readKept(FARED)).data ?? {}
export const keepFared = (all: Fared): void => keep(FARED, all)

/** The maker's own exercises. */
export const ownExercises = (): Exercise[] => z.array(ExerciseSchema).safeParse(readKept(OWN)).data ?? []
export const keepOwn = (all: readonly Exercise[]): void => keep(OWN, all)

/** How the quick questions stand. */
export const keptStandings = (): unknown => readKept(STANDINGS)
export const keepStandings = (standings: unknown): void => keep(STANDINGS, standings)

/** A database of the practice loft, empty. */
async function emptyLoft(): Promise<Journal> {
  if (inPractice) {
    await Promise.all(
      [journal.entries, journal.newer, journal.photos, journal.volumes, journal.checkpoints].map((of) => of.clear()),
    )
    return journal
  }
  await Dexie.delete(practiceName(JOURNAL))
  return new Journal(practiceName(JOURNAL))
}

/** What is asked of a maker with such a kit: kept as their own answer would be. */
const kitChoices = ({ kit }: Exercise): Choice[] => [
  { key: 'sourTool', value: kit.sour },
  { key: 'weighs', value: kit.scale ? 'scale' : 'spoons' },
]
/** Choices of the reader that hold in the practice loft too. */
const CARRIED = ['world', 'dates', 'theme', 'by', 'units', 'heat', 'currency']

/**
 * Lays an exercise out in the practice loft and goes there: the page opens anew. @param entries what is in its log on
 * the first morning.
 */
export async function enterPractice(run: KeptRun, entries: readonly Entry[]): Promise<void> {
  const carried = (await journal.choices.toArray()).filter(({ key }) => CARRIED.includes(key))
  const loft = await emptyLoft()
  await loft.transaction('rw', loft.entries, loft.choices, async () => {
    await loft.entries.bulkAdd([...entries])
    await loft.choices.clear()
    await loft.choices.bulkPut([...carried, ...kitChoices(run.exercise)])
  })
  if (loft !== journal) loft.close()
  await Promise.all(['lactofer-drafts', 'lactofer-forecasts'].map((name) => Dexie.delete(practiceName(name))))
  keepRun(run)
  chooseLoft(true)
  location.assign('/')
}

/** Back to the maker's own loft. @param to the page that opens there. */
export function leavePractice(to = '/rehearse'): void {
  chooseLoft(false)
  location.assign(to)
}
