import type { Library } from './library'

/** Grams of fruit in what is weighed in; parts of other lots count as what they became. */
export function fruitG(
  library: Library,
  rows: readonly { lotId?: string | undefined; materialId: string; massG: number }[],
): number {
  const isFruit = ({ lotId, materialId }: (typeof rows)[number]) =>
    !lotId && library.materialOrUnknown(materialId).kind === 'fruit'
  return rows.filter(isFruit).reduce((sum, { massG }) => sum + massG, 0)
}
