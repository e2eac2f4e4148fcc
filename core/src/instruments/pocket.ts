import { InvalidInput, within } from '../invalid'
import { METER_LIMITS } from '../log/trust'

/** A buffer and what a meter without millivolts showed in it. */
export interface BufferShown {
  ph: number
  shown: number
}

/** Buffers less than this apart say too little, pH. */
const APART = 1.5

/**
 * Whether a meter that shows no millivolts can be used, by what it showed in two buffers.
 * @throws InvalidInput when the buffers lie too near each other, or a figure cannot be.
 */
export function checkPocket(first: BufferShown, second: BufferShown): { accepted: boolean; sentence: string } {
  for (const { shown } of [first, second]) within(shown, 0, 14, 'What it showed')
  if (Math.abs(first.ph - second.ph) < APART)
    throw new InvalidInput('Use two buffers at least 1.5 pH apart: 7 and 4 suit a ferment.')
  const worst = Math.max(...[first, second].map(({ ph, shown }) => Math.abs(shown - ph)))
  const figure = `At most ${worst.toFixed(2)} off.`
  return worst <= METER_LIMITS.offPh + 1e-9
    ? { accepted: true, sentence: `${figure} Good for a day.` }
    : {
        accepted: false,
        sentence: `${figure} Not accepted: set it anew on the buffers, or clean it and take fresh ones, then check again.`,
      }
}
