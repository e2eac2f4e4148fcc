<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue'

/** Where a lot is looked for: a press brings the field, which the first page goes without. */
const finding = ref(false)
const button = useTemplateRef<HTMLElement>('button')
/** Whoever came by key is back where they were. */
async function close() {
  finding.value = false
  await nextTick()
  button.value?.focus()
}
</script>

<template>
  <LazyFinderField v-if="finding" @close="close" />
  <button v-else ref="button" type="button" class="finder" data-find @click="finding = true">
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
