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

/** Rows, water and salt of what a correction puts in. */
export const correctionContent = (put: readonly { materialId: string; name: string; massG: number }[]) => {
  const gramsOf = (id: string) => put.reduce((sum, one) => sum + (one.materialId === id ? one.massG : 0), 0)
  const rows = put
    .filter(({ materialId }) => materialId !== 'water' && materialId !== 'salt')
    .map((one) => ({ ...one, preparation: 'raw' as const, seedsOut: false }))
  return { rows, waterG: gramsOf('water'), saltG: gramsOf('salt') }
}

/** What a correction comes to: what goes in, the pH before and after, the figures that were aimed at. */
export interface CorrectionFound {
  put: { materialId: string; name: string; massG: number }[]
  /** pH of it before and after. */
  ph: { from: number; to: number } | null
  /** What was aimed at, as it is then; NaN where it has none. */
  after: { aim: Aim; value: number }[]
}

/** An answer to {@link correctionSet}, read. */
export function correctionFound(
  set: MixSet,
  massesG: readonly (readonly number[])[],
  { composition, targets }: { composition: Composition; targets: Targets },
): CorrectionFound {
  const { put, after } = correctionOf(set, massesG)
  const [from, to] = [figureOf('acid', composition), figureOf('acid', after)]
  return {
    put,
    ph: from === null || to === null ? null : { from, to },
    after: AIMS.filter((aim) => targets[aim].low !== null || targets[aim].high !== null).map((aim) => ({
      ...{ aim, value: figureOf(aim, after) ?? NaN },
    })),
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
