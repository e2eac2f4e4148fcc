import { computed, type Ref } from 'vue'
import { amountCost, bottlesFilled, forecastBlend, TargetsSchema, type Cost, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import {
  BlendDraftSchema,
  freshBlendDraft,
  freshSauce,
  partForLog,
  partsForLog,
  takenOf,
  totalOf,
  type BlendDraft,
  type PartForm,
  type SauceForm,
} from '~/forms/blendForm'
import { mixSetOf, type KnownParts } from '~/forms/mixSet'
import { potColour, type Poured } from '~/forms/potColour'
import { newLotId, useBook } from '~/stores/book'
import { useDraft } from './useDraft'

/** What lets the colour of the others through. */
const CLEAR_KINDS: readonly string[] = ['water', 'vinegar', 'salt', 'sweetener', 'acid', 'thickener']

/** How a part of a sauce is known: its make-up, its lot, its price. */
function useKnownParts() {
  const book = useBook()
  const compositionOf = (part: PartForm, sauceId: string) => {
    const asLogged = partForLog(part)
    return asLogged && book.part(asLogged, sauceId)
  }
  const costOf = (part: PartForm): Cost =>
    amountCost(book.book, { ...partForLog(part), name: part.name, massG: part.massG ?? 0 })
  const knownParts: KnownParts = {
    composition: compositionOf,
    lot: book.lot,
    library: book.library,
    pricePerKg: (part) => {
      const { money, unpriced } = costOf({ ...part, massG: 1000 })
      return unpriced.length ? null : money
    },
  }
  /** A part as it colours the pot. */
  function pouredOf({ lotId, materialId, massG }: Pick<PartForm, 'lotId' | 'materialId' | 'massG'>): Poured {
    const material = book.library.material(materialId ?? '')
    return {
      colour: book.lot(lotId ?? '')?.color ?? material?.color ?? '#9aa58c',
      massG: massG ?? 0,
      clear: CLEAR_KINDS.includes(material?.kind ?? ''),
    }
  }
  return { compositionOf, costOf, knownParts, pouredOf }
}

/** What the sauce at hand comes to. */
function usePouring(sauce: Ref<SauceForm>, { compositionOf, costOf, pouredOf }: ReturnType<typeof useKnownParts>) {
  const poured = computed(() =>
    sauce.value.parts.flatMap((part) => {
      const composition = compositionOf(part, sauce.value.id)
      return composition ? [{ key: part.key, name: part.name, composition }] : []
    }),
  )
  const forecast = computed(() => forecastBlend(poured.value.map((part) => part.composition)))
  const cost = computed<Cost>(() => {
    const all = sauce.value.parts.filter((part) => part.massG).map(costOf)
    return {
      money: all.reduce((sum, { money }) => sum + money, 0),
      unpriced: [...new Set(all.flatMap(({ unpriced }) => unpriced))],
    }
  })
  return {
    poured,
    forecast,
    cost,
    colour: computed(() => potColour(sauce.value.parts.map(pouredOf))),
    bottles: computed(() => bottlesFilled(forecast.value.volumeMl, sauce.value.bottleMl)),
    live: computed(() => !sauce.value.cooked && forecast.value.composition.live),
    totalG: computed(() => totalOf(sauce.value)),
  }
}

/** More sauces and fewer. */
function useSauces(draft: Ref<BlendDraft>, sauce: Ref<SauceForm>) {
  const book = useBook()
  function addSauce(like?: boolean) {
    const fresh = freshSauce(newLotId())
    // Another sauce begins with the same base.
    if (like)
      fresh.parts = sauce.value.parts
        .filter((part) => part.lotId && book.lot(part.lotId)?.kind === 'base')
        .map((part) => ({ ...part, massG: 0, locked: false }))
    draft.value.sauces.push(fresh)
    draft.value.at = draft.value.sauces.length - 1
  }
  function removeSauce(index: number) {
    draft.value.sauces.splice(index, 1)
    if (draft.value.sauces.length === 0) draft.value.sauces.push(freshSauce(newLotId()))
    draft.value.at = Math.min(draft.value.at, draft.value.sauces.length - 1)
  }
  return { addSauce, removeSauce }
}

/** What is on the blend bench: the sauces, the one at hand, and what it comes to. Kept through a closed browser. */
export function useBlendDraft() {
  const book = useBook()
  const { draft, reset, loaded, save } = useDraft('bench', BlendDraftSchema, () => freshBlendDraft(newLotId()))
  const sauce = computed(() => draft.value.sauces[draft.value.at] ?? draft.value.sauces[0]!)
  const known = useKnownParts()
  const taken = computed(() => takenOf(draft.value.sauces))
  /** What stays of a lot when every sauce of the bench is poured, g. */
  const remains = (lotId: string) => (book.lot(lotId)?.leftG ?? 0) - (taken.value.get(lotId) ?? 0)

  /** The blend as the log keeps it, with what it was to be: what stands on the bench, or what was weighed of it. */
  function entryOf(one: SauceForm, parts: readonly PartForm[], code: string): Draft {
    const logged = partsForLog(parts)
    const { ph } = forecastBlend(logged.flatMap((part) => book.part(part, one.id) ?? []))
    return {
      kind: 'blend',
      at: nowMoment(),
      lotId: one.id,
      code,
      name: one.name.trim() || 'Sauce',
      color: potColour(logged.map(known.pouredOf)) ?? '#c4402a',
      parts: logged,
      cooked: one.cooked,
      targets: TargetsSchema.parse(one.targets),
      ...(ph && { predictedPh: ph }),
    }
  }
  /**
   * Between the most likely pH of a sauce and the upper end of its band.
   * @param massesG of its parts, where it is not as it stands.
   */
  function marginOf(index: number, massesG?: readonly number[]): number {
    const { parts = [], id = '' } = draft.value.sauces[index] ?? {}
    const { ph } = forecastBlend(
      parts.flatMap((part, at) => known.compositionOf({ ...part, massG: massesG?.[at] ?? part.massG }, id) ?? []),
    )
    return ph ? ph.high - ph.typical : 0
  }
  /**
   * What goes to the solver: the sauce at hand, or every one of them.
   * @param massesG of every sauce asked for, where its band is not that of the bench.
   */
  function question(all: boolean, massesG: readonly (readonly number[])[] = []) {
    const indexes = all ? draft.value.sauces.map((_, index) => index) : [draft.value.at]
    const margins = draft.value.wholeBand ? indexes.map((index, at) => marginOf(index, massesG[at])) : []
    return { indexes, ...mixSetOf(draft.value, indexes, margins, known.knownParts) }
  }
  return {
    ...{ draft, sauce, reset, loaded, save, entryOf, taken, remains, question },
    costOf: known.costOf,
    colourOf: (part: PartForm) => known.pouredOf(part).colour,
    trials: computed(() => book.book.trials.filter((trial) => trial.lotId === sauce.value.id)),
    ...usePouring(sauce, known),
    ...useSauces(draft, sauce),
  }
}
export type BlendDraftState = ReturnType<typeof useBlendDraft>
