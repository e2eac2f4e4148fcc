<script setup lang="ts">
import { computed } from 'vue'
import IconMinus from '~icons/lucide/minus'
import IconPlus from '~icons/lucide/plus'
import { RANK_WORDS, RANKS, type Aim, type Property, type Target } from '@lactofer/core'
import { aimName } from '~/words/limitWords'
import { END_WORDS, endLimits, ENDS, TARGET_FIELDS, type End } from '~/forms/blendForm'
import { RULERS, stepped } from '~/components/measure/rulers'

/** A wish in figures: its two ends, typed or stepped, and how much it matters. An empty end is open. */
const target = defineModel<Target>({ required: true })
const { aim, now } = defineProps<{ aim: Aim; now: number | null }>()
const KIND: Record<Aim, 'ph' | 'count' | 'percent'> = {
  acid: 'ph',
  heat: 'count',
  salt: 'percent',
  sweet: 'percent',
  body: 'percent',
  tart: 'percent',
}
const title = computed(() => (aim === 'acid' ? 'pH' : `${aimName(aim)[0]?.toUpperCase()}${aimName(aim).slice(1)}`))
/** Titratable acid has no ruler of its own, and is stepped as finely as salt. */
const stepsLike = computed((): Property => (aim === 'tart' ? 'salt' : aim))
function step(end: End, way: number) {
  const from = target.value[end] ?? now ?? RULERS[stepsLike.value][end]
  target.value = { ...target.value, [end]: stepped(stepsLike.value, from, way, endLimits(aim, target.value, end)) }
}
</script>

<template>
  <div class="ends" role="group" :aria-label="`${title}, wanted`">
    <div v-for="end in ENDS" :key="end" class="end">
      <el-button :aria-label="`${title}, ${END_WORDS[end]}: less`" @click="step(end, -1)"
        ><IconMinus aria-hidden="true"
      /></el-button>
      <QuantityField
        :model-value="target[end]"
        :kind="KIND[aim]"
        :label="`${title}, ${END_WORDS[end]}`"
        :limits="TARGET_FIELDS[aim]"
        optional
        no-take
        placeholder="open"
        @update:model-value="target = { ...target, [end]: $event }"
      />
      <el-button :aria-label="`${title}, ${END_WORDS[end]}: more`" @click="step(end, 1)"
        ><IconPlus aria-hidden="true"
      /></el-button>
    </div>
    <PickField
      :model-value="target.rank"
      :label="`${title}, it`"
      :options="RANKS.map((value) => ({ value, label: RANK_WORDS[value] }))"
      @update:model-value="target = { ...target, rank: $event }"
    />
  </div>
</template>

<style scoped>
.ends {
  display: grid;
  grid-template-columns: repeat(2, minmax(190px, 1fr)) minmax(110px, 0.6fr);
  gap: var(--s2) var(--s4);
  align-items: start;
}
.end {
  display: grid;
  grid-template-columns: var(--touch) 1fr var(--touch);
  gap: 4px;
  align-items: start;
}
.end .el-button {
  padding: 0;
  margin-top: 26px;
}
@media (max-width: 700px) {
  .ends {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
