import type { Lot } from '../log/lot'

type Lots = ReadonlyMap<string, Lot>
/** With more than this on top all are put together again: what lies on top is copied each time. */
const MOST_OVER = 64

/** Lots of which some lie on top of all others, in the order of these. */
class LotsOver implements Lots {
  /** In order, once somebody asked. */
  private list?: Lot[]
  constructor(
    readonly under: Lots,
    readonly over: Lots,
  ) {}
  get size() {
    return this.under.size
  }
  has(id: string) {
    return this.under.has(id)
  }
  get(id: string) {
    return this.over.get(id) ?? this.under.get(id)
  }
  keys() {
    return this.under.keys()
  }
  values() {
    this.list ??= Array.from(this.under.values(), (lot) => this.over.get(lot.id) ?? lot)
    return this.list.values()
  }
  *entries(): Generator<[string, Lot], undefined> {
    for (const lot of this.values()) yield [lot.id, lot]
  }
  [Symbol.iterator]() {
    return this.entries()
  }
  forEach(tell: (lot: Lot, id: string, lots: Lots) => void) {
    for (const [id, lot] of this) tell(lot, id, this)
  }
}

/**
 * Lots with some of them anew: reads like a copy of the map with these set in it, and costs what these cost. What it
 * was made from must not change after.
 * @param lots by their ids. @param anew such as stand in `lots` already.
 */
export function lotsWithAnew(lots: Lots, anew: Lots): Lots {
  const [under, before] = lots instanceof LotsOver ? [lots.under, lots.over] : [lots, []]
  const over = new Map([...before, ...anew])
  const all = new LotsOver(under, over)
  return over.size > MOST_OVER ? new Map(all) : all
}
