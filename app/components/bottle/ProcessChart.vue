<script setup lang="ts">
import { computed } from 'vue'
import { formatNumber, formatTemperature, type HeatReference, type Lethality } from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

/**
 * How hot, and what did it count for? Temperature above, minutes gained at the reference below; gaps are shown and
 * not counted.
 */
const { found, reference, name } = defineProps<{ found: Lethality; reference: HeatReference; name: string }>()
const preferences = usePreferences()
const shown = (tempC: number) => formatTemperature(tempC, preferences.world)
const picture = computed(() => ({ name: 'process' as const, of: { found, reference } }))
const every = computed(() => Math.max(1, Math.ceil(found.course.length / 24)))
const rows = computed(() =>
  found.course.filter((_, index) => index % every.value === 0 || index === found.course.length - 1),
)
const chartLabel = computed(
  () => `Temperature of the ${name} and the minutes it was worth; the table below has the figures.`,
)
</script>

<template>
  <figure>
    <figcaption>
      <strong>{{ name[0]?.toUpperCase() }}{{ name.slice(1) }}: how hot, and what did it count for?</strong>{{ ' '
      }}<span class="small muted">Above the temperature, below the minutes gained at {{ shown(reference.refC) }}.</span>
    </figcaption>
    <ChartBase :picture="picture" :height-px="270" :label="chartLabel" table-name="As a table">
      <template #table>
        <table class="plain">
          <thead>
            <tr>
              <th class="number">Minute</th>
              <th class="number">Temperature</th>
              <th class="number">Gained, min</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.minute">
              <td class="number">{{ formatNumber(row.minute, 1) }}</td>
              <td class="number">{{ shown(row.tempC) }}</td>
              <td class="number">{{ formatNumber(row.gained, 2) }}</td>
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
table {
  max-width: 420px;
}
</style>
