<script setup lang="ts">
import { ref } from 'vue'
import { ElMessage } from 'element-plus'
import type { Instrument, Lot } from '@lactofer/core'
import type { Taken } from '~/stores/instruments'
import { useBook } from '~/stores/book'

/** A reading of pH and temperature: typed or taken from the instruments. */
const { lot, phOnly = false } = defineProps<{ lot: Lot, phOnly?: boolean }>()
const emit = defineEmits<{ recorded: [] }>()
const book = useBook()
const ph = ref<number | null>(null)
const tempC = ref<number | null>(null)
const atMs = ref<number | null>(Date.now())
const instrument = ref<Instrument>()
const busy = ref(false)
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
  problem.value = ph.value === null && tempC.value === null ? 'Enter a pH or a temperature that can be read.' : ''
  if (problem.value || atMs.value === null) return
  busy.value = true
  try {
    await book.record({
      kind: 'reading', at: new Date(atMs.value).toISOString(), lotId: lot.id,
      ...(ph.value !== null && { ph: ph.value, ...(instrument.value && { instrument: instrument.value }) }), ...(tempC.value !== null && { tempC: tempC.value }),
    })
    ElMessage.success('Reading recorded.')
    ph.value = tempC.value = null
    instrument.value = undefined
    atMs.value = Date.now()
    emit('recorded')
  } catch {
    ElMessage.error('This could not be written to the log. The figures are still here; try again.')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="stack" novalidate aria-label="Reading" @submit.prevent="confirm">
    <div class="fields">
      <QuantityField v-model="ph" kind="ph" label="pH" optional @taken="taken" />
      <QuantityField v-if="!phOnly" v-model="tempC" kind="temperature" label="Temperature" :limits="{ low: -5, high: 60 }" optional @taken="taken" />
      <MomentField v-model="atMs" label="When" :earliest-ms="lot.startedMs - 3_600_000" />
    </div>
    <p v-if="instrument" class="muted small">From the {{ instrument.name }}<template v-if="!instrument.steady">, still settling: wait and take it again for a steady value</template>.</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div><el-button type="primary" native-type="submit" :loading="busy">Record the reading</el-button></div>
  </form>
</template>

<style scoped>
.fields { grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); }
</style>
