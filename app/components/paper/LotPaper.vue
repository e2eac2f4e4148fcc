<script setup lang="ts">
import { computed, ref } from 'vue'
import { hasHoney, jarLabels, propertiesOf, type Lot } from '@lactofer/core'
import { PAGES, SHEETS, type PageId, type SheetId } from '~/labels/sheets'
import { batchSheetOf } from './batchSheetOf'
import { usePaper } from '~/composables/usePaper'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** Paper for a lot: labels for its jars, and the batch sheet. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const preferences = usePreferences()
const sheet = ref<SheetId>('a4')
const page = ref<PageId>('a4')
const { busy, give } = usePaper()
const composition = computed(() => book.composition(lot.id))

const link = () => `${location.origin}/ferment/${lot.id}`
const labels = () =>
  give(`${lot.code}-jars`, () => {
    const properties = composition.value && propertiesOf(composition.value)
    const said = {
      allergens: composition.value?.allergens ?? [],
      mark: book.homeMark(lot.id),
      cautions: hasHoney(book.book, lot) ? ['honey: not for infants'] : [],
    }
    const jars = jarLabels(lot, properties?.saltPct ?? null, said)
    return { kind: 'jar labels', labels: jars, sheetId: sheet.value, link: link() }
  })
const batch = () =>
  give(`${lot.code}-sheet`, () => {
    if (lot.made.kind !== 'plan') throw new Error('Only a planned lot has a batch sheet.')
    const written = batchSheetOf(lot, lot.made, book.library, preferences.world)
    return { kind: 'batch sheet', sheet: written, pageId: page.value, link: link() }
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
