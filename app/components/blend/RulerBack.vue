<script setup lang="ts">
import { computed } from 'vue'
import { figureOf, ofMaterial, type Composition, type Property } from '@lactofer/core'
import { RULERS } from '~/components/measure/rulers'
import type { BlendDraftState } from '~/composables/useBlendDraft'
import { useBook } from '~/stores/book'

/**
 * The other side of a ruler on the bench: what is wished in figures, where the property comes from, what each addition
 * would do to it and what it pulls against; for heat and body what else their hands ask.
 */
const { property, blending } = defineProps<{ property: Property; blending: BlendDraftState }>()
const book = useBook()
const { sauce, poured, forecast, question, colourOf } = blending
/** So many additions have a line of their own. */
const MOST_LINES = 5

const water = computed(() => book.library.material('water'))
const partOf = (key: string) => sauce.value.parts.find((part) => part.key === key)
const additions = computed<{ name: string; composition: Composition }[]>(() => {
  const distinct = poured.value
    .filter(
      (part, index, all) => part.composition.waterG > 0 && all.findIndex((other) => other.name === part.name) === index,
    )
    .slice(0, MOST_LINES)
  return distinct.some(({ key }) => partOf(key)?.materialId === 'water') || !water.value
    ? distinct
    : [...distinct, { name: 'Water', composition: ofMaterial(water.value, 100) }]
})
const colours = computed(() =>
  poured.value.map(({ key }) => {
    const part = partOf(key)
    return part ? colourOf(part) : ''
  }),
)
const lots = computed(() => sauce.value.parts.flatMap(({ lotId }) => (lotId ? (book.lot(lotId) ?? []) : [])))
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
  <TargetEnds v-model="sauce.targets[property]" :aim="property" :now="figureOf(property, forecast.composition)" />
  <TargetEnds
    v-if="property === 'acid'"
    v-model="sauce.targets.tart"
    aim="tart"
    :now="figureOf('tart', forecast.composition)"
  />
  <p v-if="!forecast.massG" class="muted">Put something into the pot, and it is told here where it comes from.</p>
  <template v-else>
    <SourceBar :property="property" :name="RULERS[property].name" :parts="poured" :colours="colours" />
    <div class="pictures">
      <LazyAnswerChart
        v-if="property !== 'acid' || forecast.ph"
        :property="property"
        :base="forecast.composition"
        :additions="additions"
        :target="sauce.targets[property]"
      />
      <LazyFrontierChart :property="property" :question="question" :forecast="forecast" :sauce="sauce" />
    </div>
    <HeatPanel v-if="property === 'heat'" :forecast="forecast" :lots="lots" />
    <DilutionLadder v-if="property === 'body'" :base="forecast.composition" :brines="brines" />
  </template>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 440px), 1fr));
  gap: var(--s4);
}
</style>
