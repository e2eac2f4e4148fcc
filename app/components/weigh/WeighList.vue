<script setup lang="ts">
import IconDone from '~icons/lucide/check'
import { formatNumber, type WeighIn, type WeighStep } from '@lactofer/core'

/** The steps of a weigh-in: what was taken, what waits. A press goes back to one. */
const { saltG } = defineProps<{ state: WeighIn; saltG: number }>()
const emit = defineEmits<{ back: [index: number] }>()
/** What a step came to, or what it is to come to. */
function stepWords(step: WeighStep): string {
  if (step.state === 'skipped') return 'left out'
  const plannedG = step.kind === 'salt' && step.how === 'planned' ? saltG : step.plannedG
  return `${formatNumber(step.state === 'taken' ? (step.takenG ?? 0) : plannedG, 1)} g`
}
</script>

<template>
  <ol class="plain-list steps" aria-label="Steps">
    <li
      v-for="(step, index) in state.steps"
      :key="index"
      :class="[step.state, { here: index === state.at }]"
      :aria-current="index === state.at ? 'step' : undefined"
    >
      <button
        type="button"
        :disabled="step.state === 'waits' && index === state.at"
        :aria-label="`${step.name}: ${step.state === 'waits' ? 'go to it' : 'weigh again'}`"
        @click="emit('back', index)"
      >
        <span class="tick" aria-hidden="true"
          ><IconDone v-if="step.state === 'taken'" /><template v-else>{{ index + 1 }}</template></span
        >
        <span class="name"
          >{{ step.name }}<span v-if="step.how !== 'planned'" class="muted small"> {{ step.how }}</span></span
        >
        <span class="number">{{ stepWords(step) }}</span>
      </button>
    </li>
  </ol>
</template>

<style scoped>
.steps {
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
li + li {
  border-top: 1px solid var(--line);
}
button {
  width: 100%;
  display: grid;
  grid-template-columns: 30px 1fr auto;
  gap: var(--s3);
  align-items: center;
  min-height: 52px;
  padding: 0 var(--s3);
  background: none;
  border: 0;
  color: inherit;
  font: 600 16px var(--text);
  text-align: left;
  cursor: pointer;
  font-variant-numeric: tabular-nums;
}
.tick {
  width: 28px;
  height: 28px;
  border-radius: 50%;
  border: 2px solid var(--line);
  display: grid;
  place-items: center;
  font: 700 14px var(--display);
}
.taken .tick {
  background: var(--fine);
  border-color: var(--fine);
  color: var(--surface);
}
.here {
  background: var(--wash);
}
.here .tick {
  border-color: var(--bottle);
}
.skipped {
  color: var(--muted);
}
.waits .number {
  color: var(--muted);
  font-weight: 500;
}
</style>
