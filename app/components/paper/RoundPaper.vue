<script setup lang="ts">
import { computed } from 'vue'
import { alongTheShelf } from '@lactofer/core'
import { dayInFull } from '~/clock/moments'
import { overdueWords } from '~/words/askWords'
import { useBook } from '~/stores/book'

/** The round on one page: along the shelf, each task with a box to tick and a line to write on. */
const book = useBook()
/** Room for the tasks on a page, A4 or Letter, mm; and the height of a line that is written on by hand. */
const PAGE_MM = 215
const LINE_MM = 9
const tasks = computed(() =>
  alongTheShelf(book.asks, book.fermenting).map((ask) => ({ ask, lot: book.lot(ask.lotId) })),
)
const lineMm = computed(() => Math.min(LINE_MM, PAGE_MM / Math.max(1, tasks.value.length)))
</script>

<template>
  <section class="on-paper" aria-hidden="true">
    <h1>The round, {{ dayInFull(book.nowMs) }}</h1>
    <p v-if="!tasks.length">Nothing is asked for. Look and smell all the same.</p>
    <table v-else :style="{ '--line': `${lineMm}mm` }">
      <tbody>
        <tr v-for="{ ask, lot } in tasks" :key="ask.key">
          <td><i class="box" /></td>
          <td>{{ lot?.place }}</td>
          <td><b>{{ lot?.code }}</b><b v-if="lot?.hot"> HOT</b></td>
          <td>{{ ask.title }}{{ overdueWords(ask, book.nowMs) }}</td>
          <td class="write" />
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
table {
  font-size: min(11pt, calc(var(--line) * 0.5));
}
td {
  height: var(--line);
  padding: 0 6px 0 0;
  white-space: nowrap;
}
.write {
  width: 45%;
  border-bottom: 1px solid #000;
}
</style>
