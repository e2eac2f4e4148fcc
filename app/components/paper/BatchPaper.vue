<script setup lang="ts">
import { computed } from 'vue'
import type { Lot } from '@lactofer/core'
import { batchSheetOf } from './batchSheetOf'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** What a lot's page prints as: its batch sheet, with lines for the round. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const preferences = usePreferences()
const ROUND_LINES = 12
const sheet = computed(() =>
  lot.made.kind === 'plan' ? batchSheetOf(lot, lot.made, book.library, preferences.world) : null,
)
</script>

<template>
  <section v-if="sheet" class="on-paper" aria-hidden="true">
    <h1>{{ sheet.code }} {{ sheet.name }}</h1>
    <p>
      <template v-for="([name, value], index) in sheet.facts" :key="name"
        ><template v-if="index">, </template>{{ name }}: {{ value }}</template
      >
    </p>
    <h2>Weigh in</h2>
    <table>
      <thead>
        <tr>
          <th>What</th>
          <th>Target</th>
          <th>Weighed</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, index) in sheet.rows" :key="index">
          <td>{{ [row.name, row.how].filter(Boolean).join(', ') }}</td>
          <td>{{ row.planned }}</td>
          <td>{{ row.weighed }}</td>
        </tr>
      </tbody>
    </table>
    <p v-for="vessel in sheet.vessels" :key="vessel">{{ vessel }}</p>
    <template v-if="sheet.checks.length">
      <h2>Before packing</h2>
      <p v-for="check in sheet.checks" :key="check.text">
        <i :class="['box', { done: check.done }]" /> {{ check.text }}
      </p>
    </template>
    <h2>The round: day, pH, °C, what was done and seen, who</h2>
    <div v-for="line in ROUND_LINES" :key="line" class="write" />
    <p v-for="caution in sheet.cautions" :key="caution">{{ caution }}</p>
  </section>
</template>

<style scoped>
th,
td {
  text-align: right;
  padding: 4px 0;
  border-bottom: 1px solid #000;
}
th:first-child,
td:first-child {
  text-align: left;
}
h2 {
  margin-top: 10px;
}
.done {
  background: #000;
  print-color-adjust: exact;
}
.write {
  height: 8mm;
  border-bottom: 1px solid #000;
}
</style>
