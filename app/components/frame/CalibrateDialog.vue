<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '~/composables/say'
import { calibrateMeter, calibrationAge, InvalidInput, nernstMv, type Calibration, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { BENCH_METER, BUFFERS, useMeters } from '~/composables/useMeters'
import { useForm, type Problems } from '~/composables/useForm'
import { useInstruments } from '~/stores/instruments'

/**
 * A meter on two buffers: millivolts and temperature of each, typed or taken; slope against the ideal at that
 * temperature, offset, accept or refuse.
 */
const open = defineModel<boolean>({ required: true })
const instruments = useInstruments()
const { meters, ageOf } = useMeters()
interface Step {
  buffer: number
  millivolt: string
  tempC: number | null
}
const SHOWS = [
  { value: 'millivolts', label: 'It shows millivolts' },
  { value: 'ph', label: 'It shows pH only' },
] as const
const shows = ref<'millivolts' | 'ph' | null>('millivolts')
const { form, asked, problems, busy, confirm, reset } = useForm({
  fresh: () => ({
    meter: meters.value.at(-1)?.meter ?? BENCH_METER,
    steps: [7, 4.01].map((buffer): Step => ({ buffer, millivolt: '', tempC: null })),
  }),
  problems: (): Problems<'buffers'> => ({ buffers: problemOf() }),
  kept: 'The millivolts are still here; try again.',
})
watch(open, (now) => {
  if (now) reset()
})
const meter = computed(() => form.value.meter.trim())
const benchMeter = computed(() => meter.value === BENCH_METER)
const live = computed(() => (benchMeter.value && instruments.connected ? instruments.state : null))
const sampleOf = (buffer: number) => `buffer ${buffer.toFixed(2)}`
/** The simulated meter is put into the buffer; its reading is taken once it has settled. */
const dip = (buffer: number) =>
  instruments.command({ do: 'dip', sample: sampleOf(buffer), ph: Math.min(9, buffer), tempC: 22 })
function take(index: number) {
  const now = live.value
  if (now?.ph.millivolt === null || now === null || now.thermometer.value === null) return
  const [millivolt, tempC] = [String(now.ph.millivolt), now.thermometer.value]
  form.value.steps = form.value.steps.map((step, at) => (at === index ? { ...step, millivolt, tempC } : step))
}
const millivolts = computed(() =>
  form.value.steps.map(({ millivolt }) =>
    /^[-−]?\d+([.,]\d+)?$/.test(millivolt.trim()) ? Number(millivolt.trim().replace('−', '-').replace(',', '.')) : null,
  ),
)
const found = computed(() => {
  const [first, second] = form.value.steps
  const [a, b] = millivolts.value
  if (
    !first ||
    !second ||
    a === undefined ||
    a === null ||
    b === undefined ||
    b === null ||
    first.tempC === null ||
    second.tempC === null
  )
    return null
  if (Math.abs(a) > 600 || Math.abs(b) > 600)
    return { problem: 'A pH electrode shows less than 600 mV either way. Check what you typed.', result: null }
  try {
    return {
      problem: null,
      result: calibrateMeter(
        { ph: first.buffer, millivolt: a, tempC: first.tempC },
        { ph: second.buffer, millivolt: b, tempC: second.tempC },
      ),
    }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message, result: null }
    throw error
  }
})
function problemOf(): string | null {
  if (!meter.value) return 'Name the meter.'
  return found.value ? found.value.problem : 'Both buffers want their millivolts and their temperature.'
}
function draft(result: Calibration): Draft {
  return {
    kind: 'calibrate',
    at: nowMoment(),
    meter: meter.value,
    points: form.value.steps.map(({ buffer, tempC }, index) => ({
      ph: buffer,
      millivolt: millivolts.value[index] ?? 0,
      tempC: tempC ?? 25,
    })),
    slopePct: Math.round(result.slopePct * 100) / 100,
    offsetMv: Math.round(result.offsetMv * 10) / 10,
    accepted: result.accepted,
  }
}
async function keep(event: Event) {
  const result = found.value?.result
  if (!(await confirm(event, () => (result ? [draft(result)] : null))) || !result) return
  if (result.accepted && live.value)
    await instruments.command({ do: 'calibrate', slopePct: result.slopePct, offsetMv: result.offsetMv })
  say.done(result.accepted ? `${meter.value} is calibrated.` : 'The refusal is in the log.')
  open.value = false
}
const age = computed(() => ageOf(meter.value) ?? calibrationAge(null, 0))
const stepProblem = (index: number) =>
  form.value.steps[index]?.millivolt.trim() && millivolts.value[index] === null ? 'Millivolts, like 172.4 or −8.' : null
/** What the meter shows while it stands in a buffer. */
const liveIn = (buffer: number) =>
  live.value?.ph.sample === sampleOf(buffer) ? `${live.value.ph.millivolt?.toFixed(1)} mV` : 'it'
const recordWords = computed(() =>
  found.value?.result && !found.value.result.accepted ? 'Record the refusal' : 'Use this calibration',
)
</script>

<template>
  <el-dialog v-model="open" title="Calibrate a meter on two buffers" width="min(96vw, 600px)" append-to-body>
    <TapField v-model="shows" label="What the meter shows" hide-label :options="SHOWS" class="shows" />
    <PocketCheck v-if="shows === 'ph'" @done="open = false" />
    <form v-else class="stack" novalidate @submit.prevent="keep">
      <WordField v-model="form.meter" label="Meter" :hint="age.sentence" />
      <p class="small muted">
        Fresh buffers, rinse between them, wait until it stands still. The ideal is {{ nernstMv(25).toFixed(1) }} mV for
        a pH at 25 °C.
      </p>
      <fieldset v-for="(step, index) in form.steps" :key="index">
        <legend>{{ index === 0 ? 'First buffer' : 'Second buffer' }}</legend>
        <div class="fields">
          <PickField
            v-model="step.buffer"
            :label="`Buffer ${index + 1}`"
            :options="BUFFERS.map((value) => ({ value, label: `pH ${value.toFixed(2)}` }))"
          />
          <WordField v-model="step.millivolt" :label="`Buffer ${index + 1}, mV`" :problem="stepProblem(index)" />
          <QuantityField
            v-model="step.tempC"
            kind="temperature"
            :label="`Buffer ${index + 1}, temperature`"
            :limits="{ low: 0, high: 60 }"
            no-take
          />
        </div>
        <div v-if="live" class="row">
          <el-button @click="dip(step.buffer)">Dip into it</el-button
          ><el-button :disabled="live.ph.sample !== sampleOf(step.buffer) || !live.ph.steady" @click="take(index)"
            >Take {{ liveIn(step.buffer) }}</el-button
          ><span v-if="live.ph.sample === sampleOf(step.buffer) && !live.ph.steady" class="small muted settling"
            >settling …</span
          >
        </div>
      </fieldset>
      <MeterVerdict v-if="found?.result" v-bind="found.result" data-figure="calibration" />
      <p v-if="problems.buffers && (asked || found?.problem)" class="problem" role="alert">{{ problems.buffers }}</p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">{{ recordWords }}</el-button
        ><el-button @click="open = false">Leave it</el-button>
      </div>
    </form>
  </el-dialog>
</template>

<style scoped>
.shows {
  margin-bottom: var(--s3);
}
fieldset {
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: var(--s2) var(--s4) var(--s3);
  margin: 0;
  min-width: 0;
}
legend {
  font-weight: 700;
  padding: 0 var(--s1);
}
.fields {
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  margin-bottom: var(--s2);
}
.settling {
  align-self: center;
}
</style>
