import { acidFromTrial, formatNumber, InvalidInput, learnAcid, othersSd, type Composition } from '@lactofer/core'

/** What a trial's pH would teach of one part, in words; or why it teaches nothing. @param spread of the reading. */
export function lessonOf(
  { name, composition }: { name: string; composition: Composition },
  others: readonly Composition[],
  ph: number,
  spread: number,
): { problem: string; sentence: string } {
  try {
    const found = acidFromTrial(composition, others, ph, spread, othersSd(composition, others))
    const after = learnAcid(composition.acidSpread, [found])
    const before = formatNumber(100 * composition.acidSpread)
    return {
      problem: '',
      sentence: `${name} holds about ${formatNumber(after.factor, 2)} times the acid that was supposed, give or take ${formatNumber(100 * after.spread)} % (before: ${before} %).`,
    }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message, sentence: '' }
    throw error
  }
}
