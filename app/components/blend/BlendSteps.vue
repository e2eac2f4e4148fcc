<script setup lang="ts">
import { STEPS, type Step } from './steps'

/** The way of a blend in one line; each step with what stands there now. */
const step = defineModel<Step>({ required: true })
const { notes } = defineProps<{ notes: Record<Step, string> }>()
</script>

<template>
  <nav class="steps" aria-label="Steps of the blend">
    <button
      v-for="one in STEPS"
      :key="one.value"
      type="button"
      :aria-current="one.value === step ? 'step' : undefined"
      @click="step = one.value"
    >
      <strong>{{ one.label }}</strong>{{ ' ' }}<span class="small muted">{{ notes[one.value] }}</span>
    </button>
  </nav>
</template>

<style scoped>
.steps {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  background: var(--surface);
}
button {
  display: grid;
  align-content: center;
  min-height: 52px;
  padding: var(--s1) var(--s3);
  border: 0;
  border-right: 1px solid var(--line);
  background: none;
  color: inherit;
  font: inherit;
  line-height: 1.2;
  text-align: left;
  cursor: pointer;
  min-width: 0;
}
button:last-child {
  border-right: 0;
}
strong {
  font: 700 17px var(--display);
  font-stretch: 88%;
}
button span {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
[aria-current] {
  background: var(--wash);
  box-shadow: inset 0 -4px 0 var(--bottle);
}
@media (max-width: 700px) {
  button {
    padding: var(--s1) var(--s2);
  }
  strong {
    font-size: 16px;
  }
}
@media (forced-colors: active) {
  [aria-current] {
    outline: 3px solid Highlight;
    outline-offset: -3px;
  }
}
</style>
