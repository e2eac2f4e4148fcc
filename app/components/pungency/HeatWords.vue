<script setup lang="ts">
import { ref, watch } from 'vue'
import { say } from '~/composables/say'
import { formatNumber, HeatScaleSchema, USUAL_HEAT_SCALE } from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

/** The maker's own five words for heat, and where one gives way to the next. */
const preferences = usePreferences()
const words = ref<string[]>([])
const limits = ref<(number | null)[]>([])
const problem = ref('')
watch(
  () => preferences.heat,
  (scale) => {
    words.value = [...scale.words]
    limits.value = [...scale.limits]
  },
  { immediate: true },
)
async function keep() {
  const parsed = HeatScaleSchema.safeParse({ words: words.value, limits: limits.value })
  problem.value = limits.value.includes(null)
    ? 'Every step needs its limit in SHU.'
    : parsed.success
      ? ''
      : (parsed.error.issues[0]?.message ?? 'This scale does not hold.')
  if (!parsed.success || problem.value) return
  await preferences.choose('heat', parsed.data)
  say.done('Your words for heat are kept.')
}
const usual = () => preferences.choose('heat', USUAL_HEAT_SCALE)
</script>

<template>
  <form class="words" novalidate aria-label="Words for heat" @submit.prevent="keep">
    <div v-for="(_, index) in words" :key="index" class="step">
      <WordField v-model="words[index]!" :label="`Step ${index + 1}`" />
      <QuantityField
        v-if="index < 4"
        v-model="limits[index]!"
        kind="count"
        :limits="{ low: 1, high: 16_000_000 }"
        :label="`up to, SHU (step ${index + 1})`"
        no-take
      />
      <p v-else class="small muted last">from {{ limits[3] === null ? '–' : formatNumber(limits[3] ?? 0) }} SHU on</p>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="row">
      <el-button type="primary" native-type="submit">Keep these words</el-button
      ><el-button text @click="usual">The usual words</el-button>
    </div>
  </form>
</template>

<style scoped>
.words {
  display: grid;
  gap: var(--s2);
}
.step {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--s3);
  align-items: end;
  max-width: 420px;
}
.last {
  padding-bottom: 12px;
}
</style>
