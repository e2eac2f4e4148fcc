<script setup lang="ts">
import { computed } from 'vue'
import { PROPERTIES, valueOf, type Forecast } from '@lactofer/core'
import { headline } from '~/components/measure/rulers'

/** The figures of the rulers in one line: it rides along at the top while they are out of sight, and is told. */
const { forecast, seen } = defineProps<{ forecast: Forecast; seen: boolean }>()
const figures = computed(() => PROPERTIES.map((property) => headline(property, valueOf(property, forecast))))
</script>

<template>
  <div :class="['digest', { seen }]">
    <SteadyStatus :text="figures.join(', ')" />
    <span
      v-for="(property, index) in PROPERTIES.slice(0, 4)"
      :key="property"
      :style="{ color: `var(--${property})` }"
      aria-hidden="true"
      >{{ figures[index] }}</span
    >
  </div>
</template>

<style scoped>
.digest {
  position: fixed;
  top: 0;
  left: 0;
  right: 0;
  z-index: 4;
  display: flex;
  gap: var(--s1) var(--s5);
  flex-wrap: wrap;
  padding: var(--s2) var(--s5);
  background: var(--enamel);
  border-bottom: 1px solid var(--line);
  font: 700 17px var(--display);
  font-stretch: 82%;
}
@media (min-width: 1001px) {
  .seen {
    clip-path: inset(100%);
  }
}
@media (max-width: 1000px) {
  .digest {
    position: sticky;
    top: var(--rail-height, 0);
    margin: 0 calc(-1 * var(--s3));
    padding: var(--s2) var(--s3);
    gap: var(--s1) var(--s3);
    justify-content: space-between;
    font-size: 16px;
  }
}
</style>
