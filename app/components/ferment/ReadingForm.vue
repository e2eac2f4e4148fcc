<script setup lang="ts">
import { ref } from 'vue'
import { ElMessage } from 'element-plus'
import type { Instrument, Lot } from '@lactofer/core'
import type { Taken } from '~/stores/instruments'
import { useRecorder } from '~/composables/useRecorder'

/** A reading of pH and temperature: typed or taken from the instruments. */
const { lot, phOnly = false } = defineProps<{ lot: Lot, phOnly?: boolean }>()
const emit = defineEmits<{ recorded: [] }>()
const ph = ref<number | null>(null)
const tempC = ref<number | null>(null)
const saltPct = ref<number | null>(null)
const atMs = ref<number | null>(Date.now())
const instrument = ref<Instrument>()
const { busy, record } = useRecorder('The figures are still here; try again.')
const problem = ref('')

function taken({ instrument: used }: Taken) {
  if (used.calibratedAt) instrument.value = used
  atMs.value = Date.now()
}
async function confirm(event: Event) {
  if (focusInvalid(event)) {
    problem.value = 'Mend the marked field, or empty it; nothing was recorded.'
    return
  }
  problem.value = ph.value === null && tempC.value === null && saltPct.value === null ? 'Enter a pH, a temperature or a salt that can be read.' : ''
  if (problem.value || atMs.value === null) return
  const written = await record({
    kind: 'reading', at: new Date(atMs.value).toISOString(), lotId: lot.id,
    ...(ph.value !== null && { ph: ph.value, ...(instrument.value && { instrument: instrument.value }) }), ...(tempC.value !== null && { tempC: tempC.value }), ...(saltPct.value !== null && { saltPct: saltPct.value }),
  })
  if (!written) return
  ElMessage.success('Reading recorded.')
  ph.value = tempC.value = saltPct.value = null
  instrument.value = undefined
  atMs.value = Date.now()
  emit('recorded')
}
</script>

<template>
  <form class="stack" novalidate aria-label="Reading" @submit.prevent="confirm">
    <div class="fields">
      <QuantityField v-model="ph" kind="ph" label="pH" optional @taken="taken" />
      <QuantityField v-if="!phOnly" v-model="tempC" kind="temperature" label="Temperature" :limits="{ low: -5, high: 60 }" optional @taken="taken" />
      <QuantityField v-if="!phOnly" v-model="saltPct" kind="percent" label="Salt" :limits="{ high: 40 }" optional />
      <MomentField v-model="atMs" label="When" :earliest-ms="lot.startedMs - 3_600_000" />
    </div>
    <p v-if="instrument" class="muted small">From the {{ instrument.name }}<template v-if="!instrument.steady">, still settling: wait and take it again for a steady value</template>.</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div><el-button type="primary" native-type="submit" :loading="busy">Record the reading</el-button></div>
  </form>
</template>

<style scoped>
.fields { grid-template-columns: repeat(auto-fill, minmax(96px, 1fr)); }
.fields > :last-child { grid-column: 1 / -1; }
</style>
