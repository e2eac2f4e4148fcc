<script setup lang="ts" generic="T extends string | number">
import { useId } from 'vue'

/** A choice from a list, searchable when the list is long: Enter takes the first that fits what was typed. */
const props = defineProps<{
  label: string
  options: readonly { value: T; label: string }[]
  problem?: string | null
  hint?: string
  hideLabel?: boolean
  placeholder?: string
}>()
const model = defineModel<T>({ required: true })
const id = useId()
</script>

<template>
  <div>
    <label :for="id" :class="hideLabel ? 'visually-hidden' : 'field-label'">{{ label }}</label>
    <el-select
      :persistent="false"
      :id="id"
      v-model="model"
      :aria-label="label"
      :filterable="props.options.length > 9"
      default-first-option
      :placeholder="placeholder ?? 'Choose'"
      :aria-invalid="Boolean(problem)"
    >
      <el-option v-for="option in options" :key="option.value" :value="option.value" :label="option.label" />
    </el-select>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="hint" class="muted small">{{ hint }}</p>
  </div>
</template>
