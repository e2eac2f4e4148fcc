import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  AFTER_PRESS,
  bookingsOf,
  bottlesOfLot,
  clashesOf,
  firstSale,
  freeRows,
  fromCrate,
  fromTable,
  latestStart,
  leadOf,
  movedBy,
  plainTemplate,
  rowsOf,
  seat,
  stepsFrom,
  styleById,
  takenBy,
  toBuy,
  type Lead,
} from '../../src'
import { notebook, START } from '../log/build'

const DAY_MS = 86_400_000
const LEAD: Lead = { likelyDays: 9, lateDays: 12, missed: 0.3 }
/** A loft with three vessels of its own, one of them taken until its lot is pressed. */
function loft() {
  const log = notebook()
  const own = (vesselId: string, capacityMl: number, count: number) =>
    log.write({
      ...{ kind: 'vessel', at: new Date(START).toISOString(), vesselId, name: vesselId, shape: 'jar' },
      ...{ capacityMl, closure: 'airlock', count },
    })
  own('jar-3000', 3150, 2)
  own('jar-10', 10_500, 1)
  log.mash(0)
  const book = log.book()
  const bookings = bookingsOf(
    book,
    () => ({ early: 200, typical: 240, late: 360, lateOfThose: 360, missed: 0 }),
    START + DAY_MS,
  )
  const rows = rowsOf(book.library, bookings)
  return { book, rows, seated: seat(bookings, rows) }
}
const crate = (massG: number, lots = 1, startMs = START + 2 * DAY_MS) => {
  const { book, rows, seated } = loft()
  const template = plainTemplate(book, 'cayenne', 'mash')
  return { book, rows, seated, proposal: fromCrate(book, { template, massG, startMs, lots, lead: LEAD }, rows, seated) }
}

describe('the calendar of the loft', () => {
  it('shows the maker’s own vessels, and what ferments takes its own until the late end', () => {
    const { rows, seated } = loft()
    expect(rows.map(({ key }) => key)).toEqual(['jar-3000#1', 'jar-3000#2', 'jar-10#1'])
    expect(seated).toMatchObject([{ rowKey: 'jar-3000#1', kind: 'fermenting', lateMs: START + 15 * DAY_MS }])
    const then = { fromMs: START + 2 * DAY_MS, lateMs: START + 3 * DAY_MS }
    expect(freeRows(rows, seated, then).map(({ key }) => key)).toEqual(['jar-3000#2', 'jar-10#1'])
  })

  it('from the crate: 6 kg at 4 % go into what is free, with their salt', () => {
    const { proposal } = crate(6000)
    expect(proposal.misfits).toEqual([])
    const [lot] = proposal.lots
    expect(lot!.figures.dose.saltG).toBeCloseTo(240, 6)
    expect(lot!.rows.map(({ key }) => key)).toEqual(['jar-10#1'])
    expect(lot!.pressMs - lot!.startMs).toBe(12 * DAY_MS)
  })

  it('what comes is placed or said to be left, and no vessel holds two lots or more than its limit', () => {
    fc.assert(
      fc.property(fc.double({ min: 500, max: 40_000, noNaN: true }), fc.integer({ min: 1, max: 4 }), (massG, lots) => {
        const { proposal, seated, rows } = crate(massG, lots)
        const placedG = proposal.lots.reduce((sum, { figures }) => sum + figures.composition.massG, 0)
        const leftG = proposal.misfits.reduce((sum, one) => sum + (one.code === 'no vessel' ? one.massG : 0), 0)
        // All of it with its salt; the last thousandth of a full vessel is left free.
        expect(placedG + leftG).toBeGreaterThan(massG * 1.04 * 0.998)
        expect(placedG + leftG).toBeLessThan(massG * 1.04 * 1.0001)
        const taken = takenBy(proposal.lots)
        expect(new Set(taken.map(({ rowKey }) => rowKey)).size).toBe(taken.length)
        for (const lot of proposal.lots) {
          expect(lot.fraction).toBeLessThanOrEqual(styleById('mash').fillLimit + 1e-9)
          const others = [...seated, ...takenBy(proposal.lots.filter((one) => one !== lot))]
          expect(clashesOf(lot, others, { saleMs: null, todayMs: START }).rowKeys).toEqual([])
        }
        const then = { fromMs: START + 2 * DAY_MS, lateMs: START + 14 * DAY_MS }
        if (leftG > 0) expect(freeRows(rows, [...seated, ...taken], then)).toEqual([])
      }),
      { numRuns: 60, seed: 17 },
    )
  })

  it('from the table: begun so that the late end still makes the market, with bottles at the low end of the yield', () => {
    const { book, rows, seated } = loft()
    const saleMs = START + 60 * DAY_MS
    const sorts = ['cayenne', 'jalapeno'].map((materialId) => ({
      ...{ key: materialId, template: plainTemplate(book, materialId, 'mash'), bottles: 20, bottleMl: 150 },
      ...{ baseShare: 0.8, lead: LEAD },
    }))
    const { lots, misfits } = fromTable(book, { sorts, saleMs, todayMs: START }, rows, seated)
    expect(misfits).toEqual([])
    for (const lot of lots) {
      expect(lot.startMs).toBe(latestStart(saleMs, LEAD))
      expect(firstSale(lot.startMs, LEAD)).toBe(saleMs)
      expect(bottlesOfLot(lot, 150, 0.8).low).toBe(20)
      expect(stepsFrom(lot.pressMs).find(({ step }) => step === 'sale')?.atMs).toBe(saleMs)
      expect(clashesOf(movedBy(lot, 1), [], { saleMs, todayMs: START }).missesSale).toBe(true)
    }
    // 20 x 150 mL x 0.8 of base at the low yield of 75 %: 3.2 L and more of each.
    expect(
      toBuy(lots)
        .map(({ massG }) => massG)
        .every((massG) => massG > 3200),
    ).toBe(true)
  })

  it('says what would: a later market, an unknown end, vessels that are missing and when one is free', () => {
    const { book, rows, seated } = loft()
    const template = plainTemplate(book, 'cayenne', 'mash')
    const sort = { key: 'hot', template, bottles: 400, bottleMl: 150, baseShare: 1, lead: LEAD }
    const saleMs = START + 5 * DAY_MS
    const { misfits } = fromTable(
      book,
      { sorts: [sort, { ...sort, key: 'mild', lead: null }], saleMs, todayMs: START },
      rows,
      seated,
    )
    expect(misfits.map(({ code }) => code)).toEqual(['too late', 'no end', 'no vessel'])
    expect(misfits[0]).toMatchObject({ firstMs: START + (12 + AFTER_PRESS.sale) * DAY_MS })
    expect(misfits[2]).toMatchObject({ freeMs: START + 15 * DAY_MS })
  })

  it('a lead is the forecast’s where acid decides, the style’s where time does, and none where half never get there', () => {
    const ready = { early: 100, typical: 200, late: null, lateOfThose: 290, missed: 0.3 }
    expect(leadOf(styleById('mash'), ready)).toEqual({ likelyDays: 9, lateDays: 13, missed: 0.3 })
    expect(leadOf(styleById('infusion'), null)).toEqual({ likelyDays: 28, lateDays: 42, missed: 0 })
    expect(leadOf(styleById('mash'), { ...ready, typical: null, missed: 0.6 })).toBeNull()
  })
})

describe('vessels that are seated', () => {
  it('stand in the first of their kind that is free then, and share the first only where none is', () => {
    const span = fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 25 }), fc.constantFrom('a', 'b'))
    fc.assert(
      fc.property(fc.array(span, { maxLength: 40 }), fc.integer({ min: 1, max: 5 }), (spans, count) => {
        const rows = ['a', 'b'].flatMap((vesselId) =>
          Array.from({ length: count }, (_, at) => ({
            ...{ key: `${vesselId}#${at}`, vesselId, capacityMl: 1000, name: '' },
          })),
        )
        const bookings = spans.map(([fromMs, days, vesselId], at) => ({
          ...{ lotId: String(at), code: '', name: '', color: '', kind: 'planned' as const },
          ...{ vesselId, fromMs, likelyMs: fromMs + days, lateMs: fromMs + days },
        }))
        const seated = seat(bookings, rows)
        expect(seated.map(({ lotId }) => lotId).sort()).toEqual(bookings.map(({ lotId }) => lotId).sort())
        for (const [at, one] of seated.entries()) {
          const taken = (key: string) =>
            seated
              .slice(0, at)
              .some((other) => other.rowKey === key && other.fromMs < one.lateMs && one.fromMs < other.lateMs)
          const kin = rows.filter(({ vesselId }) => vesselId === one.vesselId)
          expect(one.rowKey).toBe((kin.find(({ key }) => !taken(key)) ?? kin[0]!).key)
        }
      }),
      { numRuns: 100 },
    )
  })
})
