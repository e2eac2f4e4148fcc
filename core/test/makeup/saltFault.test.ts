import { describe, expect, it } from 'vitest'
import {
  compositionOf,
  fold,
  inJars,
  knownSaltPct,
  mostBrineG,
  plannedSaltPct,
  propertiesOf,
  remediesOf,
  remedyDrafts,
  type Draft,
  type SaltKnown,
} from '../../src'
import { day, notebook } from '../log/build'

/* A mash of 2 000 g of cayenne with 80 g of salt: 3.85 % of everything. Grams by mass balance, written out here. */
const WISH = { targetPct: 3.85, brinePct: 10 }
const measured = (measuredPct: number): SaltKnown => ({ measuredPct, rememberedG: null })
const remembered = (rememberedG: number): SaltKnown => ({ measuredPct: null, rememberedG })

function salted(change: object = {}) {
  const log = notebook()
  const lotId = log.mash(0, change)
  const book = () => fold(log.entries)
  const lot = () => book().lots.get(lotId)!
  return { log, lotId, book, lot }
}

describe('a salt that is off', () => {
  it('is known as planned, as measured, or from the grams remembered', () => {
    const { book, lot } = salted()
    expect(plannedSaltPct(book(), lot())).toBeCloseTo((100 * 80) / 2080, 2)
    expect(knownSaltPct(book(), lot(), measured(2.4))).toBe(2.4)
    expect(knownSaltPct(book(), lot(), remembered(40))).toBeCloseTo((100 * 40) / 2040, 6)
  })

  it('is mended by salt or a stronger brine where it is weak, thinned where it is strong', () => {
    const { book, lot } = salted()
    const ids = (known: SaltKnown, brinePct = 10) =>
      remediesOf(book(), lot(), known, { ...WISH, brinePct })?.map(({ id }) => id)
    expect(ids(remembered(40))).toEqual(['salt', 'brine'])
    expect(ids(remembered(40), 2)).toEqual(['salt'])
    expect(ids(measured(6))).toEqual(['produce', 'water'])
    expect(ids(measured(3.86))).toEqual([])
    const [salt] = remediesOf(book(), lot(), remembered(40), WISH)!
    // x of salt into 2 040 g with 40 g: (40 + x) / (2040 + x) = 3.85 %.
    expect(salt!.massG).toBeCloseTo((0.0385 * 2040 - 40) / (1 - 0.0385), 6)
  })

  it('offers no more produce where most of it came from a salted bowl', () => {
    const { log, lotId, book } = salted()
    const jar = log.mash(1, {
      rows: [
        { materialId: 'lot', lotId, name: 'Bowl', massG: 900, preparation: 'raw', seedsOut: false },
        { materialId: 'carrot', name: 'Carrot', massG: 100, preparation: 'raw', seedsOut: false },
      ],
    })
    const found = remediesOf(book(), book().lots.get(jar)!, measured(6), WISH)
    expect(found?.map(({ id }) => id)).toEqual(['water'])
  })

  it.each([
    ['measured', measured(6), 'reading'],
    ['remembered', remembered(120), 'weigh'],
  ] as const)('%s: what is written down brings the lot to its target', (_, known, kind) => {
    for (const at of [0, 1]) {
      const { log, lotId, book, lot } = salted()
      const remedy = remediesOf(book(), lot(), known, WISH)![at]!
      const moments = { at: day(1), laterAt: day(1.01) }
      const drafts = remedyDrafts(book(), lot(), known, WISH, remedy, moments) as Draft[]
      expect(drafts.map((draft) => draft.kind)).toEqual([kind, 'add'])
      for (const draft of drafts) log.write(draft)
      const { saltPct } = propertiesOf(compositionOf(book(), lotId)!)
      expect(saltPct, remedy.id).toBeCloseTo(WISH.targetPct, 1)
    }
  })
})

it('the brine that can be drawn leaves the pieces covered, and jars hold what stands in them', () => {
  const { lot } = salted()
  expect(mostBrineG(lot())).toBeCloseTo(0.6 * lot().leftG, 6)
  const marks = lot().vessels.map(({ mark }) => mark)
  expect(inJars(lot(), marks)).toBeCloseTo(lot().leftG, -1)
  expect(inJars(lot(), [])).toBe(0)
})
