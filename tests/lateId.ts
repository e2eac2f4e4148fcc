import { lastIdAt } from '@lactofer/core'

/** The moment at which the demo of the unit tests is made. */
export const NOW = Date.parse('2026-11-25T12:00:00.000Z')
/** An id written just now, after those of a log made for {@link NOW}; they rise with the number, under 100 000. */
export const lateId = (number: number): string => `${lastIdAt(NOW).slice(0, 21)}${String(number).padStart(5, '0')}`
