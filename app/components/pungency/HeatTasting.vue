<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import {
  combineHeat,
  dilutionSteps,
  formatNumber,
  formatShu,
  heatFromTasting,
  nextDilution,
  thresholdOf,
  type Lot,
  type Range,
  type TastingStep,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'

/**
 * A dilution tasting of a lot: which dilution next, felt or not, until the threshold stands between two; then a
 * second estimate of its heat.
 */
const { lot, expected } = defineProps<{ lot: Lot; expected: Range }>()
const { busy, record } = useRecorder('The series is still here; try again.')
const series = ref<TastingStep[]>([])
const own = ref<number | null>(null)
const next = computed(() => own.value ?? nextDilution(series.value, expected))
const found = computed(() => heatFromTasting(series.value))
const both = computed(() => found.value && combineHeat(expected, found.value))
const state = computed(() => thresholdOf(series.value))
function answer(felt: boolean) {
  if (next.value !== null) series.value = [...series.value, { dilution: next.value, felt }]
  own.value = null
}
async function keep() {
  if (
    !(await record({
      kind: 'reading',
      at: nowMoment(),
      lotId: lot.id,
      tasting: [...series.value],
      note: 'Dilution tasting.',
    }))
  )
    return
  series.value = []
  say.done('Recorded. It counts as a second estimate of this lot’s heat.')
}
/** How the next dilution is made: "5 g in 45 g of water, then of that 5 g in 20 g of water". */
const stepWords = computed(() =>
  next.value === null
    ? ''
    : dilutionSteps(next.value)
        .map(
          ({ takeG, waterG }, index) => `${index ? 'of that ' : ''}${takeG} g in ${formatNumber(waterG, 1)} g of water`,
        )
        .join(', then '),
)
const seriesWords = computed(() =>
  series.value.map(({ dilution, felt }) => `1 : ${formatNumber(dilution)} ${felt ? 'felt' : 'nothing'}`).join('; '),
)
</script>

<template>
  <section class="stack tasting" aria-label="Dilution tasting">
    <p class="small muted">
      Thin one gram with sugared water (a spoon to a glass) until the heat is only just felt. Begin thin, wait five
      minutes and rinse with milk or bread between. Only of what is sound; one tongue is a rough instrument, so the
      answer is wide.
    </p>
    <p>By its peppers: <strong>{{ formatShu(expected) }}</strong>.</p>
    <template v-if="next !== null">
      <p class="next">
        <strong data-figure="dilution">1 : {{ formatNumber(next) }}</strong> <span class="small">{{ stepWords }}</span>
      </p>
      <div class="row">
        <el-button type="primary" @click="answer(true)">Felt it</el-button
        ><el-button type="primary" @click="answer(false)">Felt nothing</el-button
        ><QuantityField
          v-model="own"
          kind="count"
          :limits="{ low: 10, high: 1_000_000 }"
          label="Another dilution, 1 to"
          optional
          no-take
        />
      </div>
    </template>
    <p v-if="series.length" class="small">
      {{ seriesWords }} <el-button text @click="series = series.slice(0, -1)">Take the last back</el-button>
    </p>
    <p v-if="state.contradicts" class="problem" role="alert">
      Heat was felt where a stronger one was not. Rest the tongue and taste these two again.
    </p>
    <template v-if="both && found">
      <p data-figure="tasted">
        <StateMark :level="both.agrees ? 'fine' : 'ask'" :word="both.agrees ? 'Both together' : 'They do not agree'" />
        tasted {{ formatShu(found) }}; <strong>{{ formatShu(both.range) }}</strong
        >{{ both.agrees ? '' : ': nothing is narrowed; a second tongue would tell' }}.
      </p>
      <div><el-button type="primary" :loading="busy" @click="keep">Record the tasting</el-button></div>
    </template>
  </section>
</template>

<style scoped>
.tasting {
  gap: var(--s2);
}
.next strong {
  font: 700 26px var(--display);
  color: var(--heat);
  margin-right: var(--s2);
}
.row {
  align-items: end;
}
</style>
