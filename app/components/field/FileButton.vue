<script setup lang="ts">
/** Opens files from the device and hands them on; the slot stands in the button in place of the label. */
const {
  accept = '.json',
  multiple = false,
  busy = false,
} = defineProps<{ label: string; accept?: string; multiple?: boolean; busy?: boolean; quiet?: boolean }>()
const emit = defineEmits<{ files: [files: File[]] }>()
function hand(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  if (files.length) emit('files', files)
}
</script>

<template>
  <label :class="['file', { quiet }]"
    ><input
      type="file"
      class="visually-hidden"
      :accept="accept"
      :multiple="multiple"
      :disabled="busy"
      :aria-label="label"
      @change="hand"
    /><span aria-hidden="true"><slot>{{ label }}</slot></span></label
  >
</template>

<style scoped>
.file {
  position: relative;
}
.file span {
  display: inline-flex;
  gap: var(--s2);
  align-items: center;
  min-height: var(--touch);
  padding: 0 var(--s4);
  border: 1px solid var(--el-border-color);
  border-radius: var(--radius);
  font-weight: 600;
  cursor: pointer;
  background: var(--surface);
}
.file span:hover {
  border-color: var(--bottle);
}
.quiet span {
  border: 0;
  padding: 0;
  background: none;
  color: var(--bottle);
  text-decoration: underline;
  text-underline-offset: 3px;
}
.file input:focus-visible + span {
  outline: 3px solid var(--ask);
  outline-offset: 2px;
}
</style>
