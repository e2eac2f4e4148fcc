import { decodeTime, encodeTime, monotonicFactory } from 'ulid'
import { MINUTE_MS } from '../units/time'

/*
 * Ids are ULIDs: when an entry was written, and chance. They are made by a hybrid logical clock (Kulkarni and others,
 * 2014): later than everything that was seen, whatever the clock of this device says.
 */

/** Makes ids in rising order. @param random numbers from 0 to 1, passed in; core has no randomness of its own. */
export function idMaker(random: () => number): (atMs: number) => string {
  return monotonicFactory(random)
}

/** When an entry was written down (ms), from its id. */
export const writtenAt = (id: string): number => decodeTime(id)

/** The last id that can be written at a moment, ms. */
export const lastIdAt = (atMs: number): string => `${encodeTime(atMs, 10)}${'Z'.repeat(16)}`

/** An id so far ahead of this device's clock is still followed; what is farther off a wrong clock wrote. Judgement. */
export const FOLLOWED_MS = 10 * MINUTE_MS

/** Makes ids that are later than all that were seen. */
export interface IdClock {
  next: (nowMs: number) => string
  /** Takes note of an id that came from anywhere. One far ahead of the clock here is not followed. */
  seen: (id: string, nowMs: number) => void
}
/** @param random numbers from 0 to 1. */
export function idClock(random: () => number): IdClock {
  const make = idMaker(random)
  let seenMs = 0
  return {
    next: (nowMs) => make(nowMs > seenMs ? nowMs : seenMs + 1),
    seen(id, nowMs) {
      const atMs = id ? writtenAt(id) : 0
      if (atMs <= nowMs + FOLLOWED_MS) seenMs = Math.max(seenMs, atMs)
    },
  }
}
