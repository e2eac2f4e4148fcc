import { within } from '../invalid'
import { formatNumber } from '../units/number'
import type { Range, Working } from '../working'
import type { Level } from '../level'

/** 97.5 % points of Student's t for 1 to 30 degrees of freedom. Statistical table, from memory. */
const T975 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11,
  2.101, 2.093, 2.086, 2.08, 2.074, 2.069, 2.064, 2.06, 2.056, 2.052, 2.048, 2.045, 2.042,
]

/**
 * The 97.5 % point of Student's t; past 30 degrees of freedom by the normal point with its first two corrections
 * (Cornish and Fisher).
 * @param freedom degrees of freedom, 1 or more.
 */
export function t975(freedom: number): number {
  within(freedom, 1, 1e9, 'The degrees of freedom')
  const z = 1.959964
  return (
    T975[Math.floor(freedom) - 1] ??
    z + (z ** 3 + z) / (4 * freedom) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedom ** 2)
  )
}

/**
 * Largest shortage of one bottle that may be met, by its nominal contents in mL or g: above it a bottle counts as
 * short, at twice as much it may not leave.
 * Annex I of directive 76/211/EEC, from memory. Other places have other tables: local rules win.
 */
export function tolerableShortage(nominal: number): number {
  within(nominal, 5, 10_000, 'The nominal contents')
  if (nominal <= 50) return 0.09 * nominal
  if (nominal <= 100) return 4.5
  if (nominal <= 200) return 0.045 * nominal
  if (nominal <= 300) return 9
  if (nominal <= 500) return 0.03 * nominal
  if (nominal <= 1000) return 15
  return 0.015 * nominal
}

/**
 * Mean and sample standard deviation; `null` of one value. Taken from the first value, so that large equal parts do
 * not eat the digits.
 */
export function meanAndSpread(values: readonly number[]): { mean: number; sd: number | null } {
  const [shift = 0] = values
  const beyond = values.reduce((sum, value) => sum + (value - shift), 0) / values.length
  return {
    mean: shift + beyond,
    sd:
      values.length > 1
        ? Math.sqrt(values.reduce((sum, value) => sum + (value - shift - beyond) ** 2, 0) / (values.length - 1))
        : null,
  }
}

/**
 * How bottles of a run are filled: net weights in g against the nominal. `short` and `far` are places in the list,
 * from 0.
 */
export interface NetContents {
  count: number
  nominalG: number
  meanG: number
  /** Standard deviation; `null` of one bottle. */
  sdG: number | null
  leastG: number
  /** Where the mean of the whole run lies, 95 %. */
  mean: Range
  toleranceG: number
  short: number[]
  far: number[]
  verdict: Level
  sentence: string
  working: Working
}

/**
 * A sample laid beside what the label says, g. `errorG` is what its mean may be off by; `far` and `short` are places
 * in the sample.
 */
interface Sample {
  count: number
  nominalG: number
  toleranceG: number
  meanG: number
  errorG: number
  far: readonly number[]
  short: readonly number[]
}

const inGrams = (grams: number) => `${formatNumber(grams, 1)} g`
const bottleNames = (places: readonly number[]) => `Bottle ${places.map((index) => index + 1).join(', ')}`

/** What a sample comes to: single bottles that lack too much go before the mean. */
function judgeSample(sample: Sample): Pick<NetContents, 'verdict' | 'sentence'> {
  const { count, nominalG, toleranceG, meanG, errorG, far, short } = sample
  if (far.length)
    return {
      verdict: 'discard',
      sentence: `${bottleNames(far)} lacks more than twice what is tolerable: fill it up or take it out.`,
    }
  if (meanG + errorG < nominalG)
    return {
      verdict: 'act',
      sentence: `On average ${inGrams(nominalG - meanG)} short, more than the sample can explain. Fill higher.`,
    }
  if (short.length)
    return {
      verdict: 'act',
      sentence: `${bottleNames(short)} lacks more than ${inGrams(toleranceG)}. At most one in forty may; weigh more of them.`,
    }
  if (meanG < nominalG)
    return {
      verdict: 'ask',
      sentence: `On average ${inGrams(nominalG - meanG)} under ${inGrams(nominalG)}, within what ${count === 1 ? 'one bottle' : `${count} bottles`} can tell. Weigh more, or fill a little higher.`,
    }
  return {
    verdict: 'fine',
    sentence: `On average ${inGrams(meanG)}, ${inGrams(nominalG)} are on the label; none short.`,
  }
}

function netWorking(
  { count, nominalG, toleranceG, meanG, errorG }: Sample,
  sdG: number | null,
  nominalMl: number,
  densityGPerMl: number,
): Working {
  const nominal = `${formatNumber(nominalMl)} mL × ${formatNumber(densityGPerMl, 3)} g/mL = ${inGrams(nominalG)}`
  const scatter =
    sdG === null
      ? []
      : [
          { name: 's', value: `${formatNumber(sdG, 2)} g` },
          { name: 't', value: formatNumber(t975(count - 1), 3) },
        ]
  return {
    what: 'Net contents',
    formula: 'mean ± t s/√n against nominal; each bottle against nominal − T',
    numbers: [
      { name: 'nominal', value: nominal },
      { name: 'n', value: String(count) },
      ...scatter,
      { name: 'T', value: inGrams(toleranceG) },
    ],
    result: `${formatNumber(meanG - errorG, 1)} to ${formatNumber(meanG + errorG, 1)} g on average`,
    source:
      'Tolerances: Annex I of directive 76/211/EEC; rule for the mean as in NIST Handbook 133; both from memory. Other places have other rules: local rules win.',
  }
}

/**
 * Judges sampled net weights: their mean against the nominal with its sampling error, and each bottle against the
 * tolerable shortage.
 * @param netG net weights, g. @param nominalMl what the label says. @param densityGPerMl of the cold sauce.
 * @throws InvalidInput without a weight, or with one that cannot be.
 */
export function netContents(netG: readonly number[], nominalMl: number, densityGPerMl: number): NetContents {
  const count = netG.length
  within(count, 1, 500, 'The number of sampled bottles')
  within(densityGPerMl, 0.5, 1.6, 'The density in g/mL')
  const nominalG = nominalMl * densityGPerMl
  const toleranceG = tolerableShortage(nominalMl) * densityGPerMl
  for (const grams of netG) within(grams, 0, 3 * nominalG, 'A net weight in g')
  const { mean: meanG, sd: sdG } = meanAndSpread(netG)
  const errorG = sdG === null ? toleranceG : (t975(count - 1) * sdG) / Math.sqrt(count)
  const places = (limit: number) => netG.flatMap((grams, index) => (grams < limit ? [index] : []))
  const far = places(nominalG - 2 * toleranceG)
  const short = places(nominalG - toleranceG).filter((index) => !far.includes(index))
  const sample: Sample = { count, nominalG, toleranceG, meanG, errorG, far, short }
  return {
    count,
    nominalG,
    meanG,
    sdG,
    leastG: Math.min(...netG),
    mean: { low: meanG - errorG, typical: meanG, high: meanG + errorG },
    toleranceG,
    short,
    far,
    ...judgeSample(sample),
    working: netWorking(sample, sdG, nominalMl, densityGPerMl),
  }
}
