<script setup lang="ts">
import { ref, watch } from 'vue'
import { say } from '~/composables/say'
import { nowMoment } from '~/clock/clock'
import { useForm, type Problems } from '~/composables/useForm'
import { freshProcess, PERMIT_LIST, processOf, processProblems, type ProcessForm } from '~/forms/processForm'
import { newLotId } from '~/stores/book'

/** A process written down as its letter has it: what it asks is asked of every run made by it. */
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ recorded: [processId: string] }>()
const { form, shown, busy, confirm, reset } = useForm({
  fresh: freshProcess,
  problems: (): Problems<keyof ProcessForm> => processProblems(form.value),
})
const reducing = ref(false)
watch(open, (now) => {
  if (now) reset()
})
async function record(event: Event) {
  const processId = newLotId()
  const written = await confirm(event, () => {
    const process = processOf(form.value)
    const { photos } = form.value
    return process && [{ kind: 'process', at: nowMoment(), processId, process, ...(photos.length && { photos }) }]
  })
  if (!written) return
  say.done('The process is in the log. Its figures are asked of this run.')
  emit('recorded', processId)
  open.value = false
}
const BASES = [
  { value: 'scheduled process', label: 'scheduled process' },
  { value: 'tested recipe', label: 'tested recipe' },
]
const PACKS = [
  { value: 'hot', label: 'hot' },
  { value: 'raw', label: 'raw' },
  { value: 'cold', label: 'cold' },
]
</script>

<template>
  <el-dialog v-model="open" title="Record a process" width="min(94vw, 720px)">
    <form class="stack" novalidate @submit.prevent="record">
      <p class="small">
        A scheduled process comes from a qualified person, a tested recipe from its publisher. Copy it figure by figure;
        what it does not name stays empty. Every figure is checked at the release. Lactofer sets no process.
      </p>
      <div class="fields">
        <PickField v-model="form.basis" label="It is" :options="BASES" />
        <WordField v-model="form.name" label="Name" :problem="shown.name" placeholder="Red sauce, hot filled" />
        <WordField v-model="form.author" label="Who wrote it" :problem="shown.author" placeholder="Process authority" />
        <WordField v-model="form.written" label="Written on" :problem="shown.written" placeholder="2026-05-31" />
        <WordField v-model="form.product" label="For the product" :problem="shown.product" />
        <WordField v-model="form.container" label="In the container" :problem="shown.container" />
        <WordField v-model="form.closure" label="With the closure" :problem="shown.closure" />
        <QuantityField v-model="form.largestMl" kind="volume" label="Up to this size" optional />
        <PickField v-model="form.pack" label="Packed" :options="PACKS" />
        <QuantityField v-model="form.maxPh" kind="ph" label="Highest pH" :limits="{ low: 2.5, high: 4.6 }" no-take />
      </div>
      <p v-if="shown.maxPh" class="problem" role="alert">{{ shown.maxPh }}</p>
      <fieldset>
        <legend>Heat and time</legend>
        <div class="fields">
          <QuantityField v-model="form.initialC" kind="temperature" label="At the start, at least" optional no-take />
          <QuantityField v-model="form.fillC" kind="temperature" label="Filled at, at least" optional no-take />
          <QuantityField
            v-model="form.holdMin"
            kind="number"
            label="Held hot, minutes"
            :limits="{ unit: 'min' }"
            optional
          />
          <QuantityField
            v-model="form.invertMin"
            kind="number"
            label="Turned over, minutes"
            :limits="{ unit: 'min' }"
            optional
          />
          <QuantityField
            v-model="form.boilMin"
            kind="number"
            label="Boiled at the sea, minutes"
            :limits="{ unit: 'min' }"
            optional
          />
          <QuantityField v-model="form.minutes" kind="number" label="Minutes" :limits="{ unit: 'min' }" optional />
          <QuantityField v-model="form.refC" kind="temperature" label="at a temperature of" optional no-take />
          <QuantityField
            v-model="form.zC"
            kind="number"
            label="z, in °C"
            :limits="{ low: 4, high: 20, unit: '°C' }"
            optional
          />
          <QuantityField
            v-model="form.standDays"
            kind="number"
            label="Stands before it leaves, days"
            :limits="{ unit: 'days' }"
            optional
          />
        </div>
        <p v-if="shown.minutes ?? shown.standDays" class="problem" role="alert">
          {{ shown.minutes ?? shown.standDays }}
        </p>
      </fieldset>
      <fieldset>
        <legend>Also asked</legend>
        <div class="fields">
          <QuantityField
            v-model="form.maxAw"
            kind="number"
            label="Water activity, at most"
            :limits="{ low: 0.5, high: 1 }"
            optional
          />
          <QuantityField
            v-model="form.leastAirPct"
            kind="number"
            label="Air, percent of the filling"
            :limits="{ low: 0, high: 50, unit: '%' }"
            optional
          />
        </div>
      </fieldset>
      <fieldset>
        <legend>It permits</legend>
        <el-checkbox-group v-model="form.permits" class="permits">
          <el-checkbox v-for="{ value, label } in PERMIT_LIST" :key="value" :value="value">{{ label }}</el-checkbox>
        </el-checkbox-group>
      </fieldset>
      <PhotoField v-model="form.photos" v-model:busy="reducing" />
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy || reducing">Record the process</el-button
        ><el-button @click="open = false">Leave it</el-button>
      </div>
    </form>
  </el-dialog>
</template>

<style scoped>
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0 0 var(--s1);
  font-weight: 600;
}
.permits {
  display: grid;
}
</style>
