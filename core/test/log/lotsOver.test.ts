import fc from 'fast-check'
import { expect, it } from 'vitest'
import { lotsWithAnew } from '../../src/lots/lotsOver'
import type { Lot } from '../../src/log/lot'

const lot = (id: string, name: string) => ({ id, name }) as Lot
const COUNT = 150

it('lots of which some are anew read like a copy of the map with these set in it, whatever was set before', () => {
  const touched = fc.uniqueArray(fc.nat({ max: COUNT - 1 }), { maxLength: 30 })
  fc.assert(
    fc.property(fc.array(touched, { maxLength: 12 }), (turns) => {
      let copied = new Map(Array.from({ length: COUNT }, (_, at) => [`${at}`, lot(`${at}`, 'first')]))
      let lots: ReadonlyMap<string, Lot> = copied
      for (const [turn, ids] of turns.entries()) {
        const [before, read] = [lots, [...lots]]
        const anew = new Map(ids.map((id) => [`${id}`, lot(`${id}`, `turn ${turn}`)]))
        lots = lotsWithAnew(lots, anew)
        copied = new Map([...copied, ...anew])
        const each: [string, Lot][] = []
        lots.forEach((one, id) => each.push([id, one]))
        expect([...lots]).toEqual([...copied])
        expect(each).toEqual([...copied])
        expect([...lots.values()]).toEqual([...copied.values()])
        expect([...lots.keys()].map((id) => lots.get(id))).toEqual([...copied.values()])
        expect([lots.size, lots.has('0'), lots.has('none'), lots.get('none')]).toEqual([COUNT, true, false, undefined])
        expect([...before]).toEqual(read)
      }
    }),
  )
})
