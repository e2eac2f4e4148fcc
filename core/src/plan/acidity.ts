import { FERMENTED_FALL } from '../ferment/settled'
import { mix, type Composition } from '../composition/composition'
import { ofMaterial } from '../composition/ingredient'
import { mixturePh } from '../acid/mixture'
import { PH_LINE } from '../ferment/clock'
import type { Material } from '../library/material'
import { formatNumber } from '../units/number'
import type { Range } from '../working'
import type { Level } from '../level'

/** Over this a start is low in acid and wants the clock's whole attention. Judgement. */
const LOW_ACID_START = 5.3

/** How acid a plan starts: a word, a sentence, and what pulls it which way. */
export interface Acidity {
  level: Exclude<Level, 'discard'>
  sentence: string
  raises: string[]
  lowers: string[]
}

/**
 * How acid a plan starts, judged on the upper end of its band.
 * @param parts the rows with their own compositions; what shows a pH over 5.3 raises, under 4.6 lowers.
 */
export function acidityOf(ph: Range, parts: readonly { name: string; composition: Composition }[]): Acidity {
  const own = parts.map(({ name, composition }) => ({
    name,
    pH: mixturePh(composition),
    carries: Object.keys(composition.acids).length > 0,
  }))
  const raises = own
    .filter((part) => part.carries && part.pH !== null && part.pH > LOW_ACID_START)
    .map((part) => part.name)
  const lowers = own.filter((part) => part.carries && part.pH !== null && part.pH < PH_LINE).map((part) => part.name)
  if (ph.high <= PH_LINE) return { level: 'fine', raises, lowers, sentence: 'Starts at or under 4.6.' }
  if (ph.typical > LOW_ACID_START) {
    return {
      level: 'act',
      raises,
      lowers,
      sentence:
        `Low in acid: it starts at about ${ph.typical.toFixed(1)} and must pass 4.6 in time. ${raises.length ? `${raises.slice(0, 3).join(', ')} ${raises.length === 1 ? 'pulls' : 'pull'} it up.` : ''}`.trim(),
    }
  }
  return {
    level: 'ask',
    raises,
    lowers,
    sentence: `Starts ${ph.typical <= PH_LINE ? 'near' : 'above'} 4.6, as most do: the deadline clock runs until a reading is below it.`,
  }
}

/**
 * Grams of something sour that bring a mixture to a pH at the start; `null` when it cannot, or is there already.
 * Found by halving on the full charge balance; at most as much again as the mixture itself.
 */
export function gramsToReach(pH: number, mixture: Composition, sour: Material): number | null {
  const at = (grams: number) => mixturePh(mix([mixture, ofMaterial(sour, grams)])) ?? 14
  if (at(0) <= pH) return 0
  let low = 0
  let high = mixture.massG
  if (at(high) > pH) return null
  for (let pass = 0; pass < 24; pass++) {
    const middle = (low + high) / 2
    if (at(middle) > pH) low = middle
    else high = middle
  }
  return high
}

/** What would bring a start to 4.6: each on its own, with the salt it would leave. */
export function insurance(
  mixture: Composition,
  sours: readonly Material[],
  pH: number = PH_LINE,
): { material: Material; massG: number; saltPct: number; sentence: string }[] {
  return sours.flatMap((material) => {
    const massG = gramsToReach(pH, mixture, material)
    if (massG === null || massG <= 0) return []
    const saltPct = (100 * mixture.saltG) / (mixture.massG + massG)
    return [
      {
        material,
        massG,
        saltPct,
        sentence: `${formatNumber(massG, massG < 100 ? 1 : 0)} g of ${material.name.toLowerCase()}`,
      },
    ]
  })
}

/** Room a ferment wants under its start to show itself, pH; and the lowest target that is proposed. Judgement. */
const TARGET_ROOM = 0.5
const LOWEST_TARGET = 3.2

/**
 * A start so near its target, or under it, that two readings there prove nothing: the fruit's own acid brought it.
 * `proposed` is a target that a ferment has to work for, `null` where it starts too sour for any. Nothing where the
 * start leaves room.
 * @param startPh as it works out, its lower end.
 */
export function nearTarget(startPh: number, targetPh: number): { proposed: number | null } | null {
  if (startPh - targetPh >= FERMENTED_FALL) return null
  const proposed = Math.max(LOWEST_TARGET, Math.floor((startPh - TARGET_ROOM) * 10 + 1e-9) / 10)
  return { proposed: startPh - proposed >= FERMENTED_FALL ? proposed : null }
}
