<script setup lang="ts">
/** A pH as a strip tells it: in half points, with how wide that is. */
const ph = defineModel<number | null>({ required: true })
const STEPS = Array.from({ length: 9 }, (_, index) => 3 + index / 2)
</script>

<template>
  <div role="group" aria-label="Strip, in half points">
    <div class="steps">
      <button v-for="step in STEPS" :key="step" type="button" :aria-pressed="ph === step" @click="ph = step">
        {{ step.toFixed(1) }}
      </button>
    </div>
    <p class="small muted">
      A strip is coarse: {{ ph === null ? 'what it shows may be off by' : `${ph.toFixed(1)} means` }}
      <strong>{{ ph === null ? '0.3' : `${(ph - 0.3).toFixed(1)} to ${(ph + 0.3).toFixed(1)}` }}</strong>. At or under
      4.0 it proves that 4.6 was passed; a colour between two steps is the higher one.
    </p>
  </div>
</template>

<style scoped>
.steps {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(54px, 1fr));
  gap: var(--s1);
  margin-bottom: var(--s1);
}
button {
  min-height: 52px;
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: 700 20px var(--display);
  font-stretch: 80%;
  cursor: pointer;
}
[aria-pressed='true'] {
  background: var(--acid);
  border-color: var(--acid);
  color: #fff;
}
</style>
