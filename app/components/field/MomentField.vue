<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import dayjs from 'dayjs'
import { useBook } from '~/stores/book'

/** When something happened, in the browser's own time. Never in the future. `null` while it cannot be read. */
const { label, earliestMs = 0 } = defineProps<{ label: string; earliestMs?: number }>()
const model = defineModel<number | null>({ required: true })
const book = useBook()
const id = useId()
const shown = (ms: number | null) => (ms === null ? '' : dayjs(ms).format('YYYY-MM-DDTHH:mm'))
const text = ref(shown(model.value))
watch(model, (ms) => {
  if (ms !== null && shown(ms) !== text.value) text.value = shown(ms)
})

const problem = computed(() => {
  const moment = dayjs(text.value)
  if (!text.value || !moment.isValid()) return 'Enter a day and a time.'
  if (moment.valueOf() > book.nowMs + 5 * 60_000) return 'This lies in the future. Enter when it was done.'
  if (moment.valueOf() < earliestMs)
    return `This is before ${dayjs(earliestMs).format('D MMM HH:mm')}, when the lot began.`
  return null
})
watch([text, problem], () => (model.value = problem.value ? null : dayjs(text.value).valueOf()))
</script>

<template>
  <div>
    <label :for="id" class="field-label">{{ label }}</label>
    <el-input
      :id="id"
      v-model="text"
      type="datetime-local"
      :aria-invalid="problem !== null"
      :aria-describedby="problem ? `${id}-note` : undefined"
    />
    <p v-if="problem" :id="`${id}-note`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
