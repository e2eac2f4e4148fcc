import { computed, type Ref } from 'vue'
import { amountCost, bottlesFilled, forecastBlend, TargetsSchema, type Cost, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import {
  BlendDraftSchema,
  freshBlendDraft,
  freshSauce,
  mixSetOf,
  partForLog,
  partsForLog,
  takenOf,
  totalOf,
  type BlendDraft,
  type KnownParts,
  type PartForm,
  type SauceForm,
} from '~/forms/blendForm'
import { newLotId, useBook } from '~/stores/book'
import { useDraft } from './useDraft'

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
  return { compositionOf, costOf, knownParts }
}

/** What the sauce at hand comes to. */
function usePouring(sauce: Ref<SauceForm>, { compositionOf, costOf }: ReturnType<typeof useKnownParts>) {
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
    const biggest = [...logged].sort((a, b) => b.massG - a.massG)[0]
    const material = book.library.material(biggest?.materialId ?? '')
    const { ph } = forecastBlend(logged.flatMap((part) => book.part(part, one.id) ?? []))
    return {
      kind: 'blend',
      at: nowMoment(),
      lotId: one.id,
      code,
      name: one.name.trim() || 'Sauce',
      color: book.lot(biggest?.lotId ?? '')?.color ?? material?.color ?? '#c4402a',
      parts: logged,
      cooked: one.cooked,
      targets: TargetsSchema.parse(one.targets),
      ...(ph && { predictedPh: ph }),
    }
  }
  /** Between the most likely pH of a sauce and the upper end of its band. */
  function marginOf(index: number): number {
    const { parts = [], id = '' } = draft.value.sauces[index] ?? {}
    const { ph } = forecastBlend(parts.flatMap((part) => known.compositionOf(part, id) ?? []))
    return ph ? ph.high - ph.typical : 0
  }
  /** What goes to the solver: the sauce at hand, or every one of them. */
  function question(all: boolean) {
    const indexes = all ? draft.value.sauces.map((_, index) => index) : [draft.value.at]
    const margins = draft.value.wholeBand ? indexes.map(marginOf) : []
    return { indexes, ...mixSetOf(draft.value, indexes, margins, known.knownParts) }
  }
  return {
    ...{ draft, sauce, reset, loaded, save, entryOf, taken, remains, question },
    costOf: known.costOf,
    trials: computed(() => book.book.trials.filter((trial) => trial.lotId === sauce.value.id)),
    ...usePouring(sauce, known),
    ...useSauces(draft, sauce),
  }
}
export type BlendDraftState = ReturnType<typeof useBlendDraft>
