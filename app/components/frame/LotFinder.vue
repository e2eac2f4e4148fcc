<script setup lang="ts">
import { ref } from 'vue'

/** Where a lot is looked for: a press brings the field, which the first page goes without. */
const finding = ref(false)
</script>

<template>
  <LazyFinderField v-if="finding" @close="finding = false" />
  <button v-else type="button" class="finder" data-find @click="finding = true">
    Find a lot <kbd aria-hidden="true">/</kbd>
  </button>
</template>

<style scoped>
.finder {
  width: 140px;
  min-height: var(--touch);
  padding: 0 var(--s3);
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--muted);
  font: 400 16px var(--text);
  text-align: left;
  cursor: pointer;
}
kbd {
  font: inherit;
}
</style>
