import { computed, type Ref } from 'vue'
import {
  fillVessel,
  recommendedChoice,
  styleById,
  vesselMark,
  WEIGHTS,
  type Closure,
  type PlanFigures,
  type UnitWorld,
  type VesselKind,
} from '@lactofer/core'
import type { PlanForm } from '~/forms/planForm'
import { useVesselChoice } from './useVesselChoice'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The lid chosen, whatever it is; else the vessel's own where the style takes it, else the style's usual one. */
const closureOf = (chosen: Closure | null, own: Closure | undefined, closures: readonly Closure[]): Closure =>
  chosen ?? (own && closures.includes(own) ? own : (closures[0] ?? 'loose lid'))

/** Those of the maker's own world first. */
function ownWorldFirst<Vessel extends VesselKind>(vessels: readonly Vessel[], world: UnitWorld): Vessel[] {
  const own = (vessel: Vessel) => !vessel.world || vessel.world === world
  return [...vessels.filter(own), ...vessels.filter((vessel) => !own(vessel))]
}

/** What is asked of the vessels; `null` where there is nothing to fill. */
const questionOf = (
  { properties: { volumeMl }, fillLimit: limit }: PlanFigures,
  free: readonly (VesselKind & { count: number })[],
  least: number,
) =>
  volumeMl < 1
    ? null
    : { volumeMl, free: free.map(({ id, capacityMl, count }) => ({ id, capacityMl, count })), limit, least }

/** The vessels a plan goes into: the recommended answer until the maker chooses, with fill and closure. */
export function usePlanVessels(form: Ref<PlanForm>, figures: Ref<PlanFigures | null>) {
  const book = useBook()
  const preferences = usePreferences()
  const style = computed(() => styleById(form.value.style))
  const suits = (vessel: VesselKind) => style.value.vesselShapes.includes(vessel.shape)
  const free = computed(() =>
    ownWorldFirst(
      book.freeVessels.filter((vessel) => suits(vessel) && vessel.count > 0),
      preferences.world,
    ),
  )
  // Suggested are sizes of the maker's own world.
  const suggested = computed(() => free.value.filter(({ world }) => !world || world === preferences.world))
  const question = computed(() =>
    figures.value && !form.value.bowl ? questionOf(figures.value, suggested.value, style.value.fillLeast) : null,
  )
  const { answer, settled } = useVesselChoice(question)
  const uses = computed(() =>
    form.value.vessels.length
      ? form.value.vessels
      : (recommendedChoice(answer.value?.choices ?? [], figures.value?.fillLimit ?? 1)?.vessels.map(
          ({ id, count }) => ({ vesselId: id, count }),
        ) ?? []),
  )
  const known = computed(() =>
    uses.value.flatMap(({ vesselId, count }) => {
      const vessel = book.library.vessel(vesselId)
      return vessel ? [{ vessel, count }] : []
    }),
  )
  const capacityMl = computed(() => known.value.reduce((sum, { vessel, count }) => sum + vessel.capacityMl * count, 0))
  const filled = computed(() =>
    figures.value && capacityMl.value > 0
      ? {
          known: known.value,
          fill: fillVessel(
            figures.value.composition.massG,
            figures.value.properties.densityGPerMl,
            // What holds it down takes room of its own.
            capacityMl.value * (1 - (form.value.weight ? WEIGHTS[form.value.weight] : 0)),
            figures.value.fillLimit,
            style.value.fillLeast,
          ),
        }
      : null,
  )
  const closure = computed(() => closureOf(form.value.closure, known.value[0]?.vessel.closure, style.value.closures))
  /** The vessels as they are packed: each filled to the same share of its brim. */
  const packed = (massG: number) => {
    const singles = known.value.flatMap(({ vessel, count }) => Array.from({ length: count }, () => vessel))
    return singles.map((vessel, index) => ({
      vesselId: vessel.id,
      mark: vesselMark(index, singles.length),
      massG: (massG * vessel.capacityMl) / capacityMl.value,
      hot: form.value.hot,
      ...(vessel.tareG !== undefined && { tareG: vessel.tareG }),
    }))
  }
  return { answer, settled, uses, filled, free, closure, packed }
}
export type PlanVessels = ReturnType<typeof usePlanVessels>
