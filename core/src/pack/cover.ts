import { InvalidInput, within } from '../invalid'
import { brineDensity } from '../salt/brine'
import { formatNumber } from '../units/number'
import { mapRange, type Range, type Working } from '../working'

/** Brine that covers pieces. Volumes in mL, masses in g. */
export interface Cover {
  volumeMl: Range
  massG: number
  reserveG: number
  bulkMl: number
}

/** A finger of brine above the pieces, as a share of their bulk. Judgement. */
const ABOVE = 0.06

/** Kept back for the first two days, when pieces drink: a share of the brine. Common practice. */
export const RESERVE = 0.1

/**
 * Brine that fills the gaps between pieces and stands a finger above them.
 * @param piecesMl volume of the pieces themselves. @param voidShare gaps as a share of the bulk, 0 to 0.9.
 * @param strengthPct of the brine, percent of the solution, for its density (no temperature: at 20 °C).
 */
export function coverBrine(piecesMl: number, voidShare: Range, strengthPct: number): Cover {
  within(piecesMl, 0, 1e9, 'The volume of the pieces in mL')
  if (!(voidShare.low >= 0 && voidShare.high < 0.9))
    throw new InvalidInput('The gaps between pieces are a share between 0 and 0.9.')
  const bulk = (gaps: number) => piecesMl / (1 - gaps)
  const volumeMl = mapRange(voidShare, (gaps) => bulk(gaps) - piecesMl + ABOVE * bulk(gaps))
  const massG = volumeMl.typical * brineDensity(Math.min(26, strengthPct))
  return { volumeMl, massG, reserveG: massG * RESERVE, bulkMl: bulk(voidShare.typical) }
}

/** Water and salt of a brine, g, from its mass and strength in percent of the solution. */
export const brineParts = (massG: number, strengthPct: number): { waterG: number; saltG: number } => ({
  waterG: massG * (1 - strengthPct / 100),
  saltG: (massG * strengthPct) / 100,
})

/** The working of a cover. */
export function coverWorking(piecesMl: number, voidShare: Range, cover: Cover, strengthPct: number): Working {
  const percent = (share: number) => `${formatNumber(100 * share)} %`
  return {
    what: 'Brine that covers',
    formula: 'V = pieces / (1 − gaps) × (gaps + a finger)',
    numbers: [
      { name: 'pieces', value: `${formatNumber(piecesMl)} mL` },
      {
        name: 'gaps between them',
        value: `${percent(voidShare.typical)} (${percent(voidShare.low)} to ${percent(voidShare.high)})`,
      },
      { name: 'a finger above', value: percent(ABOVE) },
      {
        name: 'brine',
        value: `${formatNumber(strengthPct, 2)} % of the solution, ${brineDensity(Math.min(26, strengthPct)).toFixed(3)} g/mL at 20 °C`,
      },
    ],
    result: `${formatNumber(cover.volumeMl.typical)} mL, probably ${formatNumber(cover.volumeMl.low)} to ${formatNumber(cover.volumeMl.high)} mL`,
    source: 'Gaps: judgement. Brine density: CRC Handbook, from memory',
  }
}
