<script setup lang="ts">
import { computed, onBeforeUnmount, ref, useId, watch } from 'vue'
import { fieldUnit, formatForField, InvalidInput, readField, type Limits, type QuantityKind } from '@lactofer/core'
import { useInstruments, type Taken } from '~/stores/instruments'
import { usePreferences } from '~/stores/preferences'

/** One number with its unit: typed in any unit, stored in one, taken from an instrument, refused in words. */
const props = defineProps<{ kind: QuantityKind, label: string, limits?: Partial<Limits>, hint?: string, optional?: boolean, noTake?: boolean, hideLabel?: boolean, placeholder?: string }>()
const model = defineModel<number | null>({ required: true })
const emit = defineEmits<{ taken: [taken: Taken] }>()

const preferences = usePreferences()
const instruments = useInstruments()
const id = useId()
const text = ref('')
const problem = ref<string | null>(null)
const suggestion = ref<string | undefined>()
let own: number | null = null

const show = () => (text.value = model.value === null ? '' : formatForField(model.value, props.kind, preferences.world))
watch([model, () => preferences.world], ([value], [, world]) => {
  if (value !== own || preferences.world !== world) {
    own = value
    if (value !== null || !problem.value) {
      problem.value = null
      show()
    }
  }
}, { immediate: true })

function read(typed: string) {
  suggestion.value = undefined
  problem.value = null
  own = null
  if (typed.trim() !== '' || !props.optional) {
    try {
      own = readField(typed, props.kind, preferences.world, props.limits)
    } catch (error) {
      if (!(error instanceof InvalidInput)) throw error
      problem.value = error.message
      suggestion.value = error.suggestion
    }
  }
  model.value = own
}
function accept(fixed: string) {
  text.value = fixed
  read(fixed)
}

const takes = computed(() => !props.noTake && ['mass', 'ph', 'temperature'].includes(props.kind))
function take(taken: Taken) {
  accept(formatForField(taken.value, props.kind, preferences.world))
  if (problem.value === null) emit('taken', taken)
}
function focus() {
  if (takes.value) instruments.focus({ id, kind: props.kind, label: props.label, take })
}
function space(event: Event | KeyboardEvent) {
  if (!takes.value || text.value !== '' || !instruments.reading(props.kind)) return
  event.preventDefault()
  instruments.take()
}
onBeforeUnmount(() => instruments.forget(id))
</script>

<template>
  <div class="quantity">
    <label :for="id" :class="hideLabel ? 'visually-hidden' : 'field-label'">{{ label }}</label>
    <el-input
      :id="id" v-model="text" inputmode="text" autocomplete="off" :placeholder="placeholder" :aria-invalid="problem !== null" :aria-describedby="problem || hint ? `${id}-note` : undefined" :class="{ bad: problem }"
      @input="read" @focus="focus" @keydown.space="space"
    >
      <template v-if="fieldUnit(kind, preferences.world)" #suffix>{{ fieldUnit(kind, preferences.world) }}</template>
    </el-input>
    <p v-if="problem" :id="`${id}-note`" class="problem" role="alert">
      {{ problem }}
      <button v-if="suggestion" type="button" class="fix" @click="accept(suggestion)">Use {{ suggestion }}</button>
    </p>
    <p v-else-if="hint" :id="`${id}-note`" class="muted small">{{ hint }}</p>
  </div>
</template>

<style scoped>
.quantity { min-width: 0; }
.bad :deep(.el-input__wrapper) { box-shadow: 0 0 0 2px var(--discard) inset; }
.fix { background: none; border: 1px solid currentcolor; border-radius: 4px; color: inherit; font: 600 14px var(--text); min-height: 32px; padding: 0 var(--s2); cursor: pointer; margin-left: var(--s1); }
</style>
