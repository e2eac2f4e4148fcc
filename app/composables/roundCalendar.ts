import { CALENDAR_DAYS, calendarOf, type Book, type Lot, type Outlook } from '@lactofer/core'
import { saveFile } from './saveFile'

/** Minutes that a chore takes in the calendar. */
const MINUTES = 15

/**
 * The coming rounds as a calendar file. The same chore of the same day has the same id in every export, so that a
 * calendar updates it.
 */
export async function saveCalendar(
  book: Book,
  lots: readonly Lot[],
  nowMs: number,
  outlooks: ReadonlyMap<string, Outlook>,
): Promise<number> {
  const events = calendarOf(book, lots, nowMs, outlooks)
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
      duration: { minutes: MINUTES },
      status: cancelled ? 'CANCELLED' : 'CONFIRMED',
      busyStatus: 'FREE',
      productId: 'lactofer',
      method: 'PUBLISH',
      calName: 'Lactofer round',
    })),
  )
  if (error || typeof value !== 'string') throw error ?? new Error('The calendar could not be written.')
  saveFile(new Blob([value], { type: 'text/calendar' }), `lactofer-round-${CALENDAR_DAYS}-days.ics`)
  return events.filter((event) => !event.cancelled).length
}
