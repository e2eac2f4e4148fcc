import type { Lot } from '../log/lot'
import { formatNumber } from '../units/number'

/** What stands on a jar: the same for all jars of a lot but the mark and HOT. */
export interface JarLabel {
  code: string
  name: string
  lines: string[]
  hot: boolean
}

/**
 * One label a vessel of a lot; a lot that is not packed yet gets one. `saltPct` of everything, evened out;
 * `allergens` as they must be seen.
 */
export function jarLabels(lot: Lot, saltPct: number | null, allergens: readonly string[]): JarLabel[] {
  const closure = lot.packed?.closure ?? ''
  const started = lot.packed ? `started ${lot.packed.at.slice(0, 10)}` : 'not packed yet'
  const salt = saltPct === null ? '' : `${formatNumber(saltPct, 1)} % salt`
  const lines = [
    [salt, started].filter(Boolean).join(', '),
    closure,
    allergens.length ? `contains ${allergens.join(', ')}` : '',
  ].filter(Boolean)
  return (lot.packed?.vessels ?? [{ mark: '', hot: lot.hot }]).map(({ mark, hot }) => ({
    code: `${lot.code}${mark}`,
    name: lot.name,
    lines,
    hot,
  }))
}
