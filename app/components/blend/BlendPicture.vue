<script setup lang="ts">
import { computed } from 'vue'
import { ofMaterial, type Composition } from '@lactofer/core'
import type { PartForm, SauceForm } from '~/forms/blendForm'
import type { Picture } from './pictures'
import type { BlendDraftState } from '~/composables/useBlendDraft'
import { useBook } from '~/stores/book'

/** One way to look at the sauce at hand. */
const sauce = defineModel<SauceForm>('sauce', { required: true })
const { view, blending } = defineProps<{ view: Exclude<Picture, 'solve'>; blending: BlendDraftState }>()
const book = useBook()
const { poured, forecast, live, trials, question } = blending

const water = computed(() => book.library.material('water'))
const additions = computed<{ name: string; composition: Composition }[]>(() => {
  const distinct = poured.value
    .filter(
      (part, index, all) => part.composition.waterG > 0 && all.findIndex((other) => other.name === part.name) === index,
    )
    .slice(0, 5)
  const isWater = (key: string) => sauce.value.parts.find((part) => part.key === key)?.materialId === 'water'
  return distinct.some(({ key }) => isWater(key)) || !water.value
    ? distinct
    : [...distinct, { name: 'Water', composition: ofMaterial(water.value, 100) }]
})
const lotOf = (part: PartForm) => (part.lotId ? book.lot(part.lotId) : undefined)
const colours = computed(() =>
  poured.value.map(({ key }) => {
    const part = sauce.value.parts.find((one) => one.key === key)
    return (part && lotOf(part)?.color) ?? book.library.material(part?.materialId ?? '')?.color ?? '#9aa58c'
  }),
)
const lots = computed(() => sauce.value.parts.flatMap((part) => lotOf(part) ?? []))
const brines = computed(() =>
  book.lots
    .filter(
      (lot) =>
        lot.state === 'in stock' &&
        (lot.kind === 'brine' ||
          (lot.kind === 'stock' && lot.made.kind === 'stock' && (lot.made.saltPct ?? 0) > 0 && !lot.made.materialId) ||
          (lot.made.kind === 'press' && lot.made.method === 'draw')),
    )
    .map(({ id, code, name }) => ({ id, name: `${code} ${name}` })),
)
</script>

<template>
  <section>
    <TrialPanel v-if="view === 'trial'" v-model:sauce="sauce" :poured="poured" :trials="trials" />
    <p v-else-if="!forecast.massG" class="muted">Put something into the pot first.</p>
    <LazyAnswerChart
      v-else-if="view === 'answers' && forecast.ph"
      :base="forecast.composition"
      :additions="additions"
      :target="sauce.targets.acid"
    />
    <SourceBars v-else-if="view === 'sources'" :parts="poured" :colours="colours" />
    <LazyFrontierChart v-else-if="view === 'pulls'" :question="question" :forecast="forecast" :sauce="sauce" />
    <DilutionLadder v-else-if="view === 'ladder'" :base="forecast.composition" :brines="brines" />
    <HeatPanel v-else-if="view === 'heat'" :forecast="forecast" :lots="lots" />
    <KeepConsequences
      v-else-if="view === 'keep'"
      :composition="{ ...forecast.composition, live }"
      :cooked="sauce.cooked"
    />
    <p v-else class="muted">There is no water in it, so there is no pH.</p>
  </section>
</template>
