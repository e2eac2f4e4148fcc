<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import IconCalendar from '~icons/lucide/calendar-days'
import { datePatterns, typedDay, writtenDay } from '~/clock/moments'

/**
 * A day, or a day and a time, typed in the order the maker writes them, or chosen. The value is as an entry field
 * holds it: "2026-11-26", or "2026-11-26T08:30"; empty while what was typed cannot be read.
 */
const { id, time = false, problem = null } = defineProps<{ id: string; time?: boolean; problem?: string | null }>()
const model = defineModel<string>({ required: true })
const pattern = computed(() => (time ? datePatterns.value.momentField : datePatterns.value.dayField))
const button = useTemplateRef<HTMLButtonElement>('button')
const choosing = ref(false)
/** What was typed, until it is read; what cannot be read stays to be mended. */
const typed = ref<string | null>(null)
const shown = computed({
  get: () => typed.value ?? writtenDay(model.value, time),
  set: (text: string) => (typed.value = text),
})
/** Somebody is typing: what the value does meanwhile is not shown before it is read. */
const typing = ref(false)
watch(model, (now) => {
  if (now && !typing.value) typed.value = null
})
function read() {
  if (typed.value === null) return
  const day = typedDay(typed.value, time)
  if (day) typed.value = null
  model.value = day ?? ''
}
function choose(day: string) {
  typed.value = null
  model.value = day
}
</script>

<template>
  <div @keydown.esc="choosing = false">
    <el-input
      :id="id"
      v-model="shown"
      autocomplete="off"
      :placeholder="pattern"
      :aria-invalid="problem !== null"
      :aria-describedby="problem ? `${id}-note` : undefined"
      @focus="typing = true"
      @blur="typing = false"
      @change="read"
      @keydown.enter.prevent="read"
      @keydown.alt.down.prevent="choosing = true"
    >
      <template #suffix>
        <button
          ref="button"
          type="button"
          aria-label="Choose from a calendar"
          :aria-expanded="choosing"
          @click="choosing = !choosing"
        >
          <IconCalendar aria-hidden="true" />
        </button>
      </template>
    </el-input>
    <LazyDayPanel
      v-if="choosing && button"
      :model-value="model"
      :beside="button"
      :time="time"
      @update:model-value="choose"
      @close="choosing = false"
    />
  </div>
</template>

<style scoped>
button {
  border: 0;
  background: none;
  color: var(--muted);
  min-height: var(--touch);
  min-width: 32px;
  padding: 0;
  display: grid;
  place-items: center;
  cursor: pointer;
}
</style>
