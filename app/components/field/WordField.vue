<script setup lang="ts">
import { useId } from 'vue'

/** A line of text: a name, a code, a place; or a day. `problem` is shown beside it. */
defineProps<{
  label: string
  type?: 'text' | 'date'
  problem?: string | null
  hint?: string
  placeholder?: string
}>()
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div>
    <label :for="id" class="field-label">{{ label }}</label>
    <DayPicker v-if="type === 'date'" :id="id" v-model="model" :problem="problem ?? null" />
    <el-input
      v-else
      :id="id"
      v-model="model"
      autocomplete="off"
      :placeholder="placeholder"
      :aria-invalid="Boolean(problem)"
      :aria-describedby="problem || hint ? `${id}-note` : undefined"
    />
    <p v-if="problem" :id="`${id}-note`" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="hint" :id="`${id}-note`" class="muted small">{{ hint }}</p>
  </div>
</template>
