<script setup lang="ts">
import { useId } from 'vue'

/** A day to come, as the browser shows days; empty while none is said. */
const { earliest, problem = null } = defineProps<{
  label: string
  earliest?: string
  problem?: string | null
  hint?: string
}>()
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div>
    <label :for="id" class="field-label">{{ label }}</label>
    <el-input
      :id="id"
      v-model="model"
      type="date"
      :min="earliest"
      :aria-invalid="Boolean(problem)"
      :aria-describedby="problem || hint ? `${id}-note` : undefined"
    />
    <p v-if="problem" :id="`${id}-note`" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="hint" :id="`${id}-note`" class="muted small">{{ hint }}</p>
  </div>
</template>
