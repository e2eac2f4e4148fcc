<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { hasHoney, jarLabels, propertiesOf, type Lot } from '@lactofer/core'
import { PAGES, SHEETS, type PageId, type SheetId } from '~/labels/paper'
import { batchSheetOf } from './batchSheetOf'
import { saveFile } from '~/composables/saveFile'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** Paper for a lot: labels for its jars, and the batch sheet. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const preferences = usePreferences()
const sheet = ref<SheetId>('a4')
const page = ref<PageId>('a4')
const busy = ref(false)
const composition = computed(() => book.composition(lot.id))

async function print(what: string, make: () => Promise<Uint8Array>) {
  busy.value = true
  try {
    saveFile(new Blob([(await make()) as BlobPart], { type: 'application/pdf' }), `${lot.code}-${what}.pdf`)
  } catch {
    say.problem('The paper could not be made. Reload the page and try again; the log is as it was.')
  } finally {
    busy.value = false
  }
}
const link = () => `${location.origin}/ferment/${lot.id}`
const labels = () =>
  print('jars', async () => {
    const { jarLabelSheet } = await import('~/labels/jarLabels')
    const properties = composition.value && propertiesOf(composition.value)
    return jarLabelSheet(
      jarLabels(lot, properties?.saltPct ?? null, {
        allergens: composition.value?.allergens ?? [],
        notMeasured: book.notMeasured(lot.id),
        cautions: hasHoney(book.book, lot) ? ['honey: not for infants'] : [],
      }),
      sheet.value,
      link(),
    )
  })
const batch = () =>
  print('sheet', async () => {
    if (lot.made.kind !== 'plan') throw new Error('Only a planned lot has a batch sheet.')
    const { batchSheetPdf } = await import('~/labels/batchSheet')
    return batchSheetPdf(batchSheetOf(lot, lot.made, book.library, preferences.world), page.value, link())
  })
</script>

<template>
  <div class="paper" aria-label="Paper" role="group">
    <div class="row end">
      <PickField
        v-model="sheet"
        label="Label sheet"
        :options="Object.entries(SHEETS).map(([id, { name }]) => ({ value: id as SheetId, label: name }))"
      /><el-button :loading="busy" @click="labels">Jar labels</el-button>
    </div>
    <div class="row end">
      <PickField
        v-model="page"
        label="Page"
        :options="Object.entries(PAGES).map(([id, { name }]) => ({ value: id as PageId, label: name }))"
      /><el-button :loading="busy" @click="batch">Batch sheet</el-button>
    </div>
  </div>
</template>

<style scoped>
.paper {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
  gap: var(--s3) var(--s5);
  flex: 1 1 100%;
}
.end {
  align-items: flex-end;
}
.end > :first-child {
  flex: 1 1 150px;
}
</style>
