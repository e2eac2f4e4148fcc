<script setup lang="ts">
import { computed } from 'vue'
import { ASSUMED_C, batchOf, readTemperatures, structureOf, styleById, type PlanFigures } from '@lactofer/core'
import { waterOf, weighedRows, type PlanForm } from '~/forms/planForm'
import { whenWords } from '~/forms/scenarios'
import { useScenarios } from '~/composables/useScenarios'
import { useBook } from '~/stores/book'

/** How it will go: the forecast of the plan, and of other ways to do it. */
const { form, figures } = defineProps<{ form: PlanForm; figures: PlanFigures }>()
const book = useBook()
const style = computed(() => styleById(form.style))
/** As warm as the place it is to stand in was when it was last read. */
const roomC = computed(
  () =>
    book.lots
      .filter((lot) => lot.place === form.place.trim())
      .flatMap((lot) => readTemperatures(lot))
      .sort((a, b) => a.atMs - b.atMs)
      .at(-1)?.tempC ?? ASSUMED_C.forecast,
)
const base = computed(() => {
  const waterG = waterOf(form) ?? 0
  const waterShare = figures.composition.massG > 0 ? waterG / figures.composition.massG : 0
  const batch = batchOf(
    book.book,
    { rows: weighedRows(form), waterG, saltG: figures.dose.saltG },
    structureOf(style.value.lie, form.cut, waterShare),
  )
  if (!batch) return null
  const tempC = Math.round(roomC.value * 2) / 2
  const saltPct = Math.round(figures.properties.saltPct * 10) / 10
  return {
    batch: { batch, temperature: { points: [{ hour: 0, tempC }] }, readings: [], targetPh: form.targetPh ?? 3.8 },
    days: 21,
    change: {
      lie: style.value.lie,
      waterShare,
      saltPct: figures.properties.saltPct,
      kg: figures.composition.massG / 1000,
      fromHour: 0,
    },
    asItIs: { tempC, saltPct, starterPct: 0, coldDay: 0, swingC: 0, cut: form.cut },
  }
})
const { scenarios, likeDay, busy, forecast, problem, lines, words } = useScenarios(base)
</script>

<template>
  <section class="sheet" aria-label="How it will go">
    <h2>How will it go?</h2>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="!forecast && busy" class="muted">Working the forecast out …</p>
    <template v-if="forecast && base">
      <p data-figure="plan-forecast">
        At <TemperatureText :temp-c="base.asItIs.tempC" />: 4.6 {{ whenWords(forecast.passes) }}; ready
        {{ whenWords(forecast.ready) }}. Readings will correct it.
      </p>
      <LazyCourseChart
        :start-ms="0"
        :course="forecast"
        :target-ph="form.targetPh ?? 3.8"
        :extras="lines"
        label="pH that is to be expected of this plan, day by day; the same figures stand in the table below"
      />
      <CourseTable :start-ms="book.nowMs" :course="forecast" :extras="lines" />
      <WhatIf
        v-model="scenarios"
        v-model:like-day="likeDay"
        :base="base.asItIs"
        :pieces="style.usualCut !== 'ground'"
        :answers="words"
      />
    </template>
  </section>
</template>
