import { cautionsFor, overdrawnLot, type Forecast } from '@lactofer/core'
import { totalOf, type PartForm, type SauceForm } from '~/forms/blendForm'
import { codeProblem, nameProblem } from '~/forms/problems'

/* What speaks against a sauce, and what is to be minded of it. */

/** What a sauce is held against before it is poured. */
export interface SauceLimits {
  code: string
  codeTaken: (code: string) => boolean
  lotOf: (part: PartForm | undefined) => { leftG: number } | undefined
  /** Why nothing may be made of a lot, in words; `null` where something may. */
  stops: (part: PartForm) => string | null
  /** Keys of the parts whose make-up is known. */
  known: ReadonlySet<string>
}

function partsProblem({ parts }: SauceForm, { lotOf, stops, known }: SauceLimits): string | null {
  if (totalOf({ parts }) <= 0) return 'Put something into the pot.'
  if (parts.some((part) => part.massG === null || (part.lotId && !lotOf(part))))
    return 'A part has no weight, or its lot is gone. Weigh it or take it out.'
  const ofLot = (id: string) => parts.find(({ lotId }) => lotId === id)
  const short = ofLot(overdrawnLot(parts, (id) => lotOf(ofLot(id))?.leftG ?? 0) ?? '')
  if (short) return `There is not enough ${short.name}.`
  const stopped = parts.find((part) => part.massG && stops(part))
  if (stopped) return `${stopped.name} stops where it stands. ${stops(stopped)}`
  const unknown = parts.find((part) => part.massG && !known.has(part.key))
  return unknown ? `${unknown.name}: what it is made of is not known. Take it out.` : null
}

/** What is wrong with a sauce, field by field. */
export const sauceProblems = (sauce: SauceForm, limits: SauceLimits) => ({
  name: nameProblem(sauce.name, 'Give the sauce its name.'),
  code: codeProblem(limits.code, limits.codeTaken),
  parts: partsProblem(sauce, limits),
})

/** What is to be minded of a sauce while it is blended. */
export const sauceCautions = (
  sauce: SauceForm,
  { shu, sugarPct, composition, ph }: Forecast,
  { live, oily }: { live: boolean; oily: boolean },
) =>
  cautionsFor('blend', {
    oily,
    hasHotPeppers: shu.high > 500,
    cooked: sauce.cooked,
    liveSugar: live && sugarPct.high > 0.3,
    allergens: composition.allergens,
    honey: sauce.parts.some((part) => part.materialId === 'honey' && (part.massG ?? 0) > 0),
    aboveLimit: (ph?.high ?? 0) > 4,
    strongAcid: sauce.parts.some((part) => part.materialId === 'lactic-acid-88' && (part.massG ?? 0) > 0),
  })
