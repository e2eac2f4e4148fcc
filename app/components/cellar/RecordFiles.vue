<script setup lang="ts">
import Papa from 'papaparse'
import { batchRecordOf, ingredientsOf, phOf, tableOfRecord, type Lot } from '@lactofer/core'
import { saveFile } from '~/composables/saveFile'
import { usePaper } from '~/composables/usePaper'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The batch record of a lot: everything done, measured and decided, as paper and as a table. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const preferences = usePreferences()
const { busy, give } = usePaper()
const name = () => `record-${lot.code}`
function record() {
  const found = batchRecordOf(book.entries ?? [], book.book, lot.id, preferences.world)
  if (!found) throw new Error('The lot is not in the log.')
  return found
}
const pdf = () =>
  give(name(), () => ({
    ...{ kind: 'batch record', record: record(), nowMs: book.nowMs },
    ...{ madeOf: ingredientsOf(book.book, lot.id), ph: phOf(book.book, lot.id) },
  }))
const csv = () =>
  saveFile(
    new Blob([Papa.unparse(tableOfRecord(record()), { escapeFormulae: true })], { type: 'text/csv' }),
    `${name()}.csv`,
  )
</script>

<template>
  <el-button :loading="busy" @click="pdf">Batch record, PDF</el-button><el-button @click="csv">CSV</el-button>
</template>
