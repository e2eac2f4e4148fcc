<script setup lang="ts">
import { computed } from 'vue'
import type { judgeWeight } from '@lactofer/core'

/** What lies on the scale as a bar, with its target and how far off it may be. */
const { nowG, targetG, toleranceG, verdict } = defineProps<{
  nowG: number
  targetG: number
  toleranceG: number
  verdict: ReturnType<typeof judgeWeight>
}>()
/** The bar reaches a quarter past the target. */
const REACH = 1.25
const at = (grams: number) => Math.min(100, (100 * grams) / (targetG * REACH))
/** Where the goal lies on the bar, as CSS. */
const goalPlace = computed(() => {
  const from = at(targetG - toleranceG)
  return { left: `${from}%`, width: `max(6px, ${at(targetG + toleranceG) - from}%)` }
})
</script>

<template>
  <div class="bar" role="img" :aria-label="verdict.sentence">
    <span class="zone" :style="goalPlace" />
    <span class="fill" :class="verdict.word" :style="{ width: `${at(nowG)}%` }" />
    <span class="mark" :style="{ left: `${at(targetG)}%` }" />
  </div>
</template>

<style scoped>
.bar {
  position: relative;
  height: 34px;
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  background: var(--enamel);
  overflow: hidden;
}
.fill {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--salt);
  opacity: 0.55;
}
.fill.in {
  background: var(--fine);
}
.fill.over {
  background: var(--act);
}
.zone {
  position: absolute;
  top: 0;
  bottom: 0;
  background: color-mix(in srgb, var(--fine) 34%, transparent);
  border-inline: 2px solid var(--fine);
  z-index: 1;
}
.mark {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--ink);
  z-index: 2;
}
</style>
