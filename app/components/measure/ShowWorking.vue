<script setup lang="ts">
import type { Working } from '@lactofer/core'

/** Opens a figure to its formula, the numbers put in, the result and the source. */
defineProps<{ working: Working }>()
</script>

<template>
  <details class="working">
    <summary>Working: {{ working.what }}</summary>
    <div>
      <p>
        <strong>{{ working.what }}:</strong> {{ working.formula }}
      </p>
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
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--bottle);
  font-size: 14px;
  font-weight: 600;
  min-height: 28px;
  display: inline-flex;
  align-items: center;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  list-style: none;
}
summary::-webkit-details-marker {
  display: none;
}
.working > div {
  display: grid;
  gap: var(--s1);
  font-size: 14px;
  padding: var(--s2) var(--s3);
  border-left: 3px solid var(--bottle);
  background: var(--wash);
}
</style>
