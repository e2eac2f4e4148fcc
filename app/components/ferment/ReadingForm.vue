<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '~/composables/say'
import {
  cautionsFor,
  HOUR_MS,
  MINUTE_MS,
  momentOf,
  structureOfLot,
  titrationWorking,
  usuallyOf,
  type Draft,
  type Instrument,
  type Lot,
} from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { freshReading, ReadingDraftSchema } from '~/forms/readingDraft'
import { useInstruments, type Taken } from '~/stores/instruments'
import { useForm, type Problems } from '~/composables/useForm'
import { useMeters } from '~/composables/useMeters'
import { useBook } from '~/stores/book'

/**
 * A reading of anything that can be measured or tasted: typed or taken from the instruments. Half a reading is still
 * there when the browser was closed.
 */
const { lot, phOnly = false } = defineProps<{ lot: Lot; phOnly?: boolean }>()
const emit = defineEmits<{ recorded: [entryIds: string[]] }>()
const { form, shown, marked, busy, written, confirm, reset } = useForm({
  fresh: freshReading,
  keep: { key: `reading-${lot.id}`, schema: ReadingDraftSchema },
  problems: (): Problems<'reading'> => ({ reading: problemOf() }),
  kept: 'The figures are still here; try again.',
})
/** When it was read: not when the form was opened, but when a figure was typed. Said by hand, that stands. */
const saidMs = ref<number | null>(null)
const unreadable = ref(false)
const atMs = computed({
  get: () => (unreadable.value ? null : (saidMs.value ?? form.value.atMs ?? book.nowMs)),
  set: (value: number | null) => {
    unreadable.value = value === null
    if (value !== null && Math.abs(value - (form.value.atMs ?? book.nowMs)) >= MINUTE_MS) saidMs.value = value
  },
})
watch(
  () => [form.value.ph, form.value.tempC, form.value.saltPct, form.value.brixPct, form.value.massG],
  (now, before) => {
    if (now.some((value, index) => value !== null && value !== before[index])) form.value.atMs = nowMs()
  },
)
const instrument = ref<Instrument>()
/** What gave a value other than the pH, where it was simulated: the entry says so. */
const simulated = ref<Instrument>()
const book = useBook()
const instruments = useInstruments()
const { options, using, instrumentOf, ageOf } = useMeters()
/** A picture is still being reduced: nothing is kept without it. */
const reducing = ref(false)

const structure = computed(() => (lot.made.kind === 'plan' ? structureOfLot(book.book, lot) : null))
/** Bottles of a chunky product, whose liquid does not stand for its pieces. */
const chunky = computed(() => lot.made.kind === 'bottle' && lot.made.chunky === true)
const pieces = computed(() => (structure.value?.liquid ?? 1) < 1 || chunky.value)
/** Marks of its jars, where there are several. */
const jars = computed(() => (lot.vessels.length > 1 ? lot.vessels.map(({ mark }) => mark) : []))
const of = computed({
  get: () => form.value.of ?? (structure.value ? usuallyOf(structure.value) : chunky.value ? 'liquid' : 'blended'),
  set: (value: 'liquid' | 'blended') => (form.value.of = value),
})
const titration = computed(() => {
  const { sampleG, lyeMl, lyeMolar } = form.value
  return sampleG !== null && lyeMl !== null ? { sampleG, lyeMl, lyeMolar } : null
})
const isStrip = computed(() => using.value === 'strip' || using.value === 'stained')
const age = computed(() => (form.value.ph === null ? null : ageOf(using.value)))
const more = computed(
  () =>
    ['saltPct', 'brixPct', 'massG', 'sampleG', 'lyeMl', 'note', 'aw', 'histamineMgKg'].some(
      (key) => form.value[key as 'note'],
    ) ||
    form.value.photos.length > 0 ||
    Object.keys(form.value.taste).length > 0,
)

function taken({ instrument: used }: Taken) {
  if (used.kind === 'meter') instrument.value = used
  else simulated.value = used.simulated ? used : undefined
  saidMs.value = null
}
/** What was read, beside the pH. */
const others = computed(() => {
  const { tempC, saltPct, brixPct, aw, histamineMgKg, massG, taste } = form.value
  return {
    ...(tempC !== null && { tempC }),
    ...(saltPct !== null && { saltPct }),
    ...(brixPct !== null && { brixPct }),
    ...(aw !== null && { aw }),
    ...(histamineMgKg !== null && { histamineMgKg }),
    ...(massG !== null && { massG }),
    ...(titration.value && { titration: titration.value }),
    ...(Object.keys(taste).length > 0 && { taste }),
  }
})
function problemOf(): string | null {
  const { ph, marks } = form.value
  if (ph !== null && jars.value.length > 0 && marks.length === 0)
    return 'Mark the jar you read. Mark several only if you mixed them: that shows no single jar to be below 4.6.'
  return ph === null && Object.keys(others.value).length === 0
    ? 'Enter a pH, a temperature or a salt that can be read.'
    : null
}
function drafts(): Draft[] | null {
  if (atMs.value === null) return null
  const { ph, note, photos, marks } = form.value
  const read = ph !== null && {
    ...{ ph, instrument: instrument.value ?? instrumentOf(using.value) },
    ...(pieces.value && { of: of.value }),
    ...(jars.value.length > 0 && { marks: [...marks] }),
  }
  return [
    {
      ...{ kind: 'reading', at: momentOf(atMs.value), lotId: lot.id },
      ...(simulated.value && { instrument: simulated.value }),
      ...{ ...others.value, ...read },
      ...(note.trim() && { note: note.trim() }),
      ...(photos.length > 0 && { photos: [...photos] }),
    },
  ]
}
async function keep(event: Event) {
  if (!(await confirm(event, drafts))) return
  say.done('Reading recorded.')
  simulated.value = undefined
  reset()
  instrument.value = undefined
  saidMs.value = null
  emit('recorded', written.value)
}
const METER_CAUTION = cautionsFor('read', {})[0]?.text
const LYE_CAUTION = cautionsFor('read', { lye: true }).find(({ id }) => id === 'chemicals')?.text
const SAMPLES = [
  { value: 'liquid', label: 'the liquid' },
  { value: 'blended', label: 'pieces, ground or blended' },
]
</script>

<template>
  <form class="stack" novalidate aria-label="Reading" @submit.prevent="keep">
    <div class="fields">
      <StripTaps v-if="isStrip && !instrument" v-model="form.ph" class="whole" />
      <QuantityField v-else v-model="form.ph" kind="ph" label="pH" optional @taken="taken" />
      <QuantityField
        v-if="!phOnly"
        v-model="form.tempC"
        kind="temperature"
        label="Temperature"
        :limits="{ low: -5, high: 60 }"
        optional
        @taken="taken"
      />
      <PickField v-if="pieces && (!phOnly || chunky)" v-model="of" label="pH of" :options="SAMPLES" class="whole" />
      <div v-if="jars.length" class="whole">
        <span class="field-label">pH of jar</span>
        <el-checkbox-group v-model="form.marks" aria-label="pH of jar">
          <el-checkbox v-for="mark in jars" :key="mark" :value="mark" :label="mark" />
        </el-checkbox-group>
      </div>
      <PickField v-if="!instrument" v-model="using" label="Read with" :options="options" class="whole" />
      <MomentField v-model="atMs" label="When" :earliest-ms="lot.startedMs - HOUR_MS" class="whole" />
    </div>
    <p v-if="instrument" class="muted small">
      From the {{ instrument.name
      }}<template v-if="!instrument.steady">, still settling: wait and take it again for a steady value</template>.
    </p>
    <p v-else-if="age && !age.fresh" class="small">
      <StateMark level="ask" word="Meter" /> <SaidText :text="age.sentence" />
      <el-button text @click="instruments.calibrating = true">Set it on two buffers</el-button>
    </p>
    <details v-if="!phOnly" class="disclose" :open="more">
      <summary>Salt, Brix, titration, weight, taste, picture</summary>
      <div class="stack inner">
        <div class="fields">
          <QuantityField v-model="form.saltPct" kind="percent" label="Salt" :limits="{ high: 40 }" optional />
          <QuantityField v-model="form.brixPct" kind="percent" label="Brix" :limits="{ high: 80 }" optional />
          <QuantityField v-model="form.massG" kind="mass" label="Weighs now" optional />
        </div>
        <fieldset>
          <legend>Titration to pH 8.2</legend>
          <div class="fields">
            <QuantityField
              v-model="form.sampleG"
              kind="mass"
              label="Sample"
              :limits="{ low: 0.1, high: 1000 }"
              optional
            />
            <QuantityField v-model="form.lyeMl" kind="volume" label="Lye" :limits="{ high: 1000 }" optional no-take />
            <PickField
              v-model="form.lyeMolar"
              label="Strength of the lye"
              :options="[0.05, 0.1, 0.2, 0.25, 0.5, 1].map((value) => ({ value, label: `${value} mol/L` }))"
            />
          </div>
          <p v-if="form.lyeMl !== null" class="small">{{ LYE_CAUTION }}</p>
          <p v-if="titration" data-figure="titration">
            <strong>{{ titrationWorking(titration).result }}</strong>
          </p>
          <ShowWorking v-if="titration" :working="titrationWorking(titration)" />
        </fieldset>
        <LabFields v-model="form" />
        <TasteFields v-model="form.taste" />
        <WordField v-model="form.note" label="Note" />
        <PhotoField v-model="form.photos" v-model:busy="reducing" />
      </div>
    </details>
    <p v-if="form.ph !== null && !isStrip" class="small muted">{{ METER_CAUTION }}</p>
    <p v-if="marked" class="problem" role="alert">Mend the marked field, or empty it; nothing was recorded.</p>
    <p v-else-if="shown.reading" class="problem" role="alert">{{ shown.reading }}</p>
    <div><el-button type="primary" native-type="submit" :loading="busy || reducing">Record the reading</el-button></div>
  </form>
</template>

<style scoped>
.fields {
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
}
.whole {
  grid-column: 1 / -1;
}
.inner {
  padding-top: var(--s3);
}
fieldset {
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: var(--s2) var(--s3) var(--s3);
  min-width: 0;
  margin: 0;
}
legend {
  font-weight: 600;
  font-size: 14px;
  padding: 0 var(--s1);
}
</style>
