<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { DEFAULTS_WORDS, EVENING_OUT_H, formatVolume, processWords, referenceFor, type Treatment } from '@lactofer/core'
import { shortMoment } from '~/clock/moments'
import { runCautions } from '~/forms/runForm'
import { takesProcess, useBottlingRun } from '~/composables/useBottlingRun'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** From one pot to bottles: how it is kept, what was measured of its heat, fill and count. */
const book = useBook()
const preferences = usePreferences()
const route = useRoute()
const router = useRouter()
const id = String(route.params.id)
const lot = computed(() => book.lot(id))
const run = useBottlingRun(id, lot)
const {
  form,
  reset,
  composition,
  format,
  densityGPerMl,
  leftMl,
  most,
  way,
  process,
  known,
  checks,
  weighed,
  supplies,
  stand,
  shown,
  busy,
  refused,
  bottle,
} = run
const cautions = computed(() => runCautions(book.ingredients(id), form.value, composition.value, known.value))
/** Entries of the list that are no process: none, and the form of a new one. */
const [NONE, NEW] = ['none', 'new']
const recording = ref(false)
const processes = computed(() => [
  { value: NONE, label: 'the usual figures, no recorded process' },
  ...book.book.processes.map(({ processId, process: one }) => ({
    value: processId,
    label: processWords(one, preferences.world),
  })),
  { value: NEW, label: 'Record a process …' },
])
function choose(value: string) {
  if (value === NEW) recording.value = true
  else form.value.processId = value === NONE ? '' : value
}
/** The label does not stand before there are bottles. */
const before = computed(() => checks.value.filter((check) => check.id !== 'label'))

async function record(event: Event) {
  const entry = await bottle(event)
  if (!entry) return
  say.done(`${entry.count} bottles recorded. Print the label, then release them.`)
  reset()
  await router.push(`/release/${entry.lotId}`)
}
const keep = (treatment: Treatment) => (form.value.treatment = treatment)
</script>

<template>
  <div v-if="!lot" class="page">
    <p class="sheet">
      {{ book.ready ? 'This blend is not in the log.' : 'Opening the log …' }} <NuxtLink to="/bottle">Bottle</NuxtLink>
    </p>
  </div>
  <div v-else class="page">
    <header>
      <h1><span class="code">{{ lot.code }}</span> {{ lot.name }}</h1>
      <p>
        <MassText :mass-g="lot.leftG" /> in the pot, {{ formatVolume(leftMl, preferences.world) }}; blended
        {{ shortMoment(lot.made.at) }}.
        <NuxtLink :to="`/blend/${lot.id}`">Readings, drift and correction</NuxtLink>
      </p>
    </header>
    <p v-if="lot.state !== 'in stock'" class="sheet">Nothing is left to bottle: this pot is {{ lot.state }}.</p>
    <div v-else class="split">
      <div class="stack">
        <section v-if="stand && stand.make === 'stop'" class="sheet"><StandLine :judgement="stand" /></section>
        <KeepWays v-if="known" v-model="form.treatment" :known="known" />
        <InTurn
          ><PressureWatch
            v-if="known && composition && !way.heats"
            v-model="form.store"
            :composition="composition"
            :known="known"
            :treatment="form.treatment"
            @keep="keep"
        /></InTurn>
        <section v-if="takesProcess(form.treatment)" class="sheet" aria-label="Process">
          <h2>{{ way.heats ? 'Heat' : 'Process' }}</h2>
          <div class="fields">
            <PickField
              :model-value="form.processId || NONE"
              class="reference"
              label="Made by"
              :options="processes"
              @update:model-value="choose"
            />
            <QuantityField
              v-if="form.treatment === 'boiled-in-jar'"
              v-model="form.altitudeM"
              kind="count"
              label="Metres above the sea"
              :limits="{ low: 0, high: 5000 }"
            />
          </div>
          <p class="small muted">
            {{
              process
                ? `Every figure of it is checked at the release. pH ${process.maxPh.toFixed(2)} or less.`
                : `Without a recorded process it is held to ${DEFAULTS_WORDS}.`
            }}
          </p>
          <ProcessDialog v-model="recording" @recorded="(id) => (form.processId = id)" />
          <HotFillPlan
            v-if="form.treatment === 'cooked-hot-fill' && format"
            v-model="form"
            :format="format"
            :density-g-per-ml="densityGPerMl"
          />
        </section>
        <ProcessRecord
          v-if="way.heats"
          :key="form.treatment"
          :lot="lot"
          :reference="referenceFor(process)"
          :boiled="form.treatment === 'boiled-in-jar'"
        />
        <form class="sheet" novalidate aria-label="Fill and count" @submit.prevent="record">
          <h2>Fill and count</h2>
          <div class="fields">
            <PickField
              v-model="form.formatId"
              label="Bottle"
              :options="book.library.formats.map(({ id: value, name }) => ({ value, label: name }))"
            />
            <QuantityField
              v-model="form.count"
              kind="count"
              label="Bottles filled"
              :limits="{ low: 1 }"
              :hint="`enough for ${most.count}, ${formatVolume(most.restMl, preferences.world)} over`"
            />
            <QuantityField
              v-model="form.partMl"
              kind="volume"
              label="In a bottle not full"
              hint="for the kitchen, not for sale"
            />
            <QuantityField v-model="form.lossMl" kind="volume" label="Left in pot and funnel" />
          </div>
          <el-checkbox v-model="form.chunky"
            >It holds pieces: released on drained solids of three containers</el-checkbox
          >
          <p v-if="shown.count ?? shown.part" class="problem" role="alert">
            {{ shown.count ?? shown.part }}
          </p>
          <InTurn><SupplyNeeds :needs="supplies" /></InTurn>
          <InTurn
            ><FillWeights v-if="format" :key="format.id" v-model="form.netG" :format="format" :weighed="weighed"
          /></InTurn>
          <div class="fields">
            <WordField
              v-model="form.code"
              label="Lot code"
              :problem="shown.code"
              hint="the last letter checks the rest"
            />
            <WordField
              v-model="form.bestBefore"
              label="Best before"
              :problem="shown.date"
              :hint="`${way.months} months is what makers count on`"
            />
            <WordField v-model="form.place" label="They stand" :problem="shown.place" />
            <QuantityField
              v-model="form.retained"
              kind="count"
              label="Kept back as a sample"
              :limits="{ low: 0, high: 1000 }"
              hint="to answer for it later"
            />
          </div>
          <p v-if="shown.retained" class="problem" role="alert">{{ shown.retained }}</p>
          <InTurn
            ><FinishTouches v-model="form" :format="format ?? null" :treatment="form.treatment" :heats="way.heats"
          /></InTurn>
          <p v-if="refused || shown.pot || shown.store" class="problem" role="alert">
            {{ refused || shown.pot || shown.store }}
          </p>
          <div>
            <el-button type="primary" native-type="submit" :loading="busy">Bottled: record the count</el-button>
          </div>
        </form>
      </div>
      <aside class="stack">
        <section class="sheet">
          <h2>Finished pH</h2>
          <p class="muted small">
            Stir, cool to room temperature, and read it {{ EVENING_OUT_H }} hours after blending or later.
          </p>
          <InTurn><ReadingForm :key="lot.id" :lot="lot" ph-only /></InTurn>
        </section>
        <section class="sheet" aria-label="Release checks">
          <SteadyStatus :text="before[0] ? `${before[0].title}: ${before[0].sentence}` : ''" />
          <h2>What a release will ask</h2>
          <InTurn><ReleaseChecks :checks="before" /></InTurn>
        </section>
        <CautionList :cautions="cautions" />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.reference {
  grid-column: span 2;
}
@media (max-width: 420px) {
  .reference {
    grid-column: auto;
  }
}
</style>
