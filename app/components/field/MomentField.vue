<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { MINUTE_MS } from '@lactofer/core'
import { fieldOfMoment, momentOfField, shortMoment } from '~/clock/moments'
import { useBook } from '~/stores/book'

/** When something happened, in the browser's own time. Never in the future. `null` while it cannot be read. */
const { label, earliestMs = 0 } = defineProps<{ label: string; earliestMs?: number }>()
const model = defineModel<number | null>({ required: true })
const book = useBook()
const id = useId()
/** A clock that goes a little ahead is no reason to refuse. */
const AHEAD_MS = 5 * MINUTE_MS
const text = ref(fieldOfMoment(model.value))
watch(model, (ms) => {
  if (ms !== null) text.value = fieldOfMoment(ms)
})

const typedMs = computed(() => momentOfField(text.value))
const problem = computed(() => {
  const ms = typedMs.value
  if (ms === null) return 'Enter a day and a time.'
  if (ms > book.nowMs + AHEAD_MS) return 'This lies in the future. Enter when it was done.'
  if (ms < earliestMs) return `This is before ${shortMoment(earliestMs)}, when the lot began.`
  return null
})
watch([typedMs, problem], () => (model.value = problem.value ? null : typedMs.value))
</script>

<template>
  <div>
    <label :for="id" class="field-label">{{ label }}</label>
    <DayPicker :id="id" v-model="text" time :problem="problem" />
    <p v-if="problem" :id="`${id}-note`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
