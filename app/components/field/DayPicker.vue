<script setup lang="ts">
import { computed, onMounted, watch } from 'vue'
import { datePatterns } from '~/clock/moments'

/**
 * A day, or a day and a time, in the order the maker writes them; chosen or typed. The value is as an
 * entry field holds it: "2026-11-26", or "2026-11-26T08:30".
 */
const {
  id,
  time = false,
  problem = null,
} = defineProps<{ id: string; time?: boolean; problem?: string | null; label: string }>()
const model = defineModel<string>({ required: true })
const pattern = computed(() => (time ? datePatterns.value.momentField : datePatterns.value.dayField))
/** The field inside is told what is wrong: the component does not pass it on. */
function mark() {
  const input = document.getElementById(id)
  input?.setAttribute('aria-invalid', String(problem !== null))
  if (problem) input?.setAttribute('aria-describedby', `${id}-note`)
  else input?.removeAttribute('aria-describedby')
}
onMounted(mark)
watch(() => problem, mark)
</script>

<template>
  <div class="picker">
    <el-date-picker
      :id="id"
      :model-value="model"
      :type="time ? 'datetime' : 'date'"
      :format="pattern"
      :value-format="time ? 'YYYY-MM-DDTHH:mm' : 'YYYY-MM-DD'"
      :placeholder="pattern"
      :aria-label="label"
      :clearable="false"
      @update:model-value="(value: string | null) => (model = value ?? '')"
    />
  </div>
</template>

<style scoped>
/* The library's own width comes after ours, and reaches its inner parts only from here. */
.picker :deep(.el-date-editor) {
  width: 100%;
  --el-date-editor-width: 100%;
}
</style>
