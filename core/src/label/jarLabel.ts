import type { HomeMark } from '../judge/reasons'
import type { Lot } from '../log/lot'
import { formatNumber } from '../units/number'

/** What stands on a jar: the same for all jars of a lot but the mark and HOT. */
export interface JarLabel {
  code: string
  name: string
  lines: string[]
  hot: boolean
}

/** What must be seen on a jar beside its salt: allergens; that it stays in the own kitchen; cautions. */
export interface MustBeSeen {
  allergens: readonly string[]
  mark: HomeMark | null
  cautions: readonly string[]
}

const MARK_SAYS: Record<HomeMark, string> = {
  'not measured': 'NOT MEASURED: cold, own kitchen',
  'home use only': 'HOME USE ONLY: boil 10 min before tasting',
}

/** One label a vessel of a lot; a lot that is not packed yet gets one. `saltPct` of everything, evened out. */
export function jarLabels(lot: Lot, saltPct: number | null, seen: MustBeSeen): JarLabel[] {
  const closure = lot.packed?.closure ?? ''
  const started = lot.packed ? `started ${lot.packed.at.slice(0, 10)}` : 'not packed yet'
  const salt = saltPct === null ? '' : `${formatNumber(saltPct, 1)} % salt`
  const lines = [
    [salt, started].filter(Boolean).join(', '),
    closure,
    seen.allergens.length ? `contains ${seen.allergens.join(', ')}` : '',
    seen.mark ? MARK_SAYS[seen.mark] : '',
    ...seen.cautions,
  ].filter(Boolean)
  return (lot.packed?.vessels ?? [{ mark: '', hot: lot.hot }]).map(({ mark, hot }) => ({
    code: `${lot.code}${mark}`,
    name: lot.name,
    lines,
    hot,
  }))
}
