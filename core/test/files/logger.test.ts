import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { guessColumns, writtenMoment, readLogger, thinLogger, valueAt } from '../../src'

const stamp = (ms: number) => new Date(ms).toISOString()
const START = Date.parse('2026-03-02T08:00:00.000Z')
const HOUR = 3_600_000

describe('a logger’s file', () => {
  it('reads moments as loggers write them', () => {
    expect(writtenMoment('2026-05-04T14:30:00Z', 'dmy')).toBe(Date.UTC(2026, 4, 4, 14, 30))
    expect(writtenMoment('2026-05-04 14:30:10+02:00', 'dmy')).toBe(Date.UTC(2026, 4, 4, 12, 30, 10))
    expect(writtenMoment('04.05.2026 14:30', 'dmy')).toBe(new Date(2026, 4, 4, 14, 30).getTime())
    expect(writtenMoment('5/4/26, 2:30 PM', 'mdy')).toBe(new Date(2026, 4, 4, 14, 30).getTime())
    expect(writtenMoment('1777905000', 'dmy')).toBe(1777905000000)
    expect([writtenMoment('soon', 'dmy'), writtenMoment('2026-13-40 10:00', 'dmy'), writtenMoment('', 'mdy')]).toEqual([
      null,
      null,
      null,
    ])
  })

  it('guesses time, temperature in °F and pH by their names, and month before day where a day over 12 says so', () => {
    expect(
      guessColumns([
        ['#', 'Date', 'Temp (°F)', 'pH', 'Batt'],
        ['1', '5/24/2026 10:00', '70.1', '4.2', '3.1'],
      ]),
    ).toEqual({ time: 1, clock: null, tempC: 2, ph: 3, fahrenheit: true, order: 'mdy' })
    expect(() => guessColumns([['one']])).toThrow(/no table in it/)
    expect(() =>
      guessColumns([
        ['a', 'b'],
        ['x', 'y'],
      ]),
    ).toThrow(/No column of times/)
  })

  it.each([
    'Temp (°F)',
    'Temp F',
    'TempF',
    'temp_f',
    'Temperature, °F',
    'Deg F',
    'DegF',
    'T(F)',
    'F',
    'Fahr.',
    'Temp ℉',
  ])('knows °F by the name “%s”', (name) => {
    const found = guessColumns([
      ['Time', name],
      ['2026-05-04 10:00', '70.1'],
    ])
    expect([found.tempC, found.fahrenheit]).toEqual([1, true])
  })
  it.each(['Temp (°C)', 'Temp', 'Off', 'Freezer temp', 'T'])('does not take “%s” for °F, but its values', (name) => {
    const from = (value: string) =>
      guessColumns([
        ['Time', name],
        ['2026-05-04 10:00', value],
      ]).fahrenheit
    expect([from('21.5'), from('70.1 °F'), from('70.1F')]).toEqual([false, true, true])
  })

  it('tells day from month where both could be: by pm, by steps that are even, by what would lie in the future', () => {
    const order = (dates: readonly string[], nowMs?: number) =>
      guessColumns([['t', 'c'], ...dates.map((date) => [date, '21'])], nowMs).order
    expect(order(['5/4/26 2:30 PM', '5/4/26 3:30 PM'])).toBe('mdy')
    expect(order(['05/04/2026 10:00', '05/05/2026 10:00', '05/06/2026 10:00'])).toBe('mdy')
    expect(order(['04.05.2026 10:00', '05.05.2026 10:00', '06.05.2026 10:00'])).toBe('dmy')
    expect(order(['05/12/2026 10:00'], new Date(2026, 5, 1).getTime())).toBe('mdy')
  })

  it('puts date and time of two columns together; leaves out what lies in the future, and says so', () => {
    const cells = [
      ['Date', 'Clock', 'Temp F'],
      ['05/04/2026', '10:00:00 AM', '70'],
      ['05/04/2026', '1:30 PM', '71'],
      ['05/04/2031', '1:30 PM', '72'],
    ]
    const now = new Date(2026, 5, 1).getTime()
    const found = guessColumns(cells, now)
    expect(found).toMatchObject({ time: 0, clock: 1, tempC: 2, fahrenheit: true, order: 'mdy' })
    const { points, remarks } = readLogger(cells, found, -Infinity, now)
    expect(points.map(({ atMs }) => atMs)).toEqual([
      new Date(2026, 4, 4, 10).getTime(),
      new Date(2026, 4, 4, 13, 30).getTime(),
    ])
    expect(remarks.join('; ')).toMatch(/1 line lay in the future/)
  })

  const columns = { time: 0, clock: null, tempC: 1, ph: null, fahrenheit: false, order: 'dmy' as const }

  it('leaves out and counts what cannot be: letters, 1 000 °C, before the lot, twice the same; puts order in; reads a decimal comma', () => {
    const { points, rows, remarks } = readLogger(
      [
        ['t', 'c'],
        [stamp(START + 2 * HOUR), '21,5'],
        [stamp(START + HOUR), '21'],
        [stamp(START + HOUR), '22'],
        [stamp(START - HOUR), '20'],
        [stamp(START + 3 * HOUR), '1000'],
        ['?', '20'],
        [stamp(START + 4 * HOUR), 'off'],
      ],
      columns,
      START,
    )
    expect(points.map(({ tempC }) => tempC)).toEqual([22, 21.5])
    expect(rows).toBe(7)
    // "1,000" among whole numbers is a thousand, not one; in a column of decimal commas it is one.
    expect(
      readLogger(
        [
          ['t', 'c'],
          [stamp(START), '85'],
          [stamp(START + HOUR), '1,000'],
          [stamp(START + 2 * HOUR), '86.5'],
        ],
        columns,
      ).points.map(({ tempC }) => tempC),
    ).toEqual([85, 86.5])
    expect(
      readLogger(
        [
          ['t', 'c'],
          [stamp(START), '1,125'],
          [stamp(START + HOUR), '1,000'],
        ],
        columns,
      ).points.map(({ tempC }) => tempC),
    ).toEqual([1.125, 1])
    expect(remarks.join('; ')).toMatch(
      /2 lines could not be read.*1 line lay outside.*1 line lay before.*1 line came twice.*out of order/s,
    )
    expect(() =>
      readLogger(
        [
          ['t', 'c'],
          ['?', 'x'],
        ],
        columns,
      ),
    ).toThrow(/Nothing of it can be used/)
    expect(
      readLogger(
        [
          ['t', 'f'],
          [stamp(START), '68'],
        ],
        { ...columns, fahrenheit: true },
      ).points[0]!.tempC,
    ).toBeCloseTo(20, 9)
  })

  it('when the clock goes back, the hour that comes twice is two hours, in order', () => {
    // Read in the zone of the tests: Europe/Berlin, where the clock went back on 25 October 2026 at 3:00.
    const local = ['01:30', '02:00', '02:30', '02:00', '02:30', '03:00'].map((time, index) => [
      `2026-10-25 ${time}`,
      String(10 + index),
    ])
    const { points, remarks } = readLogger([['t', 'c'], ...local], columns)
    expect(points.map(({ tempC }) => tempC)).toEqual([10, 11, 12, 13, 14, 15])
    expect(points.slice(1).map((point, index) => (point.atMs - points[index]!.atMs) / 60_000)).toEqual([
      30, 30, 30, 30, 30,
    ])
    expect(remarks.join()).toMatch(/clock was changed/)
  })

  it('thins a record so that nothing left out is further off than told, ends kept', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 3, maxLength: 400 }),
        fc.integer({ min: 5, max: 100 }),
        (steps, most) => {
          let tempC = 20
          const points = steps.map((step, index) => ({
            atMs: START + index * 60_000,
            tempC: (tempC += step),
            ph: null,
          }))
          const thin = thinLogger(points, most)
          expect(thin.points.length).toBeLessThanOrEqual(most)
          expect([thin.points[0], thin.points.at(-1)]).toEqual([points[0], points.at(-1)])
          const [at, values] = [thin.points.map((point) => point.atMs), thin.points.map((point) => point.tempC!)]
          for (const point of points)
            expect(Math.abs(valueAt(at, values, point.atMs) - point.tempC)).toBeLessThanOrEqual(thin.withinC + 1e-6)
        },
      ),
      { numRuns: 40 },
    )
  })
})
