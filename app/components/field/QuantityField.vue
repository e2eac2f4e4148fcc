<script setup lang="ts">
import { computed, onBeforeUnmount, ref, useId, watch } from 'vue'
import {
  CHOOSABLE,
  formatForField,
  InvalidInput,
  readRange,
  unitSign,
  weigh,
  withinLimits,
  type Between,
  type Limits,
  type QuantityKind,
  type Range,
  type Thing,
} from '@lactofer/core'
import { useInstruments, type Taken } from '~/stores/instruments'
import { usePreferences } from '~/stores/preferences'

/**
 * One amount with its unit: said in any way, stored in one unit, taken from an instrument, asked where it can be meant
 * two ways, refused in words. What it was read as stands under it. The unit chosen is remembered for its kind.
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
  /** What is weighed: then cups, spoons and pieces of it can be said. */
  thing?: Thing
  /** An amount that came with the name of the thing, to be read here. */
  typed?: string | undefined
}>()

const model = defineModel<number | null>({ required: true })
/** Between what it lies where it was not weighed, and the words it was said in. */
const between = defineModel<Between | undefined>('between')
const said = defineModel<string | undefined>('said')
const emit = defineEmits<{ taken: [taken: Taken] }>()

const preferences = usePreferences()
const instruments = useInstruments()
const id = useId()
const text = ref('')
const problem = ref<string | null>(null)
const suggestions = ref<readonly string[]>([])
const readAs = ref<string | null>(null)
const unit = computed(() => preferences.unit(props.kind))
/** Whoever has no scale is shown the words there are. */
const spooned = computed(() =>
  props.kind === 'mass' && props.thing && preferences.weighs === 'spoons' ? '2 cups, 3 pieces, 1 tbsp' : undefined,
)
let own: number | null = null

/** What a text comes to, and what of it is worth saying. @throws InvalidInput */
function readingOf(typed: string): { range: Range; readAs: string | null; words: boolean } {
  if (props.kind !== 'mass' || !props.thing) {
    const range = readRange(typed, props.kind, unit.value, props.limits)
    const amount = props.kind === 'mass' || props.kind === 'volume'
    const plain = /^[\s\d.]*$/.test(typed) || typed.trim().endsWith(unitSign(unit.value))
    return {
      range,
      readAs: amount && !plain ? preferences.amountWords(range, props.kind) : null,
      words: range.low < range.high,
    }
  }
  const { massG, readAs: as, said: words } = weigh(props.thing, typed, unit.value, preferences.world)
  withinLimits(massG.typical, 'mass', props.limits)
  return { range: massG, readAs: as, words }
}
/** Shows what is stored: in the maker's own words where they were kept. */
function show() {
  readAs.value = null
  if (model.value === null) text.value = ''
  else if (said.value) {
    text.value = said.value
    try {
      readAs.value = readingOf(said.value).readAs
    } catch (error) {
      // Words of another device, or of an older library: the weight they stood for counts.
      if (!(error instanceof InvalidInput)) throw error
      text.value = formatForField(model.value, props.kind, unit.value)
    }
  } else text.value = formatForField(model.value, props.kind, unit.value)
}
watch(
  [model, unit],
  ([value], [, was]) => {
    if (value !== own || unit.value !== was) {
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
  suggestions.value = []
  problem.value = null
  readAs.value = null
  own = null
  let words: string | undefined
  let ends: Between | undefined
  if (typed.trim() !== '' || !props.optional) {
    try {
      const found = readingOf(typed)
      const { low, typical, high } = found.range
      own = typical
      readAs.value = found.readAs
      words = found.words ? typed.trim().slice(0, 40) : undefined
      ends = low < high ? { low, high } : undefined
    } catch (error) {
      if (!(error instanceof InvalidInput)) throw error
      problem.value = error.message
      suggestions.value = error.suggestions
    }
  }
  said.value = words
  between.value = ends
  model.value = own
}
function accept(fixed: string) {
  text.value = fixed
  read(fixed)
}

if (props.typed && model.value === null) accept(props.typed)

const takes = computed(() => !props.noTake && ['mass', 'ph', 'temperature'].includes(props.kind))
function take(taken: Taken) {
  // With its unit: what a scale shows is no count of pieces.
  accept(`${formatForField(taken.value, props.kind, unit.value)} ${props.kind === 'mass' ? unit.value : ''}`.trim())
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
      :placeholder="placeholder ?? spooned"
      :aria-invalid="problem !== null"
      :aria-describedby="problem || hint || readAs ? `${id}-note` : undefined"
      :class="{ bad: problem }"
      @input="read"
      @focus="focus"
      @keydown.space="space"
    >
      <template v-if="unitSign(unit) && !hideUnit" #suffix>
        <UnitChoice v-if="CHOOSABLE[kind]" :kind="kind" /><template v-else>{{ unitSign(unit) }}</template>
      </template>
    </el-input>
    <FieldNote
      :id="`${id}-note`"
      :problem="problem"
      :suggestions="suggestions"
      :note="readAs || hint"
      @accept="accept"
    />
  </div>
</template>

<style scoped>
.quantity {
  min-width: 0;
}
.bad :deep(.el-input__wrapper) {
  box-shadow: 0 0 0 2px var(--discard) inset;
}
</style>
