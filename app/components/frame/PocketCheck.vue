<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { checkPocket, InvalidInput } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { BUFFERS } from '~/composables/useMeters'
import { useRecorder } from '~/composables/useRecorder'

/** A meter that shows no millivolts, checked in two buffers: what it showed in each. */
const emit = defineEmits<{ done: [] }>()
const { busy, record } = useRecorder('What it showed is still here; try again.')
const meter = ref('Pocket meter')
const steps = ref([
  { buffer: 7, shown: null as number | null },
  { buffer: 4.01, shown: null as number | null },
])
const asked = ref(false)
const found = computed(() => {
  const [first, second] = steps.value
  if (!first || !second || first.shown === null || second.shown === null) return null
  try {
    const result = checkPocket({ ph: first.buffer, shown: first.shown }, { ph: second.buffer, shown: second.shown })
    return { problem: '', result }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message, result: null }
    throw error
  }
})
const problem = computed(() =>
  !meter.value.trim() ? 'Name the meter.' : (found.value?.problem ?? 'Both buffers want what the meter showed.'),
)
async function keep(event: Event) {
  asked.value = true
  const result = found.value?.result
  if (focusInvalid(event) || problem.value || !result) return
  const written = await record({
    kind: 'buffers',
    at: nowMoment(),
    meter: meter.value.trim(),
    points: steps.value.map(({ buffer, shown }) => ({ ph: buffer, shown: shown ?? 0 })),
    accepted: result.accepted,
  })
  if (!written) return
  ElMessage.success(result.accepted ? `${meter.value} may be used for seven days.` : 'The refusal is in the log.')
  emit('done')
}
const bufferOptions = BUFFERS.map((value) => ({ value, label: `pH ${value.toFixed(2)}` }))
</script>

<template>
  <form class="stack" novalidate aria-label="Pocket meter" @submit.prevent="keep">
    <WordField v-model="meter" label="Meter" />
    <p class="small muted">Fresh buffers, rinse between them, wait until it stands still. Write down what it shows.</p>
    <div v-for="(step, index) in steps" :key="index" class="fields">
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
    <p v-if="problem && (asked || found?.problem)" class="problem" role="alert">{{ problem }}</p>
    <div>
      <el-button type="primary" native-type="submit" :loading="busy">{{
        found?.result && !found.result.accepted ? 'Record the refusal' : 'Use this meter'
      }}</el-button>
    </div>
  </form>
</template>
