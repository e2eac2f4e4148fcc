<script setup lang="ts">
import { computed, ref } from 'vue'
import { propertiesOf } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'
import { usePractice } from '~/stores/practice'
import { usePreferences } from '~/stores/preferences'

const open = defineModel<boolean>({ required: true })
const instruments = useInstruments()
const book = useBook()
const practice = usePractice()
const lotId = ref('')
const ph = ref<number | null>(null)
const tempC = ref<number | null>(null)
const thick = ref(false)
const preferences = usePreferences()
/** The second scale, switched on. */
const kitchen = computed({
  get: () => instruments.strip.some(({ id }) => id === 'kitchen scale'),
  set: (on) => instruments.use('kitchen scale', on),
})
const probes = computed(() => instruments.state?.probes ?? [])
const NOWHERE = 'nowhere'
/** A probe stays in a lot and logs on its own; the simulated one takes on the lot's temperature. */
function place(probe: string, lotId: string) {
  void preferences.choose('probes', {
    ...Object.fromEntries(Object.entries(preferences.probes).filter(([id]) => id !== probe)),
    ...(lotId !== NOWHERE && { [probe]: lotId }),
  })
  const known = book.lot(lotId)?.readings.findLast((reading) => reading.tempC !== undefined)?.tempC
  if (known !== undefined) void instruments.command({ do: 'place', probe, tempC: known })
}

const samples = computed(() => [...book.fermenting, ...book.inStock])

/** The probe starts from what the lot is known to show. */
function choose(id: string) {
  const composition = book.composition(id)
  ph.value = composition ? Number((propertiesOf(composition).pH ?? 7).toFixed(2)) : null
  tempC.value = book.lot(id)?.readings.findLast((reading) => reading.tempC !== undefined)?.tempC ?? 21
}
const dip = () => {
  const sample = book.lot(lotId.value)?.code ?? 'a sample'
  if (ph.value !== null && tempC.value !== null)
    void instruments.command({ do: 'dip', sample, ph: ph.value, tempC: tempC.value, thick: thick.value })
}
const probeOptions = computed(() => [
  { value: NOWHERE, label: 'nothing' },
  ...samples.value
    .filter(({ state }) => state === 'fermenting')
    .map(({ id, code, name }) => ({ value: id, label: `${code} ${name}` })),
])
function calibrate() {
  open.value = false
  instruments.calibrating = true
}
</script>

<template>
  <el-dialog v-model="open" title="Simulated bench" width="560px">
    <template v-if="practice.on">
      <PracticeBench />
      <el-button class="buffers" @click="calibrate">Calibrate on two buffers</el-button>
    </template>
    <div v-else class="stack">
      <p class="muted">
        These instruments are simulated: they lag, settle, jitter and drift. Put something on them to try the strip.
      </p>
      <BenchLoad />
      <el-checkbox v-model="kitchen">Weigh on a kitchen scale of another make: ounces, slower, drops out</el-checkbox>
      <div class="row bench-row">
        <PickField
          v-model="lotId"
          label="Probe in"
          :options="samples.map((lot) => ({ value: lot.id, label: `${lot.code} ${lot.name}` }))"
          @update:model-value="choose"
        />
        <QuantityField v-model="ph" kind="ph" label="Its true pH" no-take />
        <QuantityField v-model="tempC" kind="temperature" label="Its temperature" no-take />
      </div>
      <div class="row bench-row">
        <el-button type="primary" :disabled="ph === null || tempC === null" @click="dip">Dip the probes</el-button>
        <el-button @click="instruments.command({ do: 'lift' })">Lift them out</el-button>
        <el-checkbox v-model="thick">A thick mash</el-checkbox>
        <el-button @click="calibrate">Calibrate on two buffers</el-button>
      </div>
      <div v-if="probes.length" class="row bench-row">
        <PickField
          v-for="probe in probes"
          :key="probe.id"
          :model-value="preferences.probes[probe.id] ?? NOWHERE"
          :label="`${probe.name} logs to`"
          :options="probeOptions"
          @update:model-value="(id) => place(probe.id, id)"
        />
      </div>
      <p v-if="instruments.problem" class="problem" role="alert">{{ instruments.problem }}</p>
    </div>
  </el-dialog>
</template>

<style scoped>
.buffers {
  margin-top: var(--s4);
}
</style>
