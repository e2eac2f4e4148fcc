<script setup lang="ts">
import { computed } from 'vue'
import { refThrottled } from '@vueuse/core'
import { phAnswer, type Composition } from '@lactofer/core'
import type { Wanted } from '../measure/rulers'
import { answerOption } from './answerOption'
import { useTones } from '~/composables/useTones'
import { usePreferences } from '~/stores/preferences'

/** What would an addition do to the pH? One line for each part already in the pot, and water. */
const { base, additions, target } = defineProps<{
  base: Composition
  additions: readonly { name: string; composition: Composition }[]
  target: Wanted
}>()
const tones = useTones()
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
    values: phAnswer(question.value.base, composition, added.value),
  })),
)
const option = computed(() => answerOption(lines.value, added.value, target, tones.value, preferences.world))
</script>

<template>
  <figure>
    <figcaption><h2>What would an addition do to the pH?</h2></figcaption>
    <ChartBase
      :option="option"
      :height-px="230"
      label="pH against the mass added, one line for each component; the figures stand in the table below"
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
              <td class="number">{{ one.values[0]?.toFixed(2) }}</td>
              <td class="number">{{ one.values[STEPS / 2]?.toFixed(2) }}</td>
              <td class="number">{{ one.values[STEPS]?.toFixed(2) }}</td>
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
