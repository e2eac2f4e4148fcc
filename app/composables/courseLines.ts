import { HOUR_MS, type Course, type Lot, type PhFact } from '@lactofer/core'

/** A line beside the forecast: a scenario, or an earlier lot. Times in ms since packing. */
export interface ExtraLine {
  name: string
  short: string
  points: [ms: number, ph: number][]
}

/** Something that happened, marked on the time axis. */
export interface CourseEvent {
  ms: number
  text: string
}

/** The middle of a course as a line. */
export const lineOf = (name: string, { hours, blended }: Course): ExtraLine => ({
  name,
  short: name,
  points: hours.map((hour, index) => [hour * HOUR_MS, blended.typical[index] ?? 0]),
})

/** Readings of a lot as a line from its own start. */
export const readingsLine = (lot: Lot, phs: readonly PhFact[]): ExtraLine => ({
  name: `${lot.code} ${lot.name}`,
  short: lot.code,
  points: phs.map(({ atMs, ph }) => [atMs - lot.startedMs, ph]),
})

/** What was seen and decided of a lot. */
export const eventsOf = (lot: Lot): CourseEvent[] => [
  ...lot.signs.map(({ at, sign }) => ({ ms: Date.parse(at), text: sign })),
  ...lot.decisions.map(({ at, decision, place }) => ({
    ms: Date.parse(at),
    text:
      decision === 'cold' || decision === 'warm'
        ? `to ${place ?? `the ${decision}`}`
        : decision === 'wait'
          ? 'more time'
          : 'called ready',
  })),
  ...lot.added.map(({ at }) => ({ ms: Date.parse(at), text: 'put in' })),
  ...lot.overflowed.map(({ at }) => ({ ms: Date.parse(at), text: 'ran over' })),
]
