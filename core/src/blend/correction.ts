import { AIMS, figureOf, type Aim, type Targets } from './targets'
import { forecastBlend } from './forecast'
import { slackOf, type MixPart, type MixSet } from './mixSet'
import { mix, ofMass, type Composition } from '../composition/composition'
import { ofMaterial } from '../composition/ingredient'
import type { Material } from '../library/material'

/** Twice the blend is the most a correction may make of it. Judgement. */
const MOST = 2
/** Share of a pure acid that a correction may come to. Judgement. */
const MOST_ACID = 0.01
/** The part that is there already. */
const NOW = 'now'

/** Which targets a finished blend misses now; what is shown as on target is. */
export const aimsMissed = (composition: Composition, targets: Targets): Aim[] =>
  AIMS.filter((aim) => {
    const now = figureOf(aim, composition)
    const { low, high } = targets[aim]
    const over = high !== null && now !== null && now > high + slackOf(aim, high)
    const under = low !== null && now !== null && now < low - slackOf(aim, low)
    return over || under
  })

const partOf = (key: string, name: string, composition: Composition, change: Partial<MixPart>): MixPart => ({
  key,
  name,
  composition,
  nowG: 0,
  lowG: 0,
  highG: Infinity,
  lowShare: 0,
  highShare: 1,
  locked: false,
  role: 'other',
  pricePerKg: null,
  stock: null,
  ...change,
})

/** The question what least to put into a finished blend so that it meets its targets. `massG` is in the pot, g. */
export function correctionSet(
  blend: { name: string; massG: number; composition: Composition; targets: Targets },
  correctors: readonly Material[],
  stepG: number,
): MixSet {
  const { name, massG, composition, targets } = blend
  return {
    stockG: {},
    objective: 'least',
    stepG,
    mixes: [
      {
        name,
        phMargin: 0,
        massG: { low: massG, high: massG * MOST },
        targets,
        parts: [
          partOf(NOW, name, ofMass(composition, 1000), { locked: true, nowG: massG }),
          ...correctors.map((material) =>
            partOf(material.id, material.name, ofMaterial(material, 1000), {
              highShare: material.kind === 'acid' ? MOST_ACID : 1,
            }),
          ),
        ],
      },
    ],
  }
}

/**
 * What goes in, g, rounded to what a scale shows, and what the blend is then.
 * @param massesG of an answer to {@link correctionSet}.
 */
export function correctionOf(set: MixSet, massesG: readonly (readonly number[])[]) {
  const parts = set.mixes[0]?.parts ?? []
  const masses = massesG[0] ?? []
  const put = parts.flatMap(({ key, name }, index) => {
    const massG = masses[index] ?? 0
    return key !== NOW && massG > 0 ? [{ materialId: key, name, massG: Number(massG.toFixed(2)) }] : []
  })
  const after = forecastBlend([mix(parts.map((one, index) => ofMass(one.composition, masses[index] ?? 0)))]).composition
  return { put, after }
}
