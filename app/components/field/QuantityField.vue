<script setup lang="ts">
import { computed, onBeforeUnmount, ref, useId, watch } from 'vue'
import {
  CHOOSABLE,
  formatForField,
  InvalidInput,
  readField,
  unitSign,
  type Limits,
  type QuantityKind,
} from '@lactofer/core'
import { useInstruments, type Taken } from '~/stores/instruments'
import { usePreferences } from '~/stores/preferences'

/**
 * What a reader of its own makes of the text: the value, how it came about, and what was said where that is worth
 * keeping.
 */
export interface Said {
  value: number
  sentence: string | null
  said?: string
}

/**
 * One number with its unit: typed in any unit, stored in one, taken from an instrument, refused in words. The unit
 * chosen is remembered for its kind.
 */
const props = defineProps<{
  kind: QuantityKind
  label: string
  limits?: Partial<Limits>
  hint?: string
  optional?: boolean
  noTake?: boolean
  hideLabel?: boolean
  /** For a table whose rows say the unit. */
  hideUnit?: boolean
  placeholder?: string
  reader?: (text: string, unit: string) => Said
}>()

const model = defineModel<number | null>({ required: true })
const emit = defineEmits<{ taken: [taken: Taken]; said: [said: string | undefined] }>()

const preferences = usePreferences()
const instruments = useInstruments()
const id = useId()
const text = ref('')
const problem = ref<string | null>(null)
const suggestion = ref<string | undefined>()
const conversion = ref<string | null>(null)
const unit = computed(() => preferences.unit(props.kind))
let own: number | null = null

const show = () => (text.value = model.value === null ? '' : formatForField(model.value, props.kind, unit.value))
watch(
  [model, unit],
  ([value], [, was]) => {
    if (value !== own || unit.value !== was) {
      if (value !== own) conversion.value = null
      own = value
      if (value !== null || !problem.value) {
        problem.value = null
        show()
      }
    }
  },
  { immediate: true },
)

function read(typed: string) {
  suggestion.value = undefined
  problem.value = null
  conversion.value = null
  own = null
  if (typed.trim() !== '' || !props.optional) {
    try {
      const said = props.reader?.(typed, unit.value)
      conversion.value = said?.sentence ?? null
      own = said
        ? readField(String(said.value), props.kind, undefined, props.limits)
        : readField(typed, props.kind, unit.value, props.limits)
      emit('said', said?.said)
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
  accept(formatForField(taken.value, props.kind, unit.value))
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
      :id="id"
      v-model="text"
      inputmode="text"
      autocomplete="off"
      :placeholder="placeholder"
      :aria-invalid="problem !== null"
      :aria-describedby="problem || hint || conversion ? `${id}-note` : undefined"
      :class="{ bad: problem }"
      @input="read"
      @focus="focus"
      @keydown.space="space"
    >
      <template v-if="unitSign(unit) && !hideUnit" #suffix>
        <select
          v-if="CHOOSABLE[kind]"
          class="unit"
          tabindex="-1"
          :value="unit"
          :aria-label="`Unit for ${kind}`"
          @change="preferences.chooseUnit(kind, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="name in CHOOSABLE[kind]" :key="name" :value="name">{{ unitSign(name) }}</option>
        </select>
        <template v-else>{{ unitSign(unit) }}</template>
      </template>
    </el-input>
    <p v-if="problem" :id="`${id}-note`" class="problem" role="alert">
      {{ problem }}
      <button v-if="suggestion" type="button" class="fix" @click="accept(suggestion)">Use {{ suggestion }}</button>
    </p>
    <p v-else-if="conversion || hint" :id="`${id}-note`" class="muted small">{{ conversion || hint }}</p>
  </div>
</template>

<style scoped>
.quantity {
  min-width: 0;
}
.bad :deep(.el-input__wrapper) {
  box-shadow: 0 0 0 2px var(--discard) inset;
}
.unit {
  appearance: none;
  border: 0;
  background: none;
  color: var(--muted);
  font: 600 15px var(--text);
  min-height: 36px;
  text-align: right;
  cursor: pointer;
  padding: 0 2px;
}
.unit option {
  color: var(--ink);
  background: var(--surface);
}
.fix {
  background: none;
  border: 1px solid currentcolor;
  border-radius: 4px;
  color: inherit;
  font: 600 14px var(--text);
  min-height: 32px;
  padding: 0 var(--s2);
  cursor: pointer;
  margin-left: var(--s1);
}
</style>
