<script setup lang="ts" generic="T extends string | number">
import { computed, ref, useId } from 'vue'

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
/** Its list is made once somebody reaches for it: most are never opened. */
const reached = ref(false)
/** Of a list that nobody scrolls through so many are shown that fit what was typed, and what is chosen. */
const MANY = 200
const typed = ref('')
const fitting = computed(() => {
  if (!reached.value) return props.options.filter(({ value }) => value === model.value)
  if (props.options.length <= MANY) return props.options
  const words = typed.value.trim().toLowerCase().split(/\s+/)
  const fits = props.options.filter(({ label }) => words.every((word) => label.toLowerCase().includes(word)))
  const chosen = props.options.filter(({ value }) => value === model.value && !typed.value.trim())
  return [...new Set([...chosen, ...fits.slice(0, MANY)])]
})
const searched = computed(() =>
  props.options.length > MANY ? { filterMethod: (text: string) => void (typed.value = text) } : {},
)
</script>

<template>
  <div>
    <label :for="id" :class="hideLabel ? 'visually-hidden' : 'field-label'">{{ label }}</label>
    <el-select
      v-bind="searched"
      :id="id"
      v-model="model"
      :persistent="reached"
      :aria-label="label"
      :filterable="props.options.length > 9"
      default-first-option
      :placeholder="placeholder ?? 'Choose'"
      :aria-invalid="Boolean(problem)"
      @focus="reached = true"
    >
      <el-option v-for="option in fitting" :key="option.value" :value="option.value" :label="option.label" />
    </el-select>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="hint" class="muted small">{{ hint }}</p>
  </div>
</template>
