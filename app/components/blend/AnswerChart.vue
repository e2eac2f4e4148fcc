<script setup lang="ts">
import { computed } from 'vue'
import { refThrottled } from '@vueuse/core'
import { answersTo, formatMass, type Composition, type Property } from '@lactofer/core'
import { RULERS, type Wanted } from '../measure/rulers'
import type { TellingPoint } from '~/composables/useDrawnChart'
import { usePreferences } from '~/stores/preferences'

/** What each addition would do to one property: one line for each part already in the pot, and water. */
const { property, base, additions, target } = defineProps<{
  property: Property
  base: Composition
  additions: readonly { name: string; composition: Composition }[]
  target: Wanted
}>()
const preferences = usePreferences()
const STEPS = 12
// The rulers answer at once; the curves may follow a few frames later.
const question = refThrottled(
  computed(() => ({ base, additions })),
  90,
  true,
  false,
)
const reach = computed(() => Number((question.value.base.massG * 0.25).toPrecision(1)))
const added = computed(() => Array.from({ length: STEPS + 1 }, (_, step) => (reach.value * step) / STEPS))
const lines = computed(() =>
  question.value.additions.map(({ name, composition }) => ({
    name,
    values: answersTo(property, question.value.base, composition, added.value),
  })),
)
const write = (value: number | null | undefined) => (value == null ? '–' : RULERS[property].write(value))
const picture = computed(() => ({
  name: 'answer' as const,
  of: { property, target: { low: target.low, high: target.high }, lines: lines.value, added: added.value },
}))
const tip = ({ name, value: [grams, value] = [0, 0] }: TellingPoint) =>
  `+${formatMass(grams, preferences.world)} ${name}: ${write(value)}`
</script>

<template>
  <figure>
    <figcaption><h3>What an addition would do</h3></figcaption>
    <ChartBase
      :picture="picture"
      :tip="tip"
      :height-px="220"
      label="It against the mass added, one line for each component; the figures stand in the table below"
    >
      <template #table>
        <table class="plain">
          <thead>
            <tr>
              <th>Adding</th>
              <th class="number">now</th>
              <th class="number"><MassText :mass-g="reach / 2" /></th>
              <th class="number"><MassText :mass-g="reach" /></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in lines" :key="one.name">
              <td>{{ one.name }}</td>
              <td class="number">{{ write(one.values[0]) }}</td>
              <td class="number">{{ write(one.values[STEPS / 2]) }}</td>
              <td class="number">{{ write(one.values[STEPS]) }}</td>
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
}
</style>
