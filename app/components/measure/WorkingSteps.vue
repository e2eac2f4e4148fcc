<script setup lang="ts">
import type { Working } from '@lactofer/core'

/** The formula of a figure, the numbers put in, the result and the source. */
defineProps<{ working: Working }>()
</script>

<template>
  <div class="steps">
    <p><strong>{{ working.what }}:</strong> {{ working.formula }}</p>
    <ul class="plain-list">
      <li v-for="(number, index) in working.numbers" :key="index">
        <span class="muted">{{ number.name }}</span> <SaidText :text="number.value" />
      </li>
    </ul>
    <p>
      <strong>= <SaidText :text="working.result" /></strong>
    </p>
    <p class="muted">{{ working.source }}</p>
  </div>
</template>

<style scoped>
.steps {
  display: grid;
  gap: var(--s1);
  font-size: 14px;
  padding: var(--s2) var(--s3);
  border-left: 3px solid var(--bottle);
  background: var(--wash);
}
</style>
