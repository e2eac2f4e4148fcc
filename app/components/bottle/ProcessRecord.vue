<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useIntervalFn } from '@vueuse/core'
import { say } from '~/composables/say'
import { z } from '@lactofer/core'
import {
  formatNumber,
  heatProcessOf,
  lastFilledC,
  lethality,
  LIMITS,
  MINUTE_MS,
  momentOf,
  type ProcessPlace,
  type HeatReference,
  type Lot,
} from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { timeOfDay } from '~/clock/moments'
import { useDraft } from '~/composables/useDraft'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'

/**
 * Temperatures of pot, last bottle or water: taken from the thermometer, typed or out of a logger's file; kept until
 * they are recorded, then judged.
 */
const { lot, reference, boiled } = defineProps<{ lot: Lot; reference: HeatReference; boiled: boolean }>()
const EVERY_S = 10
const ProcessDraftSchema = z.object({
  where: z.enum(['pot', 'last bottle', 'jar in the water']),
  points: z.array(z.object({ atMs: z.number(), tempC: z.number() })),
})
const { draft, reset, save } = useDraft(`heat:${lot.id}`, ProcessDraftSchema, () => ({
  where: boiled ? ('jar in the water' as const) : ('pot' as const),
  points: [],
}))
const book = useBook()
const instruments = useInstruments()
const { busy, record } = useRecorder('The temperatures are still here; try again.')
const typed = ref<number | null>(null)
const later = ref<number | null>(null)
const running = ref(false)
const problem = ref('')
const PLACES = computed(() => (boiled ? ['jar in the water'] : ['pot', 'last bottle']) as ProcessPlace[])
// A record begun for the pot is not one of the water.
watch(
  [() => draft.value.where, PLACES],
  ([where, places]) => {
    if (!places.includes(where)) draft.value.where = places[0] ?? 'pot'
  },
  { immediate: true },
)
const WORDS: Record<ProcessPlace, string> = {
  pot: 'the pot',
  'last bottle': 'the last bottle',
  'jar in the water': 'the water around the jars',
}
const startMs = computed(() => draft.value.points[0]?.atMs ?? 0)

function put(tempC: number, atMs = nowMs()) {
  const points = draft.value.points.filter((point) => point.atMs !== atMs)
  draft.value.points = [...points, { atMs, tempC }].sort((a, b) => a.atMs - b.atMs)
  problem.value = ''
  // A temperature measured once cannot be measured again.
  void save()
}
function add() {
  if (typed.value === null) {
    problem.value = 'Type a temperature that can be read.'
    return
  }
  const last = draft.value.points.at(-1)
  put(typed.value, last && later.value !== null ? last.atMs + later.value * MINUTE_MS : nowMs())
  typed.value = null
}
const { pause, resume } = useIntervalFn(
  () => {
    const reading = instruments.reading('temperature')
    if (reading) put(Math.round(reading.value * 10) / 10)
    else problem.value = 'The thermometer gives nothing just now: this time is a gap.'
  },
  EVERY_S * 1000,
  { immediate: false, immediateCallback: true },
)
function toggle() {
  running.value = !running.value
  if (running.value) resume()
  else pause()
}
async function keep() {
  const { points, where } = draft.value
  const [first, last] = [points[0], points.at(-1)]
  if (!first || !last) return
  if (running.value) toggle()
  // Minutes typed from a slip of paper afterwards: the last of them was not later than now.
  const startedMs = first.atMs - Math.max(0, last.atMs - nowMs())
  if (
    !(await record({
      kind: 'heat',
      at: momentOf(startedMs),
      lotId: lot.id,
      where,
      name: 'thermometer',
      points: points.map(({ atMs, tempC }) => [Math.round((atMs - first.atMs) / 600) / 100, tempC]),
    }))
  )
    return
  say.done(`${points.length} ${points.length === 1 ? 'temperature' : 'temperatures'} of ${WORDS[where]} recorded.`)
  reset()
  later.value = null
  // The pot is done; what is measured next is a bottle, and after a bottle another.
  draft.value.where = where === 'pot' ? 'last bottle' : where
}
/** Of the run that comes next. */
const measured = computed(() => heatProcessOf(book.book, lot, book.nowMs))
const records = computed(() =>
  Object.entries(measured.value).flatMap(([where, found]) =>
    found && found.points.length > 1
      ? [{ where: where as ProcessPlace, found: lethality(found.points, reference) }]
      : [],
  ),
)
const minutes = (value: number) => formatNumber(value, value < 1000 ? 1 : 0)
const lastBottle = computed(() => measured.value['last bottle'])
</script>

<template>
  <section class="sheet" aria-label="Heat record">
    <h2>What was measured</h2>
    <p class="muted small">
      Only what was measured counts, of the last bottle too. Put the probe in the coldest place, stir, and read at least
      every few minutes: over 5 minutes without a reading are not counted.
    </p>
    <div class="row entry">
      <PickField
        v-model="draft.where"
        label="Taken in"
        :options="PLACES.map((value) => ({ value, label: WORDS[value] }))"
      />
      <QuantityField
        v-model="typed"
        kind="temperature"
        label="Temperature"
        :limits="{ low: 0, high: LIMITS.temperature.high }"
        optional
      />
      <QuantityField
        v-if="draft.points.length"
        v-model="later"
        kind="count"
        label="Minutes after the last"
        :limits="{ low: 1, high: 600 }"
        hint="empty: now"
        optional
      />
      <el-button class="low" @click="add">Add it</el-button>
    </div>
    <div class="row">
      <el-button :aria-pressed="running" @click="toggle">{{
        running ? 'Stop the log' : `Log the thermometer every ${EVERY_S} s`
      }}</el-button>
      <LoggerImport :lot="lot" :heat-of="draft.where" />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-if="draft.points.length">
      <p role="status" data-figure="unrecorded">
        <strong>{{ draft.points.length }} not recorded yet</strong>, since {{ timeOfDay(startMs) }}:
        <template v-for="point in draft.points.slice(-6)" :key="point.atMs"
          ><span class="point"
            ><TemperatureText :temp-c="point.tempC" /> at
            {{ formatNumber((point.atMs - startMs) / MINUTE_MS, 1) }} min</span
          ></template
        >
      </p>
      <div class="row">
        <el-button type="primary" :loading="busy" @click="keep">Record them</el-button
        ><el-button @click="draft.points = draft.points.slice(0, -1)">Take the last one out</el-button>
      </div>
    </template>
    <template v-for="{ where, found } in records" :key="where">
      <ProcessChart :found="found" :reference="reference" :name="WORDS[where]" />
      <p :data-figure="where === 'last bottle' ? 'in-bottle' : 'lethality'">
        <strong>{{ minutes(found.minutes.typical) }} min</strong> at <TemperatureText :temp-c="reference.refC" /> by
        what was measured, {{ minutes(found.minutes.low) }} if the thermometer reads half a degree high.
        <template v-if="found.gaps.length">
          {{ found.gaps.length }} {{ found.gaps.length === 1 ? 'gap' : 'gaps' }} not counted. </template
        ><template v-if="reference.minutes !== null"
          >The reference asks {{ formatNumber(reference.minutes, 1) }} at pH {{ reference.highestPh.toFixed(1) }} or
          less.</template
        >
      </p>
      <ShowWorking :working="found.working" />
    </template>
    <p v-if="lastBottle" data-figure="last-bottle">
      Last bottle:
      <strong><TemperatureText :temp-c="lastFilledC(lastBottle.points)" /></strong>, {{ lastBottle.evidence?.what }}.
    </p>
  </section>
</template>

<style scoped>
.entry {
  align-items: flex-start;
}
.entry > :nth-child(1) {
  width: 190px;
}
.entry > .quantity {
  width: 150px;
}
.point {
  white-space: nowrap;
  margin-right: var(--s3);
}
</style>
