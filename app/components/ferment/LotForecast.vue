<script setup lang="ts">
import { useWindowSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import {
  DAY_MS,
  lotCaseOf,
  phsOf,
  readTemperatures,
  structureOfLot,
  styleById,
  type Lot,
  type ToldJudgement,
} from '@lactofer/core'
import { eventsOf, readingsLine } from '~/composables/courseLines'
import { forecastWords } from '~/words/forecastWords'
import { useScenarios } from '~/composables/useScenarios'
import { useBook } from '~/stores/book'

/**
 * Is it sour yet, and when will it be? Forecast, readings, what else could be done with it, and earlier lots beside
 * it.
 */
const { lot, stand, saltPct } = defineProps<{ lot: Lot; stand: ToldJudgement | null; saltPct: number }>()
const book = useBook()
const plan = computed(() => (lot.made.kind === 'plan' ? lot.made : null))
const phs = computed(() => phsOf(book.book, lot))
const temperatures = computed(() => readTemperatures(lot))
const open = computed(() => lot.state === 'fermenting')
const age = computed(() => (book.nowMs - lot.startedMs) / DAY_MS)
const ahead = ref(0)
const AHEAD = [
  { value: 0, label: 'as far as it matters' },
  { value: 30, label: '30 days' },
  { value: 90, label: '90 days' },
  { value: 180, label: '180 days' },
  { value: 365, label: 'a year' },
]

const base = computed(() => {
  const batch = lotCaseOf(book.book, lot, book.nowMs)
  if (!batch || !plan.value) return null
  const lastMs = Math.max(open.value ? book.nowMs : 0, ...phs.value.map(({ atMs }) => atMs))
  const days = Math.ceil(Math.min(1000, Math.max(21, ((lastMs - lot.startedMs) / DAY_MS) * 1.25 + 4, ahead.value)))
  return {
    batch,
    days,
    change: {
      lie: styleById(plan.value.style).lie,
      waterShare: lot.madeG > 0 ? plan.value.waterG / lot.madeG : 0,
      saltPct,
      kg: lot.madeG / 1000 / Math.max(1, lot.vessels.length),
      fromHour: Math.max(0, Math.round(age.value * 4) * 6),
    },
    asItIs: {
      tempC: Math.round((temperatures.value.at(-1)?.tempC ?? 21) * 2) / 2,
      saltPct: Math.round(saltPct * 10) / 10,
      starterPct: 0,
      coldDay: 0,
      swingC: 0,
      cut: plan.value.cut ?? styleById(plan.value.style).usualCut,
    },
  }
})
const { scenarios, likeDay, busy, forecast, problem, lines, words } = useScenarios(base)
/** Readings that make it ready need no forecast, unless it speaks against them. */
const says = computed(() =>
  forecast.value && open.value
    ? forecastWords(forecast.value, {
        ...{ startMs: lot.startedMs, nowMs: book.nowMs, stand },
        newestPh: phs.value.findLast(({ of }) => of === 'blended')?.ph ?? null,
        targetPh: plan.value?.targetPh ?? 0,
      })
    : null,
)

/** Earlier lots that can be laid beside it: of the same recipe or name first. */
const alike = (other: Lot) =>
  other.made.kind === 'plan' &&
  plan.value !== null &&
  ((plan.value.recipeId !== undefined && other.made.recipeId === plan.value.recipeId) || other.name === lot.name)
/** So many lots are offered to be laid beside it: of years of them the likest and newest. */
const OFFERED = 100
const couldLie = (other: Lot) => other.id !== lot.id && other.kind === 'ferment' && other.packed !== null
const wasFollowed = (other: Lot) => couldLie(other) && phsOf(book.book, other).length > 1
const anyOther = computed(() => book.lots.some(wasFollowed))
/** Somebody reaches for them: of years of lots the likest are not looked for unasked. */
const reached = ref(false)
const others = computed(() => {
  if (!reached.value) return []
  const all = book.lots
    .filter(couldLie)
    .sort((a, b) => Number(alike(b)) - Number(alike(a)) || b.startedMs - a.startedMs)
  const read: Lot[] = []
  for (const other of all) {
    if (read.length === OFFERED) break
    if (phsOf(book.book, other).length > 1) read.push(other)
  }
  return read.map((other) => ({
    ...{ value: other.id, label: `${other.code} ${other.name}${alike(other) ? ', same recipe' : ''}` },
  }))
})
const NOBODY = 'nobody'
const beside = ref(NOBODY)
const besideLot = computed(() => book.lot(beside.value))
const extras = computed(() => [
  ...lines.value,
  ...(besideLot.value ? [readingsLine(besideLot.value, phsOf(book.book, besideLot.value))] : []),
])
const fits = computed(() => plan.value !== null && styleById(plan.value.style).judgedBy === 'acid')
const pieces = computed(() => plan.value !== null && structureOfLot(book.book, lot).liquid < 1)
const otherOptions = computed(() => [{ value: NOBODY, label: 'nothing' }, ...others.value])
const chartLabel = computed(
  () => `pH of ${lot.code}: forecast, readings and temperature; the same figures stand in the table below`,
)
/** Verdict, heading and frame take so much of the window: what is left is the chart's, that it is seen whole. */
const AROUND_PX = 486
const { height } = useWindowSize()
const chartPx = computed(() => Math.min(440, Math.max(270, height.value - AROUND_PX)))
</script>

<template>
  <section class="stack forecast" aria-label="Forecast" :data-ready="forecast !== null">
    <div class="row head">
      <h2>{{ fits ? 'Is it sour yet?' : 'What was read' }}</h2>
      <NuxtLink :to="`/compare?a=${lot.id}${besideLot ? `&b=${beside}` : ''}`" class="link">Day by day</NuxtLink>
    </div>
    <p v-if="says" class="says" data-figure="forecast">
      <StateMark v-if="says.level" :level="says.level" :word="says.word" /><strong v-else>{{ says.word }}:</strong>
      {{ ' ' }}<SaidText :text="says.sentence" />
    </p>
    <p v-else-if="busy && fits && !forecast" class="muted">Working the forecast out …</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-if="forecast || phs.length">
      <LazyCourseChart
        :start-ms="lot.startedMs"
        :course="forecast"
        :readings="phs"
        :temperatures="temperatures"
        :target-ph="plan?.targetPh ?? 3.8"
        :clock-due-ms="stand?.clock?.dueMs ?? null"
        :now-ms="open ? book.nowMs : null"
        :events="eventsOf(lot)"
        :extras="extras"
        :label="chartLabel"
        :height-px="chartPx"
      />
      <div class="row head">
        <PickField v-if="forecast" v-model="ahead" label="Look ahead" :options="AHEAD" class="pick" />
        <PickField
          v-if="anyOther"
          v-model="beside"
          label="Lay beside"
          :options="otherOptions"
          class="pick"
          @focusin="reached = true"
        />
      </div>
      <p class="small muted legend">
        <span><span class="dot" /> read, with what the meter may be off</span
        ><span v-if="pieces"><span class="ring" /> read in the liquid, which runs ahead (dotted)</span
        ><span><span class="swatch" /> nine in ten such batches{{ pieces ? ', pieces and liquid together' : '' }}</span
        ><span>A forecast: the meter decides.</span>
      </p>
      <CourseTable v-if="forecast" :start-ms="lot.startedMs" :course="forecast" :readings="phs" :extras="extras" />
    </template>
    <p v-else-if="!fits" class="muted">pH hardly moves in this style: cover and time decide.</p>
    <p v-else class="muted">No reading yet. The first pH and temperature draw the line.</p>
    <WhatIf
      v-if="forecast && open && base"
      v-model="scenarios"
      v-model:like-day="likeDay"
      :base="base.asItIs"
      :pieces="pieces"
      :answers="words"
    />
    <p v-if="scenarios.length" class="small muted">
      Temperature, swing and cold store from now on; salt, cut and starter as if it had been packed so, with the same
      bacteria.
    </p>
  </section>
</template>

<style scoped>
.head {
  align-items: end;
}
.head h2 {
  flex: 1;
  align-self: center;
}
.pick {
  flex: 0 1 190px;
}
.forecast {
  gap: var(--s2);
}
.link {
  min-height: var(--touch);
  display: inline-flex;
  align-items: center;
}
.says {
  font-size: 17px;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px var(--s4);
}
.legend > span {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.dot,
.ring {
  width: 11px;
  height: 11px;
  border-radius: 50%;
  border: 2px solid var(--acid);
  background: var(--acid);
  display: inline-block;
}
.ring {
  background: none;
}
.swatch {
  width: 22px;
  height: 12px;
  background: color-mix(in srgb, var(--acid) 22%, transparent);
  display: inline-block;
}
</style>
