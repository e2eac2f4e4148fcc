import { InvalidInput } from '../invalid'
import { formatNumber } from '../units/number'
import type { Amount } from '../units/quantity'
import { exactly, mapRange, type Range } from '../working'
import type { Material } from './material'

const CUP_ML = 236.5882365
const TEASPOON_ML = 4.92892159375

/** A weight that follows from how an amount was said, with what is not known of it. */
export interface Weighed {
  massG: Range
  sentence: string | null
}

/**
 * Grams of a material said by weight, cup, spoon or count. Weights are taken as they are; the rest follows from the
 * library's grams a cup or a piece.
 * @throws InvalidInput when nobody knows what one piece weighs.
 */
export function massOf(material: Material, amount: Amount): Weighed {
  if (amount.kind === 'mass') return { massG: exactly(amount.massG), sentence: null }
  const about = (massG: Range, of: string): Weighed => ({
    massG,
    sentence: `about ${formatNumber(massG.typical)} g, probably ${formatNumber(massG.low)}–${formatNumber(massG.high)} g: ${of}. Weigh it when you can.`,
  })
  if (amount.kind === 'volume') {
    const { volumeMl } = amount
    if (material.teaspoonG && volumeMl < CUP_ML / 2) {
      return about(
        mapRange(material.teaspoonG, (spoon) => (spoon * volumeMl) / TEASPOON_ML),
        `${formatNumber(material.teaspoonG.typical, 1)} g a level teaspoon`,
      )
    }
    return about(
      mapRange(material.cupG, (cup) => (cup * volumeMl) / CUP_ML),
      `${formatNumber(material.cupG.typical)} g a cup`,
    )
  }
  const { pieceG } = material
  if (!pieceG)
    throw new InvalidInput(
      `What one piece of ${material.name.toLowerCase()} weighs is not known. Weigh it, or give the weight of a piece in the Library.`,
    )
  return about(
    mapRange(pieceG, (piece) => piece * amount.pieces),
    `${formatNumber(pieceG.typical, 1)} g a piece`,
  )
}
