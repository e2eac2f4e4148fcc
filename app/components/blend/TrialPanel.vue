<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '~/composables/say'
import {
  forecastBlend,
  formatNumber,
  InvalidInput,
  isUnexpectedPh,
  lessonOf,
  mostUncertain,
  ofMass,
  phSdOf,
  sourerWords,
  SCALE_STEPS,
  TRIAL_G,
  trialOf,
  type Composition,
  type Draft,
  type EntryOf,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { partForLog, type SauceForm } from '~/forms/blendForm'
import { freshTrialForm, trialProblem } from '~/forms/trialForm'
import { bandWords } from '~/words/limitWords'
import { useMeters } from '~/composables/useMeters'
import { useForm, type Problems } from '~/composables/useForm'
import { useThings } from '~/composables/useThings'
import { useBook } from '~/stores/book'
import type { Taken } from '~/stores/instruments'

/**
 * The blend made small: weighed, read, tasted; what its pH teaches; several of them side by side, and the one to go
 * on with.
 */
const sauce = defineModel<SauceForm>('sauce', { required: true })
const { poured, trials } = defineProps<{
  poured: readonly { key: string; name: string; composition: Composition }[]
  trials: readonly EntryOf<'trial'>[]
}>()
const book = useBook()
const { thingOf } = useThings()
const { options, using, instrumentOf } = useMeters()
const { form, problem, busy, confirm, reset } = useForm({
  fresh: freshTrialForm,
  problems: (): Problems<'trial'> => ({ trial: trialProblem(form.value, actual.value.length) }),
  kept: 'The trial is still here; try again.',
})
const totalG = ref<number | null>(TRIAL_G.usual)
const stepG = ref(0.1)
const meter = computed(() => form.value.instrument ?? instrumentOf(using.value))
const unknownKey = ref('')

const DISSOLVES = ['salt', 'acid', 'sweetener']
const formPart = (key: string) => sauce.value.parts.find((part) => part.key === key)
const planned = computed(() => {
  if (totalG.value === null || poured.length === 0) return null
  try {
    return {
      trial: trialOf(
        poured.map(({ key, name, composition }) => ({
          name,
          composition,
          dissolves: DISSOLVES.includes(book.library.material(formPart(key)?.materialId ?? '')?.kind ?? ''),
        })),
        totalG.value,
        stepG.value,
      ),
      problem: '',
    }
  } catch (error) {
    if (error instanceof InvalidInput) return { trial: null, problem: error.message }
    throw error
  }
})
const actual = computed(() =>
  poured
    .map(({ key, name, composition }, index) => {
      const massG = form.value.weighed[key] ?? planned.value?.trial?.massesG[index] ?? 0
      const { lotId, materialId } = formPart(key) ?? {}
      return { key, name, massG, of: lotId ?? materialId, composition: ofMass(composition, massG) }
    })
    .filter(({ massG }) => massG > 0),
)
const before = computed(() => forecastBlend(actual.value.map(({ composition }) => composition)))
const learnable = computed(() => actual.value.filter(({ composition }) => composition.acidLogSd > 0))
const unknown = computed(
  () =>
    learnable.value.find(({ key }) => key === unknownKey.value) ??
    actual.value[mostUncertain(actual.value.map(({ composition }) => composition))],
)
watch(
  () => sauce.value.id,
  () => Object.assign(form.value, { weighed: {}, ph: null }),
)
/** What the reading would teach, told before it is recorded. */
const lesson = computed(() => {
  const { ph } = form.value
  if (ph === null || !unknown.value) return null
  return lessonOf(unknown.value, actual.value, ph, phSdOf(meter.value, book.nowMs))
})
/** A reading well outside its band is told: safety goes by what was read. */
const unexpected = computed(() => {
  const [band, { ph }] = [before.value.ph, form.value]
  if (ph === null || !band || !isUnexpectedPh(ph, band)) return ''
  return `Expected ${bandWords(band)}; as read it is ${sourerWords(band.typical, ph)}. Weigh and read it again; if it stays, what was read counts, and a fruit or vinegar is not what its label or table says.`
})
function taken({ instrument }: Taken) {
  if (instrument.kind === 'meter') form.value.instrument = instrument
}
function draft(): Draft {
  const { ph, saltPct, taste, note } = form.value
  const parts = actual.value.flatMap(({ key, massG }) => {
    const part = formPart(key)
    return part ? (partForLog({ ...part, massG }) ?? []) : []
  })
  const subject = unknown.value && formPart(unknown.value.key)
  const unknownId = subject?.lotId ?? subject?.materialId
  return {
    ...{ kind: 'trial', at: nowMoment(), lotId: sauce.value.id, name: `Trial ${trials.length + 1}`, parts },
    ...(before.value.ph && { predictedPh: before.value.ph }),
    ...(ph !== null && { ph, instrument: meter.value, ...(unknownId && { unknown: unknownId }) }),
    ...(saltPct !== null && { saltPct }),
    ...(Object.keys(taste).length > 0 && { taste }),
    ...(note.trim() && { note: note.trim() }),
  }
}
async function keep(event: Event) {
  if (!(await confirm(event, () => [draft()]))) return
  say.done(lesson.value && !lesson.value.problem ? 'Trial recorded: the bench has learned from it.' : 'Trial recorded.')
  reset()
}
</script>

<template>
  <section class="stack" aria-label="Trial">
    <h2>Try it small first</h2>
    <p v-if="poured.length === 0" class="muted">
      Put something into the pot; the trial is the same blend on 50 to 200 g.
    </p>
    <template v-else>
      <div class="fields" style="max-width: 420px">
        <QuantityField v-model="totalG" kind="mass" label="Trial of" :limits="TRIAL_G" no-take /><PickField
          v-model="stepG"
          label="on a scale of"
          :options="SCALE_STEPS.map((value) => ({ value, label: `${value} g` }))"
        />
      </div>
      <p v-if="planned?.problem" class="problem" role="alert">{{ planned.problem }}</p>
      <template v-if="planned?.trial">
        <table class="plain">
          <thead>
            <tr>
              <th>Weigh in</th>
              <th class="number">target</th>
              <th>weighed</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(part, index) in poured" :key="part.key">
              <td>{{ part.name }}</td>
              <td class="number">
                <strong>{{ formatNumber(planned.trial.massesG[index] ?? 0, stepG < 0.1 ? 2 : 1) }} g</strong>
              </td>
              <td class="field">
                <QuantityField
                  :model-value="form.weighed[part.key] ?? null"
                  kind="mass"
                  :label="`${part.name}, weighed in the trial`"
                  :thing="thingOf(part)"
                  hide-label
                  optional
                  :placeholder="formatNumber(planned.trial.massesG[index] ?? 0, 1)"
                  @update:model-value="form.weighed = { ...form.weighed, [part.key]: $event }"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <ul v-if="planned.trial.warnings.length" class="plain-list">
          <li v-for="warning in planned.trial.warnings" :key="warning" class="small">
            <StateMark level="act" word="Rounding" /> {{ warning }}
          </li>
        </ul>
        <p v-for="solution in planned.trial.solutions" :key="solution.name" class="small" data-figure="solution">
          {{ solution.name }}: make a {{ solution.pct }} % solution, {{ solution.dissolveG }} g in
          {{ formatNumber(solution.inWaterG, 1) }} g of water, and take {{ formatNumber(solution.takeG, 1) }} g of it;
          take the same less of water, if there is water in the blend.
        </p>
        <form class="stack" novalidate aria-label="Result of the trial" @submit.prevent="keep">
          <div class="fields">
            <QuantityField v-model="form.ph" kind="ph" label="pH of the trial" optional @taken="taken" /><PickField
              v-if="!form.instrument"
              v-model="using"
              label="Trial read with"
              :options="options"
            /><QuantityField
              v-model="form.saltPct"
              kind="percent"
              label="Salt, measured"
              :limits="{ high: 40 }"
              optional
              no-take
            />
            <PickField
              v-if="learnable.length > 1"
              :model-value="unknown?.key ?? ''"
              label="Learn the acid of"
              :options="learnable.map(({ key, name }) => ({ value: key, label: name }))"
              @update:model-value="unknownKey = $event"
            />
          </div>
          <p class="small">
            Expected pH <strong data-figure="expected">{{ before.ph?.typical.toFixed(2) ?? '–' }}</strong>, probably
            {{ bandWords(before.ph) }}. Stir, let it stand ten minutes, read it at room temperature.
          </p>
          <p v-if="unexpected" data-figure="unexpected">
            <StateMark level="ask" word="Not as expected" /> {{ unexpected }}
          </p>
          <p v-if="lesson?.problem" class="problem" role="alert">{{ lesson.problem }}</p>
          <p v-else-if="lesson" data-figure="lesson">
            <StateMark level="fine" word="Learned" /> <SaidText :text="lesson.sentence" />
          </p>
          <TasteFields v-model="form.taste" /><WordField v-model="form.note" label="Note on heat and taste" />
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
          <div><el-button type="primary" native-type="submit" :loading="busy">Record the trial</el-button></div>
        </form>
      </template>
    </template>
    <TrialTable v-if="trials.length" v-model:sauce="sauce" :trials="trials" />
  </section>
</template>

<style scoped>
.field {
  width: 160px;
}
</style>
