import type { Working } from '../working'
import { within } from '../invalid'
import type { Style } from '../library/style'
import { formatNumber } from '../units/number'

/** How a vessel is filled: volumes in mL, fractions of its brim volume. */
export interface Fill {
  volumeMl: number
  headspaceMl: number
  /** Filled share of the brim volume; over 1 it does not fit. */
  fraction: number
  verdict: 'fits' | 'overfull' | 'airy' | 'too much'
  sentence: string
}

/**
 * Fill and headspace of one vessel.
 * @param massG what goes in, g. @param densityGPerMl from the mixture. @param capacityMl to the brim.
 * @param limit largest filled share for the style (mash 0.75), @param least below which there is too much air.
 */
export function fillVessel(massG: number, densityGPerMl: number, capacityMl: number, limit: number, least = 0.5): Fill {
  within(massG, 0, 1e9, 'The mass in grams')
  within(capacityMl, 1, 1e9, 'The vessel in mL')
  within(densityGPerMl, 0.3, 2, 'The density in g/mL')
  const volumeMl = massG / densityGPerMl
  const fraction = volumeMl / capacityMl
  const percent = `${formatNumber(100 * fraction)} %`
  const [verdict, sentence]: [Fill['verdict'], string] =
    fraction > 1
      ? ['too much', `Needs ${formatNumber(volumeMl)} mL; the vessel holds ${formatNumber(capacityMl)} mL.`]
      : fraction > limit
        ? [
            'overfull',
            `${percent} full. It will rise: keep it at or under ${formatNumber(100 * limit)} %, or set it in a tray.`,
          ]
        : fraction < least
          ? ['airy', `${percent} full. Much air above means mould: a smaller vessel is safer.`]
          : ['fits', `${percent} full, ${formatNumber(capacityMl - volumeMl)} mL of headspace.`]
  return { volumeMl, headspaceMl: capacityMl - volumeMl, fraction, verdict, sentence }
}

/** How a fill is judged on a page. */
export const FILL_LEVEL = {
  fits: 'fine',
  airy: 'ask',
  overfull: 'act',
  'too much': 'discard',
} as const satisfies Record<Fill['verdict'], string>

/** The mark of a vessel on its tape: a, b, c; none where it is the only one. */
export const vesselMark = (index: number, vessels: number): string =>
  vessels === 1 ? '' : String.fromCharCode(97 + (index % 26))

/** Over this share of fruit what is ground rises more. Judgement. */
const FRUITY = 0.2
/** Over this temperature, °C, it rises more too. Judgement. */
const WARM_C = 24

/** Largest fill of a style for what is in it: one that rises more with fruit, or in the warm, gets less then. */
export function fillLimitOf(
  { fillLimit, fillRising }: Pick<Style, 'fillLimit' | 'fillRising'>,
  fruitShare: number,
  tempC = 20,
): number {
  const rises = fruitShare > FRUITY || tempC > WARM_C
  return rises && fillRising !== undefined ? Math.min(fillLimit, fillRising) : fillLimit
}

/** The working of a fill. @param of what goes in, g, its density, and how full it may be. */
export function fillWorking(
  { volumeMl, headspaceMl, fraction }: Fill,
  { massG, densityGPerMl, limit }: { massG: number; densityGPerMl: number; limit: number },
): Working {
  return {
    what: 'How full',
    formula: 'filled = (mass / density) / what the vessels hold to the brim',
    numbers: [
      { name: 'mass', value: `${formatNumber(massG)} g` },
      { name: 'density', value: `${densityGPerMl.toFixed(3)} g/mL` },
      { name: 'volume', value: `${formatNumber(volumeMl)} mL` },
      { name: 'left free', value: `${formatNumber(headspaceMl)} mL` },
      { name: 'limit of this style', value: `${formatNumber(100 * limit)} %` },
    ],
    result: `${formatNumber(100 * fraction)} %`,
    source: 'Limits: common practice; what is ground rises, pieces need room for their brine',
  }
}
