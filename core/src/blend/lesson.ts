import { mix, type Composition } from '../composition/composition'
import { InvalidInput } from '../invalid'
import { formatNumber } from '../units/number'
import { acidFromTrial, learnAcid, othersSd } from './calibrate'

/** A part of a trial as it was weighed; `of` says what it is a part of, raw or roasted. */
interface WeighedPart {
  name: string
  of: string | undefined
  composition: Composition
}

/**
 * What a trial's pH would teach of one of its parts, in words; or why it teaches nothing. The same thing raw and
 * roasted is one unknown. @param readSd standard deviation of the reading, pH.
 */
export function lessonOf(
  { name, of }: WeighedPart,
  parts: readonly WeighedPart[],
  ph: number,
  readSd: number,
): { problem: string; sentence: string } {
  const compositions = (alike: boolean) =>
    parts.filter((part) => (part.of === of) === alike).map((part) => part.composition)
  try {
    const [composition, others] = [mix(compositions(true)), compositions(false)]
    const found = acidFromTrial(composition, others, ph, readSd, othersSd(composition, others))
    const after = learnAcid(composition.acidLogSd, [found])
    const before = formatNumber(100 * composition.acidLogSd)
    return {
      problem: '',
      sentence: `${name} holds about ${formatNumber(after.factor, 2)} times the acid that was supposed, give or take ${formatNumber(100 * after.logSd)} % (before: ${before} %).`,
    }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message, sentence: '' }
    throw error
  }
}
