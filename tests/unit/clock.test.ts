import { afterEach, describe, expect, it } from 'vitest'
import { effectScope, shallowRef } from 'vue'
import { DAY_MS, HOUR_MS } from '@lactofer/core'
import { deviceClock, nowMoment, nowMs, setClock, turnedClock, useNowMs } from '~/clock/clock'
import {
  dayAfterMonths,
  fieldOfMoment,
  momentAfterDays,
  momentOfField,
  tellMoment,
  tellSpan,
  typedDay,
  writeDates,
  writtenDay,
} from '~/clock/moments'

/** A Thursday, in the morning of the zone the tests are read in. */
const THURSDAY = Date.parse('2026-11-26T08:30:00+01:00')
let putBack = () => {}
afterEach(() => putBack())

describe('the one clock', () => {
  it('moves everything that asks what time it is, and is put back', () => {
    putBack = setClock(() => THURSDAY)
    expect(nowMs()).toBe(THURSDAY)
    expect(nowMoment()).toBe('2026-11-26T07:30:00.000Z')
    expect(momentAfterDays(2)).toBe('2026-11-28T07:30:00.000Z')
    putBack()
    expect(Math.abs(nowMs() - deviceClock())).toBeLessThan(HOUR_MS)
  })

  it('what a page shows follows at once when the clock is turned', () => {
    putBack = setClock(() => THURSDAY)
    const scope = effectScope()
    const now = scope.run(() => useNowMs(DAY_MS))!
    expect(now.value).toBe(THURSDAY)
    const back = setClock(turnedClock(3 * DAY_MS, () => THURSDAY))
    expect(now.value).toBe(THURSDAY + 3 * DAY_MS)
    back()
    expect(now.value).toBe(THURSDAY)
    scope.stop()
  })

  it('a fact just written is not in the future of the page that shows it', () => {
    let atMs = THURSDAY
    putBack = setClock(() => atMs)
    const entries = shallowRef<string[]>([])
    const scope = effectScope()
    const now = scope.run(() => useNowMs(DAY_MS, entries))!
    atMs += HOUR_MS
    expect(now.value).toBe(THURSDAY)
    entries.value = ['a reading']
    expect(now.value).toBe(THURSDAY + HOUR_MS)
    scope.stop()
  })
})

describe('moments in words and fields', () => {
  it('near days by their name and part, others by their date', () => {
    putBack = setClock(() => THURSDAY)
    expect(tellMoment(THURSDAY)).toBe('by Thursday morning')
    expect(tellMoment(THURSDAY + 2 * DAY_MS + 10 * HOUR_MS)).toBe('by Saturday evening')
    expect(tellMoment(THURSDAY + 7 * DAY_MS)).toBe('by 3 December')
    expect(tellSpan(THURSDAY, THURSDAY)).toBe('Thu 26 Nov')
    expect(tellSpan(THURSDAY, THURSDAY + 5 * DAY_MS)).toBe('26 Nov to 1 Dec')
    expect(tellSpan(THURSDAY, THURSDAY + 2 * DAY_MS)).toBe('26 to 28 Nov')
  })

  it('a typed day is read in the order the maker writes it, or as a log has it, and nothing is guessed', () => {
    writeDates('day first')
    expect(typedDay('03/02/2026 08:30', true)).toBe('2026-02-03T08:30')
    expect(typedDay(' 3/2/2026 8:30', true)).toBe('2026-02-03T08:30')
    expect(typedDay('2026-02-03T08:30', true)).toBe('2026-02-03T08:30')
    expect(typedDay('03/02/2026', false)).toBe('2026-02-03')
    writeDates('month first')
    expect(typedDay('03/02/2026 01:05 PM', true)).toBe('2026-03-02T13:05')
    expect(writtenDay('2026-03-02T13:05', true)).toBe('03/02/2026 01:05 PM')
    for (const none of ['', 'soon', '31/06/2026', '06/31/2026', '13/13/2026', '03/02/26', '03/02/2026 25:00'])
      expect(typedDay(none, false)).toBeNull()
    writeDates('browser')
  })

  it('a field gives back the minute it was given; what is no moment is none', () => {
    expect(fieldOfMoment(THURSDAY)).toBe('2026-11-26T08:30')
    expect(momentOfField('2026-11-26T08:30')).toBe(THURSDAY)
    expect([fieldOfMoment(null), momentOfField(''), momentOfField('soon')]).toEqual(['', null, null])
    expect(dayAfterMonths(THURSDAY, 3)).toBe('2027-02-26')
  })
})
