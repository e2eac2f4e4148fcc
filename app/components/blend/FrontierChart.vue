<script setup lang="ts">
import { computed, ref } from 'vue'
import { AIMS, figureOf, type Aim, type Forecast, type Property } from '@lactofer/core'
import { aimName, aimValue } from '~/words/limitWords'
import { targetsOf, type SauceForm } from '~/forms/blendForm'
import type { BlendDraftState } from '~/composables/useBlendDraft'
import { useFrontier } from '~/composables/useFrontier'

/**
 * What one property pulls against: all that it and another can be together, with the pot and the targets in it.
 */
const { property, question, forecast, sauce } = defineProps<{
  property: Property
  question: BlendDraftState['question']
  forecast: Forecast
  sauce: SauceForm
}>()
const across = ref<Aim>(property === 'heat' ? 'acid' : 'heat')
const { points, shownFor, progress, problem } = useFrontier(
  (all) => question(all),
  () => sauce,
  () => [across.value, property],
)
const options = AIMS.filter((aim) => aim !== property).map((value) => ({ value, label: aimName(value) }))

const now = computed(() => shownFor.value.map((aim) => figureOf(aim, forecast.composition)))
const picture = computed(() => {
  if (!points.value) return null
  const of = { found: points.value, aims: [...shownFor.value] as const, now: now.value, targets: targetsOf(sauce) }
  return { name: 'frontier' as const, of }
})
/** The figures behind the picture, a handful of them. */
const rows = computed(
  () => points.value?.filter((_, index, all) => index % Math.max(1, Math.floor(all.length / 8)) === 0) ?? [],
)
const chartLabel = computed(
  () =>
    `What ${aimName(shownFor.value[1])} can be at each ${aimName(shownFor.value[0])}; the figures stand in the table below`,
)
</script>

<template>
  <figure>
    <figcaption class="head">
      <h3>What it pulls against</h3>
      <PickField v-model="across" label="Across" hide-label :options="options" />
      <el-progress
        v-if="progress !== null"
        class="progress"
        :percentage="Math.round(100 * progress)"
        :show-text="false"
        aria-label="The picture follows"
      />
    </figcaption>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p class="muted small">
      All that can be made of these parts, within stock and the other targets. Where “wanted” lies outside, no blend
      gets there.
    </p>
    <ChartBase v-if="picture && points" :picture="picture" :height-px="280" :label="chartLabel" figure="frontier">
      <template #table>
        <table class="plain">
          <thead>
            <tr>
              <th>{{ aimName(shownFor[0]) }}</th>
              <th class="number">{{ aimName(shownFor[1]) }}, least</th>
              <th class="number">most</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="point in rows" :key="point.at">
              <td>{{ aimValue(shownFor[0], point.at) }}</td>
              <td class="number">{{ aimValue(shownFor[1], point.low) }}</td>
              <td class="number">{{ aimValue(shownFor[1], point.high) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
    </ChartBase>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: var(--s2);
}
.head {
  display: flex;
  gap: var(--s2) var(--s3);
  align-items: center;
  flex-wrap: wrap;
}
.head > div {
  width: 170px;
}
.head .progress {
  width: 160px;
}
</style>
