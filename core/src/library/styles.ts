import type { Closure } from './vessels'
import type { SaltBasis } from '../salt/dose'

export type StyleId = 'mash' | 'brined' | 'chop' | 'bag' | 'salt-packed'

/** A way of fermenting: usual salt (percent on its basis), largest fill of the vessel, what the round asks for. */
export interface Style {
  id: StyleId
  name: string
  basis: SaltBasis
  saltPct: { low: number, usual: number, high: number }
  fillLimit: number
  usesWater: boolean
  closure: Closure
  /** Has pieces that must be pressed back under their liquid each day. */
  pressDown: boolean
  usualDays: string
}

/** Common practice; fill limits after the rise of a ground mash (a quarter to a third). */
export const STYLES: readonly Style[] = [
  { id: 'mash', name: 'Mash', basis: 'ingredients', saltPct: { low: 2, usual: 4, high: 7 }, fillLimit: 0.75, usesWater: false, closure: 'airlock', pressDown: false, usualDays: '3–7 days, a month, or years' },
  { id: 'brined', name: 'Brined pieces', basis: 'brine', saltPct: { low: 2.5, usual: 3.5, high: 6 }, fillLimit: 0.9, usesWater: true, closure: 'tight lid', pressDown: true, usualDays: '5–14 days, or months' },
  { id: 'chop', name: 'Dry-salted chop', basis: 'ingredients', saltPct: { low: 2, usual: 2.5, high: 3 }, fillLimit: 0.85, usesWater: false, closure: 'loose lid', pressDown: true, usualDays: '2–7 days' },
  { id: 'bag', name: 'Sealed bag', basis: 'ingredients', saltPct: { low: 3, usual: 4, high: 5 }, fillLimit: 0.67, usesWater: false, closure: 'sealed bag', pressDown: false, usualDays: '3–5 weeks' },
  { id: 'salt-packed', name: 'Salt-packed fruit', basis: 'ingredients', saltPct: { low: 8, usual: 10, high: 15 }, fillLimit: 0.9, usesWater: false, closure: 'tight lid', pressDown: true, usualDays: '30 days' },
]
const BY_ID = new Map(STYLES.map(style => [style.id, style]))

/** A style by its id; every id of the type is in the table. */
export function styleById(id: StyleId): Style {
  const style = BY_ID.get(id)
  if (!style) throw new Error(`No style ${id}`)
  return style
}
