<script setup lang="ts">
/** Opens a file from the device and hands on its text. */
const { accept = '.json' } = defineProps<{ label: string, accept?: string }>()
const emit = defineEmits<{ text: [text: string] }>()
async function read(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (file) emit('text', await file.text())
  input.value = ''
}
</script>

<template>
  <label class="file"><input type="file" class="visually-hidden" :accept="accept" :aria-label="label" @change="read"><span aria-hidden="true">{{ label }}</span></label>
</template>

<style scoped>
.file { position: relative; }
.file span { display: inline-flex; align-items: center; min-height: var(--touch); padding: 0 var(--s4); border: 1px solid var(--el-border-color); border-radius: var(--radius); font-weight: 600; cursor: pointer; background: var(--surface); }
.file span:hover { border-color: var(--bottle); }
.file input:focus-visible + span { outline: 3px solid var(--ask); outline-offset: 2px; }
</style>
