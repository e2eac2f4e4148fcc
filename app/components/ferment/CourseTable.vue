<script setup lang="ts">
import { computed } from 'vue'
import { DAY_MS, valueAt, type Course, type PhFact } from '@lactofer/core'
import { shortDay } from '~/clock/moments'
import type { ExtraLine } from '~/composables/courseLines'

/** The chart as a table, day by day: what is expected, what was read, what else was tried. */
const {
  startMs,
  course,
  readings = [],
  extras = [],
} = defineProps<{ startMs: number; course: Course; readings?: readonly PhFact[]; extras?: readonly ExtraLine[] }>()
const rows = computed(() => {
  const last = Math.round((course.hours.at(-1) ?? 24) / 24)
  const step = last > 60 ? 14 : last > 20 ? 3 : 1
  return Array.from({ length: Math.floor(last / step) + 1 }, (_, index) => index * step).map((day) => {
    const at = (values: readonly number[]) => valueAt(course.hours, values, day * 24).toFixed(2)
    const read = readings.filter(({ atMs }) => atMs >= startMs + day * DAY_MS && atMs < startMs + (day + step) * DAY_MS)
    return {
      day,
      date: shortDay(startMs + day * DAY_MS),
      typical: at(course.blended.typical),
      band: `${at(course.blended.low)} to ${at(course.blended.high)}`,
      tempC: valueAt(course.hours, course.tempC, day * 24),
      read: read.map(({ ph, of }) => `${ph.toFixed(2)}${of === 'liquid' ? ' (liquid)' : ''}`).join(', '),
      extras: extras.map(({ points }) =>
        valueAt(
          points.map(([ms]) => ms / DAY_MS),
          points.map(([, ph]) => ph),
          day,
        ).toFixed(2),
      ),
    }
  })
})
</script>

<template>
  <details class="disclose">
    <summary>The same as a table</summary>
    <div class="sideways">
      <table class="plain small">
        <thead>
          <tr>
            <th>Day</th>
            <th>pH expected</th>
            <th>nine in ten</th>
            <th>read</th>
            <th>temperature</th>
            <th v-for="extra in extras" :key="extra.name">{{ extra.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.day">
            <td>{{ row.day }} <span class="muted">{{ row.date }}</span></td>
            <td class="number">{{ row.typical }}</td>
            <td>{{ row.band }}</td>
            <td>
              <strong>{{ row.read }}</strong>
            </td>
            <td><TemperatureText :temp-c="row.tempC" /></td>
            <td v-for="(value, index) in row.extras" :key="index" class="number">{{ value }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>
