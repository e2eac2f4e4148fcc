<script setup lang="ts">
import { computed } from 'vue'
import { say } from '~/composables/say'
import { checkPocket, InvalidInput, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { BUFFERS } from '~/composables/useMeters'
import { useForm, type Problems } from '~/composables/useForm'

/** A meter that shows no millivolts, checked in two buffers: what it showed in each. */
const emit = defineEmits<{ done: [] }>()
const { form, asked, problems, busy, confirm } = useForm({
  fresh: () => ({
    meter: 'Pocket meter',
    steps: [7, 4.01].map((buffer) => ({ buffer, shown: null as number | null })),
  }),
  problems: (): Problems<'buffers'> => ({ buffers: problemOf() }),
  kept: 'What it showed is still here; try again.',
})
const found = computed(() => {
  const [first, second] = form.value.steps
  if (!first || !second || first.shown === null || second.shown === null) return null
  try {
    const result = checkPocket({ ph: first.buffer, shown: first.shown }, { ph: second.buffer, shown: second.shown })
    return { problem: null, result }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message, result: null }
    throw error
  }
})
function problemOf(): string | null {
  if (!form.value.meter.trim()) return 'Name the meter.'
  return found.value ? found.value.problem : 'Both buffers want what the meter showed.'
}
function draft(accepted: boolean): Draft {
  const { meter, steps } = form.value
  const points = steps.map(({ buffer, shown }) => ({ ph: buffer, shown: shown ?? 0 }))
  return { kind: 'buffers', at: nowMoment(), meter: meter.trim(), points, accepted }
}
async function keep(event: Event) {
  const result = found.value?.result
  if (!(await confirm(event, () => (result ? [draft(result.accepted)] : null))) || !result) return
  say.done(result.accepted ? `${form.value.meter.trim()} may be used today.` : 'The refusal is in the log.')
  emit('done')
}
const bufferOptions = BUFFERS.map((value) => ({ value, label: `pH ${value.toFixed(2)}` }))
</script>

<template>
  <form class="stack" novalidate aria-label="Pocket meter" @submit.prevent="keep">
    <WordField v-model="form.meter" label="Meter" />
    <p class="small muted">Fresh buffers, rinse between them, wait until it stands still. Write down what it shows.</p>
    <div v-for="(step, index) in form.steps" :key="index" class="fields">
      <PickField v-model="step.buffer" :label="`Buffer ${index + 1}`" :options="bufferOptions" />
      <QuantityField
        v-model="step.shown"
        kind="number"
        :label="`It showed in buffer ${index + 1}`"
        :limits="{ low: 0, high: 14, unit: 'pH' }"
        no-take
      />
    </div>
    <MeterVerdict v-if="found?.result" v-bind="found.result" data-figure="pocket-check" />
    <p v-if="problems.buffers && (asked || found?.problem)" class="problem" role="alert">{{ problems.buffers }}</p>
    <div>
      <el-button type="primary" native-type="submit" :loading="busy">{{
        found?.result && !found.result.accepted ? 'Record the refusal' : 'Use this meter'
      }}</el-button>
    </div>
  </form>
</template>
