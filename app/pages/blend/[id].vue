<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import {
  afterHours,
  driftOf,
  EVENING_OUT_H,
  figureOf,
  finishedReadings,
  forecastBlend,
  formatShu,
  HOUR_MS,
  lastPouredMs,
  mapRange,
  openTargets,
  PROPERTIES,
  propertiesOf,
  valueOf,
  type EntryOf,
  type Property,
  type Targets,
} from '@lactofer/core'
import { shortMoment, weekdayMoment } from '~/clock/moments'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * A blend after it was poured: measured at once and a day later, held against what it was to be, and corrected by the
 * least that does it.
 */
const book = useBook()
const preferences = usePreferences()
const route = useRoute()
const lot = computed(() => book.lot(String(route.params.id)))
const blend = computed(() => (lot.value?.made.kind === 'blend' ? lot.value.made : null))
const stand = computed(() => lot.value && book.judgementOf(lot.value))
const composition = computed(() => (lot.value ? book.composition(lot.value.id) : null))
const properties = computed(() => composition.value && propertiesOf(composition.value))
const forecast = computed(() => composition.value && forecastBlend([composition.value]))
const readings = computed(() => (lot.value ? finishedReadings(lot.value) : []))
const evened = computed(() => readings.value.findLast(({ hours }) => hours >= EVENING_OUT_H))
const drift = computed(() =>
  lot.value && properties.value
    ? driftOf(lot.value, { live: composition.value?.live ?? true, sugarPct: properties.value.sugarPct.typical })
    : null,
)
const targets = ref<Targets>(openTargets())
/** The ruler whose other side is up. */
const turned = ref<Property | null>(null)
watch(
  () => blend.value?.id,
  () => {
    targets.value = blend.value?.targets ? JSON.parse(JSON.stringify(blend.value.targets)) : openTargets()
    if (!blend.value?.targets) targets.value.acid.high = 4
  },
  { immediate: true },
)
const dueMs = computed(() => (lot.value ? lastPouredMs(lot.value) + EVENING_OUT_H * HOUR_MS : 0))
const shu = computed(() =>
  composition.value && composition.value.massG > 0
    ? mapRange(composition.value.pungency, (heat) => heat / (composition.value?.massG ?? 1))
    : null,
)
const madeWords = computed(() => {
  if (!blend.value) return ''
  return `blended ${shortMoment(blend.value.at)}${blend.value.cooked ? ', cooked' : ', live'}`
})
const predictedBand = computed(() => {
  const predicted = blend.value?.predictedPh
  return predicted ? `${predicted.low.toFixed(2)}–${predicted.high.toFixed(2)}` : ''
})
const evenedWords = computed(() =>
  evened.value ? afterHours(evened.value.hours) : `due ${weekdayMoment(dueMs.value)}`,
)
const driftWords = computed(() => {
  if (!drift.value || drift.value.level === 'fine') return 'Steady'
  return drift.value.by > 0 ? 'It rose' : 'It fell'
})
const trialWords = ({ ph, predictedPh }: EntryOf<'trial'>) =>
  ph === undefined ? 'not read' : `pH ${ph.toFixed(2)}, expected ${predictedPh?.typical.toFixed(2) ?? '–'}`
</script>

<template>
  <div v-if="!lot || !blend" class="page">
    <h1>No such blend</h1>
    <p>
      It may be in another browser’s log, or in the demo that was taken out.
      <NuxtLink to="/blend">The blend bench</NuxtLink>
    </p>
  </div>
  <div v-else class="page">
    <LotHeading :lot="lot" :note="madeWords" />
    <div class="split">
      <div class="stack">
        <section v-if="stand && stand.make === 'stop'" class="sheet"><StandLine :judgement="stand" /></section>
        <section class="sheet" aria-label="Finished pH">
          <h2>Finished pH</h2>
          <ol class="plain-list moments">
            <li>
              <span class="muted small">forecast when poured</span
              ><strong class="figure">{{ blend.predictedPh ? blend.predictedPh.typical.toFixed(2) : '–' }}</strong
              ><span class="small muted">{{ predictedBand }}</span>
            </li>
            <li>
              <span class="muted small">at once</span
              ><strong class="figure" data-figure="at-once">{{ readings[0]?.ph.toFixed(2) ?? '–' }}</strong
              ><span class="small muted">{{ readings[0] ? afterHours(readings[0].hours) : 'read it now' }}</span>
            </li>
            <li>
              <span class="muted small">evened out, {{ EVENING_OUT_H }} h</span
              ><strong class="figure" data-figure="evened-out">{{ evened?.ph.toFixed(2) ?? '–' }}</strong
              ><span class="small muted">{{ evenedWords }}</span>
            </li>
          </ol>
          <p v-if="drift" data-figure="drift">
            <StateMark :level="drift.level" :word="driftWords" /> <SaidText :text="drift.sentence" />
          </p>
          <p v-else-if="readings.length" class="muted">
            The second reading tells whether pieces still even out. The later one counts.
          </p>
          <SourDifference
            v-if="blend.predictedPh && evened"
            :from="blend.predictedPh.typical"
            :to="evened.ph"
            between="As it came out, against what was expected"
          />
        </section>
        <InTurn
          ><section v-if="forecast" class="sheet" aria-label="Against its targets">
            <h2>Against what it was to be</h2>
            <div class="rulers">
              <TargetRuler
                v-for="property in PROPERTIES"
                :key="property"
                v-model="targets[property]"
                :turned="turned === property"
                :property="property"
                :value="valueOf(property, forecast)"
                @update:turned="turned = $event ? property : null"
                ><TargetEnds
                  v-model="targets[property]"
                  :aim="property"
                  :now="figureOf(property, forecast.composition)"
              /></TargetRuler>
            </div></section
        ></InTurn>
        <InTurn
          ><CorrectBlend
            v-if="composition && lot.state === 'in stock'"
            :lot="lot"
            :composition="composition"
            :targets="targets"
        /></InTurn>
        <InTurn
          ><section class="sheet"><LotLog :lot="lot" /></section
        ></InTurn>
      </div>
      <div class="stack">
        <section class="sheet">
          <h2>Read it</h2>
          <p class="muted small">Stirred, cooled to room temperature, with a meter calibrated on two buffers.</p>
          <InTurn><ReadingForm :key="lot.id" :lot="lot" /></InTurn>
        </section>
        <section class="sheet">
          <p>
            <MassText :mass-g="lot.leftG" /> left of <MassText :mass-g="lot.madeG" />.
            <template v-if="properties"
              >{{ formatShu(properties.shu) }}, {{ preferences.heatWord(properties) }}.</template
            >
          </p>
          <div class="row">
            <NuxtLink class="next" :to="`/bottle/${lot.id}`">Bottle it</NuxtLink
            ><NuxtLink :to="{ path: '/cellar', query: { lot: lot.id } }">Where it came from</NuxtLink>
          </div>
        </section>
        <InTurn
          ><section v-if="shu && shu.high > 100" class="sheet">
            <details class="disclose">
              <summary>Taste how hot it is</summary>
              <HeatTasting :key="lot.id" :lot="lot" :expected="shu" />
            </details></section
        ></InTurn>
        <section v-if="lot.trials.length" class="sheet">
          <h2>Its trials</h2>
          <ul class="plain-list">
            <li v-for="trial in lot.trials" :key="trial.id" class="small">
              <strong>{{ trial.name }}</strong> {{ trialWords(trial) }}{{ trial.note ? `; ${trial.note}` : '' }}
            </li>
          </ul>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.moments {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--s3);
}
.moments li {
  display: grid;
  border-left: 3px solid var(--acid);
  padding-left: var(--s3);
}
.moments .figure {
  color: var(--acid);
}
.next {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 var(--s4);
  border: 1px solid var(--bottle);
  border-radius: var(--radius);
  font-weight: 700;
  text-decoration: none;
}
.row {
  align-items: center;
}
</style>
