import { within } from '../invalid'
import type { Working } from '../working'

/** Grams an acid for a millimole of lye: molar mass over its protons. From memory. */
export const MILLIEQUIVALENT_G = {
  lactic: 0.09008,
  acetic: 0.06005,
  citric: 0.06404,
  malic: 0.06704,
  tartaric: 0.07504,
} as const

/** A titration to pH 8.2: sample in g, lye in mL, its strength in mol/L. */
export interface Titration {
  sampleG: number
  lyeMl: number
  lyeMolar: number
}

/** Titratable acidity in percent, as one acid. It counts what can still give a proton, not all the acid there is. */
export function titratablePct(
  { sampleG, lyeMl, lyeMolar }: Titration,
  as: keyof typeof MILLIEQUIVALENT_G = 'lactic',
): number {
  within(sampleG, 0.1, 1000, 'The sample in g')
  return (
    (100 *
      within(lyeMolar, 0.001, 5, 'The strength of the lye') *
      within(lyeMl, 0, 1000, 'The lye in mL') *
      MILLIEQUIVALENT_G[as]) /
    sampleG
  )
}

/** How a titratable acidity came about. */
export const titrationWorking = (titration: Titration): Working => ({
  what: 'Titratable acidity',
  formula: '% = 100 × lye in mol/L × mL × 0.09008 / g of sample',
  numbers: [
    { name: 'sample', value: `${titration.sampleG} g` },
    { name: 'lye to pH 8.2', value: `${titration.lyeMl} mL of ${titration.lyeMolar} mol/L` },
  ],
  result: `${titratablePct(titration).toFixed(2)} % as lactic acid`,
  source: 'Common practice; titratable is not total acid',
})
