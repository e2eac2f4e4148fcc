<script setup lang="ts">
import { ref } from 'vue'
import Papa from 'papaparse'
import { say } from '~/composables/say'
import { batchRecordOf, tableOfRecord, type Lot } from '@lactofer/core'
import { saveFile } from '~/composables/saveFile'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The batch record of a lot: everything done, measured and decided, as paper and as a table. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const preferences = usePreferences()
const busy = ref(false)
const name = () => `record-${lot.code}`
async function give(make: () => Promise<void>) {
  busy.value = true
  try {
    await make()
  } catch {
    say.problem('The record could not be made. Reload the page and try again; the log is as it was.')
  } finally {
    busy.value = false
  }
}
function record() {
  const found = batchRecordOf(book.entries ?? [], book.book, lot.id, preferences.world)
  if (!found) throw new Error('The lot is not in the log.')
  return found
}
const pdf = () =>
  give(async () => {
    const { batchRecordPdf } = await import('~/labels/batchRecord')
    saveFile(
      new Blob([(await batchRecordPdf(record(), book.book, book.nowMs)) as BlobPart], { type: 'application/pdf' }),
      `${name()}.pdf`,
    )
  })
const csv = () =>
  give(async () =>
    saveFile(
      new Blob([Papa.unparse(tableOfRecord(record()), { escapeFormulae: true })], { type: 'text/csv' }),
      `${name()}.csv`,
    ),
  )
</script>

<template>
  <el-button :loading="busy" @click="pdf">Batch record, PDF</el-button
  ><el-button :loading="busy" @click="csv">CSV</el-button>
</template>
