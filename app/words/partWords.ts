import { formatMass, SCALE_NOISE_G, type Lot, type Material, type UnitWorld } from '@lactofer/core'
import type { PartForm } from '~/forms/blendForm'

/** Whether a part has a pH of its own that may be told. */
export const hasOwnPh = ({ materialId }: PartForm, material: Material | undefined): boolean =>
  materialId !== undefined && (material?.ph ?? null) !== null

/** What stands there of a part anyhow. */
export const tableWords = (part: PartForm, material: Material | undefined): string =>
  hasOwnPh(part, material) && part.ph === null ? `pH ${material?.ph?.typical.toFixed(1)}, from the table` : ''

/** What is known of a part, in one line. */
export const partWords = (part: PartForm, material: Material | undefined): string =>
  [
    part.ph === null ? tableWords(part, material) : `pH ${part.ph.toFixed(2)}`,
    part.preparation === 'boiled' ? 'cooked' : '',
    part.strengthPct === null ? '' : `${part.strengthPct} % acetic acid`,
    part.alkalinity === null ? '' : `alkalinity ${part.alkalinity} mmol/L`,
    part.lowPct === null ? '' : `at least ${part.lowPct} %`,
    part.highPct === null ? '' : `at most ${part.highPct} %`,
  ]
    .filter(Boolean)
    .join(', ')

/** What a part is held against. */
export interface PartContext {
  /** What its own field says against it. */
  own: string | undefined
  lot: Lot | undefined
  /** What stays of a lot when every sauce is poured, g. */
  remains: (lotId: string) => number
  totalG: number
  world: UnitWorld
  /** What a lot works out to in which no pH was ever read. */
  unreadPh: number | null
}
/** More xanthan than this share of the pot turns slimy. Common practice. */
const MOST_XANTHAN = 0.005

/** What is to be said of a part: a problem, or a note. */
export function saidOf(
  { lotId, massG, materialId }: PartForm,
  { own, lot, remains, totalG, world, unreadPh }: PartContext,
): { text: string; level: 'problem' | 'note' } | null {
  const problem = (text: string) => ({ text, level: 'problem' as const })
  if (own) return problem(own)
  if (lotId && !lot) return problem('This lot is no longer in the log. Take it out.')
  if (lot && massG !== null && massG > lot.leftG + SCALE_NOISE_G)
    return problem(`Only ${formatMass(lot.leftG, world)} in stock.`)
  if (lot && remains(lot.id) < -0.5)
    return problem(`The sauces together take ${formatMass(-remains(lot.id), world)} more than there is.`)
  if (unreadPh !== null)
    return {
      text: `No pH was read in it: it counts as it was packed, pH ${unreadPh.toFixed(2)}, however sour its forecast says it is. Read it.`,
      level: 'note',
    }
  if (materialId === 'xanthan' && totalG > 0 && (massG ?? 0) > MOST_XANTHAN * totalG)
    return { text: 'More than 0.5 % of it turns slimy; 0.1 to 0.3 % is usual.', level: 'note' }
  return null
}
