<script setup lang="ts" generic="T extends string | number">
/** A choice among a few, all in view: one tap each. */
defineProps<{ label: string; options: readonly { value: T; label: string }[]; hideLabel?: boolean }>()
/** `null` while nothing is chosen. */
const model = defineModel<T | null>({ required: true })
</script>

<template>
  <div>
    <span v-if="!hideLabel" class="field-label">{{ label }}</span>
    <el-radio-group
      :model-value="model ?? ''"
      :aria-label="label"
      @update:model-value="(value: unknown) => (model = value as T)"
      ><el-radio-button v-for="one in options" :key="one.value" :value="one.value">{{
        one.label
      }}</el-radio-button></el-radio-group
    >
  </div>
</template>
