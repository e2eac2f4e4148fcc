<script setup lang="ts">
/**
 * What stands under a field: what is wrong with what was typed and what may have been meant; else what it was read as,
 * or a hint.
 */
const { suggestions = [] } = defineProps<{
  id: string
  problem?: string | null
  suggestions?: readonly string[]
  note?: string | null | undefined
}>()
const emit = defineEmits<{ accept: [meant: string] }>()
</script>

<template>
  <p v-if="problem" :id="id" class="problem" role="alert">
    <SaidText :text="problem" />{{ ' ' }}
    <button v-for="meant in suggestions" :key="meant" type="button" class="fix" @click="emit('accept', meant)">
      {{ suggestions.length === 1 ? `Use ${meant}` : meant }}
    </button>
  </p>
  <p v-else-if="note" :id="id" class="muted small" data-note>{{ note }}</p>
</template>

<style scoped>
.fix {
  background: none;
  border: 1px solid currentcolor;
  border-radius: 4px;
  color: inherit;
  font: 600 14px var(--text);
  min-height: var(--touch);
  padding: 0 var(--s2);
  cursor: pointer;
  margin: 2px var(--s1) 2px 0;
}
</style>
