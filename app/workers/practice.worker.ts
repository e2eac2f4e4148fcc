import { expose } from 'comlink'
import {
  debriefOf,
  HOUR_MS,
  jarOf,
  looksOfWorld,
  nextChange,
  phOf,
  readPh,
  stepSeen,
  trueC,
  truePh,
  trulyKnown,
  worldOf,
  type Debrief,
  type JarLook,
  type PracticeRun,
  type Sampled,
  type World,
} from '@lactofer/core'

/** What a probe would meet: pH and temperature, and whether it is a thick mash. */
export interface Sample {
  ph: number
  tempC: number
  thick: boolean
}
/** A pot on the bench is as warm as the room, °C. */
const ROOM_C = 21

let known: { run: PracticeRun; entries: number; nowMs: number; world: World } | null = null
/** The world of a run at a moment; the one asked for last is kept. */
function world(run: PracticeRun, nowMs: number): World {
  const { seed, startMs, entries, exercise } = run
  const same =
    known?.nowMs === nowMs &&
    known.entries === entries.length &&
    known.run.seed === seed &&
    known.run.startMs === startMs &&
    known.run.exercise.id === exercise.id
  if (!same || !known) known = { run, entries: entries.length, nowMs, world: worldOf(run, nowMs) }
  return known.world
}

const api = {
  /** How the jars on the shelf look. */
  looks: (run: PracticeRun, nowMs: number): JarLook[] => looksOfWorld(world(run, nowMs)),
  /** When something next changes that can be seen, ms. */
  change: (run: PracticeRun, nowMs: number): number => nextChange((ms) => worldOf(run, ms), nowMs),
  /** What a probe meets in a jar, or in a pot. */
  sample(run: PracticeRun, nowMs: number, lotId: string, mark: string, of: Sampled): Sample {
    const here = world(run, nowMs)
    const jar = jarOf(here, lotId, mark)
    if (jar && here.book.lots.get(lotId)?.state === 'fermenting')
      return { ph: truePh(jar, nowMs, of), tempC: trueC(jar, nowMs), thick: of === 'blended' }
    return { ph: phOf(trulyKnown(here).book, lotId)?.ph ?? 7, tempC: ROOM_C, thick: false }
  },
  /** What a strip shows, and how sour it tastes: step of the scale. */
  strip(run: PracticeRun, nowMs: number, lotId: string, mark: string, of: Sampled): number | null {
    const here = world(run, nowMs)
    const jar = jarOf(here, lotId, mark)
    return jar ? readPh(here, jar, of).ph : null
  },
  taste(run: PracticeRun, nowMs: number, lotId: string, mark: string): number | null {
    const here = world(run, nowMs)
    const jar = jarOf(here, lotId, mark)
    return jar ? stepSeen(here, jar, 'sour') : null
  },
  /** Truth beside what was known. @param offsetMs of the reader's time zone: dates are told as their day. */
  debrief: (run: PracticeRun, nowMs: number, offsetMs: number): Debrief =>
    debriefOf(worldOf(run, nowMs), (ms) => {
      const hours = (ms + offsetMs - dayStart(run.startMs + offsetMs)) / HOUR_MS
      return `on day ${Math.floor(hours / 24)}`
    }),
}
/** The midnight of a day, ms. */
const dayStart = (ms: number) => Math.floor(ms / (24 * HOUR_MS)) * 24 * HOUR_MS

export type PracticeApi = typeof api
expose(api)
