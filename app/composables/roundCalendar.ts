import {
  AFTER_PRESS,
  CALENDAR_DAYS,
  calendarOf,
  DAY_MS,
  type Book,
  type Lot,
  type LoftStep,
  type Kit,
  type ForecastSummary,
  type ProposedLot,
  type RoundEvent,
} from '@lactofer/core'
import { STEP_WORDS } from '~/words/loftWords'
import { saveFile } from './saveFile'

/** Minutes that a chore, and a day's work, take in the calendar. */
const MINUTES = { chore: 15, work: 60 } as const

/** Events as a calendar file; the same `uid` in a later file moves what was told before. */
async function saveEvents(events: readonly RoundEvent[], minutes: number, calName: string, file: string) {
  const { createEvents } = await import('ics')
  const { error, value } = createEvents(
    events.map(({ uid, startMs, title, why, cancelled, sequence }) => ({
      uid,
      sequence,
      title,
      description: why,
      start: startMs,
      startInputType: 'utc',
      startOutputType: 'utc',
      duration: { minutes },
      status: cancelled ? 'CANCELLED' : 'CONFIRMED',
      busyStatus: 'FREE',
      productId: 'lactofer',
      method: 'PUBLISH',
      calName,
    })),
  )
  if (error || typeof value !== 'string') throw error ?? new Error('The calendar could not be written.')
  saveFile(new Blob([value], { type: 'text/calendar' }), file)
}

/**
 * The coming rounds as a calendar file. The same chore of the same day has the same id in every export, so that a
 * calendar updates it.
 */
export async function saveCalendar(
  book: Book,
  lots: readonly Lot[],
  nowMs: number,
  summaries: ReadonlyMap<string, ForecastSummary>,
  kit: Kit,
): Promise<number> {
  const events = calendarOf(book, lots, nowMs, summaries, kit)
  await saveEvents(events, MINUTES.chore, 'Lactofer round', `lactofer-round-${CALENDAR_DAYS}-days.ics`)
  return events.filter((event) => !event.cancelled).length
}

/** A lot's days in the loft: begin, press at the late end, and what follows. */
function daysOf(uid: string, name: string, startMs: number, pressMs: number, sequence: number): RoundEvent[] {
  const event = (step: string, atMs: number, why: string): RoundEvent => ({
    ...{ uid: `${uid}-${step}@lactofer`, startMs: atMs, title: `${name}: ${step}`, why, cancelled: false, sequence },
  })
  const after = (Object.keys(AFTER_PRESS) as LoftStep[]).map((step) =>
    event(STEP_WORDS[step], pressMs + AFTER_PRESS[step] * DAY_MS, 'Counted from the late end of the ferment.'),
  )
  return [event('begin', startMs, 'Weigh it in and pack it.'), ...after]
}

/** The days of proposed lots and of plans that were given one, as a calendar file. Returns how many. */
export async function saveLoftCalendar(proposed: readonly ProposedLot[], lots: readonly Lot[]): Promise<number> {
  const planned = lots.flatMap(({ id, code, name, state, made, entries }) => {
    const { startAt, pressAt } = (made.kind === 'plan' && state === 'planned' && made.intended) || {}
    return startAt && pressAt
      ? daysOf(id, `${code} ${name}`, Date.parse(startAt), Date.parse(pressAt), entries.length)
      : []
  })
  const events = [
    ...proposed.flatMap(({ key, template, startMs, pressMs }) =>
      daysOf(`proposed-${key.replaceAll(' ', '-')}`, template.name, startMs, pressMs, 0),
    ),
    ...planned,
  ]
  await saveEvents(events, MINUTES.work, 'Lactofer loft', 'lactofer-loft.ics')
  return events.length
}
