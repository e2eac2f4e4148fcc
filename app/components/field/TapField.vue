<script setup lang="ts" generic="T extends string | number">
import { useId } from 'vue'

/** A choice among a few, all in view: one tap each. */
defineProps<{ label: string; options: readonly { value: T; label: string }[]; hideLabel?: boolean }>()
/** `null` while nothing is chosen. */
const model = defineModel<T | null>({ required: true })
const name = useId()
</script>

<template>
  <div>
    <span v-if="!hideLabel" class="field-label">{{ label }}</span>
    <div class="el-radio-group" role="radiogroup" :aria-label="label">
      <label v-for="one in options" :key="one.value" :class="['el-radio-button', { 'is-active': one.value === model }]"
        ><input
          type="radio"
          class="el-radio-button__original-radio"
          :name="name"
          :checked="one.value === model"
          @change="model = one.value"
        /><span class="el-radio-button__inner">{{ one.label }}</span></label
      >
    </div>
  </div>
</template>
