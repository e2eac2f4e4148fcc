import type { Library, Lot, Material } from '@lactofer/core'
import { freshPart, type PartForm } from './blendForm'

/** So much of a material goes into the pot at first, g. */
function usualG({ kind }: Material): number {
  if (kind === 'thickener') return 1
  return kind === 'salt' || kind === 'acid' ? 5 : 100
}

/** A part as it is chosen from the list, `lot:` or `stuff:` and an id: half of what is left of a lot, or the usual. */
export function chosenPart(
  choice: string,
  key: string,
  { lot: lotOf, library }: { lot: (id: string) => Lot | undefined; library: Library },
  remains: (lotId: string) => number,
): PartForm | null {
  const [kind, id = ''] = choice.split(':')
  const lot = kind === 'lot' ? lotOf(id) : undefined
  if (lot) return freshPart({ key, lotId: lot.id, name: lot.name, massG: Math.max(0, Math.round(remains(lot.id) / 2)) })
  const material = kind === 'stuff' ? library.material(id) : undefined
  return material ? freshPart({ key, materialId: material.id, name: material.name, massG: usualG(material) }) : null
}
