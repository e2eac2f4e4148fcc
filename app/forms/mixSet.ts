import {
  ofMass,
  type Composition,
  type Library,
  type Lot,
  type MixPart,
  type MixSet,
  type Objective,
} from '@lactofer/core'
import { takenOf, targetsOf, totalOf, type BlendDraft, type PartForm } from './blendForm'

/* What of the bench goes to the solver. */

/**
 * Most of a pure acid or thickener that solving takes where no limit is set, share of the blend: or it drowns the
 * sauce in it. Judgement.
 */
const MOST_ACID = 0.005

export interface KnownParts {
  composition: (part: PartForm, sauceId: string) => Composition | null
  lot: (id: string) => Lot | undefined
  library: Library
  pricePerKg: (part: PartForm) => number | null
}

function mixPart(
  part: PartForm,
  sauceId: string,
  { composition, lot, library, pricePerKg }: KnownParts,
): MixPart | null {
  const known = composition({ ...part, massG: 1000 }, sauceId)
  if (!known) return null
  const kind = library.material(part.materialId ?? '')?.kind
  const source = part.lotId ? lot(part.lotId) : undefined
  const capped = kind === 'acid' || kind === 'thickener'
  return {
    key: part.key,
    name: part.name,
    composition: ofMass(known, 1000),
    nowG: part.massG ?? 0,
    lowG: 0,
    highG: Infinity,
    locked: part.locked,
    lowShare: (part.lowPct ?? 0) / 100,
    highShare: part.highPct === null ? (capped ? MOST_ACID : 1) : part.highPct / 100,
    role:
      source && ['base', 'pulp', 'ferment'].includes(source.kind)
        ? 'base'
        : kind === 'vinegar'
          ? 'vinegar'
          : kind === 'acid'
            ? 'acid'
            : 'other',
    pricePerKg: pricePerKg(part),
    stock: part.lotId ?? null,
  }
}

/**
 * What of the bench goes to the solver: one sauce, or all of them. `problem` says why it cannot.
 * @param margins how far the upper end of each sauce's pH band stands over its typical value.
 */
export function mixSetOf(
  draft: BlendDraft,
  indexes: readonly number[],
  margins: readonly number[],
  knownParts: KnownParts,
): { set: MixSet; problem: null } | { set: null; problem: string } {
  const refuse = (problem: string) => ({ set: null, problem })
  const sauces = indexes.flatMap((index) => draft.sauces[index] ?? [])
  const others = takenOf(draft.sauces.filter((_, index) => !indexes.includes(index)))
  const mixes: MixSet['mixes'][number][] = []
  for (const [index, sauce] of sauces.entries()) {
    if (sauce.parts.length === 0) return refuse(`${sauce.name || 'The pot'} is empty: add what may go into it.`)
    const parts = sauce.parts.map((part) => mixPart(part, sauce.id, knownParts))
    const unknown = sauce.parts.find((_, at) => parts[at] === null)
    if (unknown)
      return refuse(
        `${unknown.name}: what it is made of is not known. Its lot, or one it was made from, is not in this log. Take it out.`,
      )
    const now = totalOf(sauce)
    const [low, high] = [
      sauce.makeLow ?? (sauce.makeHigh === null ? now : 1),
      sauce.makeHigh ?? (sauce.makeLow === null ? now : Math.max(sauce.makeLow, 1_000_000)),
    ]
    if (!(low > 0)) return refuse('Give something a weight, or say how much to make.')
    if (low > high) return refuse('“At least” is more than “at most” in how much to make.')
    for (const [aim, { low: from, high: to }] of Object.entries(sauce.targets))
      if (from !== null && to !== null && from > to)
        return refuse(`${aim[0]?.toUpperCase()}${aim.slice(1)}: “at least” is over “at most”.`)
    const wet = parts.some((part) => part && part.composition.waterG > 0)
    if (
      !wet &&
      (['acid', 'tart'] as const).some((aim) => sauce.targets[aim].low !== null || sauce.targets[aim].high !== null)
    )
      return refuse('Nothing in the pot holds water, so there is no pH to aim at. Add what is wet, or open the pH.')
    const targets = targetsOf(sauce)
    const unpriced = parts.find((part) => part && part.pricePerKg === null)
    if (draft.objective === 'cost' && unpriced)
      return refuse(`${unpriced.name} has no price. Set one in the library, or choose another aim.`)
    mixes.push({
      name: sauce.name || `Sauce ${index + 1}`,
      parts: parts.filter((part) => part !== null),
      targets,
      massG: { low, high },
      phMargin: draft.wholeBand ? (margins[index] ?? 0) : 0,
    })
  }
  const stock = [...new Set(mixes.flatMap(({ parts }) => parts.flatMap((part) => part.stock ?? [])))]
  const stockG = Object.fromEntries(
    stock.map((id) => [id, Math.max(0, (knownParts.lot(id)?.leftG ?? 0) - (others.get(id) ?? 0))]),
  )
  return { set: { mixes, stockG, objective: draft.objective satisfies Objective, stepG: draft.stepG }, problem: null }
}
